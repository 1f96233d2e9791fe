import { useMemo, useRef } from 'react';
import { counted } from '@green-thicket/core/base/wording';
import type { FigureName } from '@green-thicket/core/words/figure-sentences';
import { useSize } from '../../pieces/use-width.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { FIGURE_FACES, type FiguredRow } from './figures.ts';
import { useArrowWords } from '../../pieces/use-arrow-words.ts';
import { decisionByKey } from '../../pieces/key-decisions.ts';
import { FieldWord } from './FieldWord.tsx';
import { KeepingLine, useLeastPull } from './KeepingLine.tsx';
import { placeWords, sizeOfField, type FieldSize } from './place-words.ts';
import { boxOf, useFieldHold, wordsIn, wordUnder } from './use-field-hold.ts';
import styles from './WordField.module.css';

/** Sizes of the field are so many pixels apart, so that dragging a border lays it out now and then only. */
const STEP = 16;

/** A field as large as it has room, in which a figure's place is the same share of it at every size. */
export function WordField(props: WordsInField) {
  const pane = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(pane);
  const inSteps = (length: number): number => Math.floor(length / STEP) * STEP;
  return (
    <div ref={pane} className={styles.fieldPane}>
      {width > 0 && <Field {...props} width={inSteps(width)} height={inSteps(height)} />}
    </div>
  );
}

interface WordsInField {
  readonly rows: readonly FiguredRow[];
  readonly picked: string | undefined;
  readonly onPick: (key: string) => void;
  readonly across: FigureName;
  readonly up: FigureName;
  readonly ticked: ReadonlySet<string>;
  readonly onTick: (ticked: ReadonlySet<string>) => void;
}

/**
 * The field of words: each placed by two of its figures, its size its mentions. A word is dropped on another to merge
 * them, the line across keeps what has as much pull, a frame drawn round words ticks them.
 */
function Field({
  rows,
  picked,
  onPick,
  across,
  up,
  ticked,
  onTick,
  width,
  height,
}: WordsInField & { readonly width: number; readonly height: number }) {
  const { decide } = useStudy();
  const field = useMemo(
    () => placeWords(rows, { across, up }, sizeOfField(width, height)),
    [rows, across, up, width, height],
  );
  const { words, size, missing } = field;
  const { svg, hold, takeWord, takeLine, beginFrame, move, letGo } = useFieldHold(size);
  const least = useLeastPull(field);
  const word = hold?.what === 'word' && hold.moved ? hold : undefined;
  const under = word && wordUnder(word, words);
  const frame = hold?.what === 'frame' && hold.moved ? boxOf(hold) : undefined;
  const drop = (): void => {
    if (word && under) decide({ kind: 'mergeConcepts', into: under.row.key, keys: [word.key] });
    if (hold?.what === 'line' && hold.moved) least.setHeight(hold.y);
    if (frame) onTick(new Set(wordsIn(frame, words).map((each) => each.row.key)));
    else if (hold?.what === 'frame' && ticked.size > 0) onTick(new Set());
    letGo();
  };
  const toNext = useArrowWords(svg, '.field-word');
  const onKey = (event: React.KeyboardEvent): void => {
    if (toNext(event)) return;
    const concept = keyUnder(event);
    if (concept === undefined) return;
    const key = event.key.toLowerCase();
    const decision = decisionByKey(event, concept);
    if (decision) decide(decision);
    else if (key === 'enter' || key === ' ') onPick(concept);
    else if (key === 't') {
      const next = new Set(ticked);
      if (!next.delete(concept)) next.add(concept);
      onTick(next);
    } else return;
    event.preventDefault();
  };
  return (
    <svg
      ref={svg}
      className={styles.wordField}
      viewBox={`0 0 ${size.width} ${size.height}`}
      width={size.width}
      height={size.height}
      role="group"
      aria-label="Field of words"
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        const key = keyUnder(event);
        if (key !== undefined) takeWord(event, key);
        else if (event.target === svg.current) beginFrame(event);
      }}
      onClick={(event) => {
        const key = keyUnder(event);
        if (key !== undefined) onPick(key);
      }}
      onKeyDown={onKey}
      onPointerMove={move}
      onPointerUp={drop}
      onPointerLeave={letGo}
    >
      <Axes across={across} up={up} size={size} missing={missing} />
      {words.map(({ row, x, y, type }) => {
        const held = word?.key === row.key ? word : undefined;
        return (
          <FieldWord
            key={row.key}
            row={row}
            x={held ? held.x : x}
            y={held ? held.y : y}
            type={type}
            across={across}
            up={up}
            picked={row.key === picked}
            ticked={ticked.has(row.key)}
            target={under?.row.key === row.key}
          />
        );
      })}
      {up === 'pull' && (
        <KeepingLine
          y={hold?.what === 'line' ? hold.y : least.y}
          size={size}
          least={least}
          onGrasp={takeLine}
        />
      )}
      {frame && <rect className={styles.fieldFrame} {...frame} />}
    </svg>
  );
}

/** What the two directions of the field mean. */
function Axes({
  across,
  up,
  size: { width, height, left, bottom },
  missing,
}: {
  across: FigureName;
  up: FigureName;
  size: FieldSize;
  missing: number;
}) {
  return (
    <g className={styles.fieldAxes} aria-hidden="true">
      <line x1={left} y1={height - bottom} x2={width} y2={height - bottom} />
      <line x1={left} y1={0} x2={left} y2={height - bottom} />
      <text x={width} y={height - 8} textAnchor="end">
        {FIGURE_FACES[across].high}
      </text>
      <text x={left} y={height - 8}>
        {FIGURE_FACES[across].low}
      </text>
      <text transform={`translate(${left - 10} 90) rotate(-90)`} textAnchor="middle">
        {FIGURE_FACES[up].high}
      </text>
      {missing > 0 && (
        <text x={(left + width) / 2} y={height - 8} textAnchor="middle">
          {counted(missing, 'concept')} more, with no room here: in the list
        </text>
      )}
    </g>
  );
}

/** The key of the word an event is on. */
function keyUnder({ target }: React.SyntheticEvent): string | undefined {
  return target instanceof Element
    ? target.closest<SVGTextElement>('.field-word')?.dataset['concept']
    : undefined;
}
