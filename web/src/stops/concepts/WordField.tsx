import { memo, useMemo, useRef, useState } from 'react';
import type { FigureName } from '@green-thicket/core/words/figure-sentences';
import { useStudy } from '../../pieces/study-context.ts';
import { scaledType } from '../../pieces/scaled-type.ts';
import { FIGURE_FACES, type FiguredRow } from './figures.ts';
import { useArrowWords } from '../../pieces/use-arrow-words.ts';
import { decisionByKey, KEYS_SAID } from '../../pieces/key-decisions.ts';
import { FIELD, heightOf, placeWords } from './place-words.ts';
import styles from './WordField.module.css';

const { width: WIDTH, height: HEIGHT, left: LEFT, bottom: BOTTOM } = FIELD;
/** How far the keeping line moves by an arrow key, as a share of the field's height. */
const LINE_STEP = 0.02;
/** A pointer that moved less than this was a click. */
const STILL = 4;

type Hold =
  | { readonly what: 'word'; readonly key: string; x: number; y: number; moved: boolean }
  | { readonly what: 'frame'; fromX: number; fromY: number; x: number; y: number; moved: boolean }
  | { readonly what: 'line'; y: number; moved: boolean };

/**
 * The field of words: each placed by two of its figures, its size its mentions. A word is dropped on another to merge
 * them, the line across keeps what has as much pull, a frame drawn round words ticks them.
 */
export function WordField({
  rows,
  picked,
  onPick,
  across,
  up,
  ticked,
  onTick,
}: {
  rows: readonly FiguredRow[];
  picked: string | undefined;
  onPick: (key: string) => void;
  across: FigureName;
  up: FigureName;
  ticked: ReadonlySet<string>;
  onTick: (ticked: ReadonlySet<string>) => void;
}) {
  const { state, decide } = useStudy();
  const field = useMemo(() => placeWords(rows, across, up), [rows, across, up]);
  const { words } = field;
  const svg = useRef<SVGSVGElement>(null);
  const [hold, setHold] = useState<Hold>();
  const place = (event: React.PointerEvent): { x: number; y: number } => {
    // The drawing keeps its shape in a box of another, so the box alone does not say where a place in it is.
    const matrix = svg.current?.getScreenCTM();
    if (!matrix) return { x: 0, y: 0 };
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return { x, y };
  };
  const word = hold?.what === 'word' && hold.moved ? hold : undefined;
  const under = word
    ? words.find(
        (each) =>
          each.row.key !== word.key &&
          Math.abs(each.x - word.x) < each.width / 2 &&
          Math.abs(each.y - word.y) < each.height / 2,
      )
    : undefined;
  const frame = hold?.what === 'frame' && hold.moved ? hold : undefined;
  const { minimumPull } = state.settings.concepts;
  const lineY = hold?.what === 'line' ? hold.y : heightOf(field.up, minimumPull);
  const setPull = (pull: number): void => {
    const rounded = Math.max(0, Math.round(pull * 100) / 100);
    if (rounded !== minimumPull) decide({ kind: 'setConcepts', change: { minimumPull: rounded } });
  };
  const pullAt = (y: number): number => field.up.value(1 - y / (HEIGHT - BOTTOM));
  const setLine = (y: number): void => setPull(pullAt(y));
  /** A key moves the line a little way, and the limit by a hundredth at least. */
  const stepLine = (direction: 1 | -1): void => {
    const y = Math.max(0, Math.min(HEIGHT - BOTTOM, lineY - direction * LINE_STEP * (HEIGHT - BOTTOM)));
    const away = Math.max(0.01, direction * (pullAt(y) - minimumPull));
    setPull(minimumPull + direction * away);
  };
  const move = (event: React.PointerEvent): void => {
    if (!hold) return;
    const at = place(event);
    if (hold.what === 'line') {
      setHold({ ...hold, y: Math.max(0, Math.min(HEIGHT - BOTTOM, at.y)), moved: true });
      return;
    }
    const [x, y] = hold.what === 'frame' ? [hold.fromX, hold.fromY] : [hold.x, hold.y];
    setHold({ ...hold, ...at, moved: hold.moved || Math.hypot(at.x - x, at.y - y) > STILL });
  };
  const letGo = (): void => {
    if (word && under) decide({ kind: 'mergeConcepts', into: under.row.key, keys: [word.key] });
    if (hold?.what === 'line' && hold.moved) setLine(hold.y);
    if (frame) {
      const [left, right] = [Math.min(frame.fromX, frame.x), Math.max(frame.fromX, frame.x)];
      const [top, bottom] = [Math.min(frame.fromY, frame.y), Math.max(frame.fromY, frame.y)];
      const inside = words.filter(
        (each) =>
          each.x + each.width / 2 > left &&
          each.x - each.width / 2 < right &&
          each.y + each.height / 2 > top &&
          each.y - each.height / 2 < bottom,
      );
      onTick(new Set(inside.map((each) => each.row.key)));
    } else if (hold?.what === 'frame' && ticked.size > 0) onTick(new Set());
    setHold(undefined);
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
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="group"
      aria-label="Field of words"
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        const { x, y } = place(event);
        const key = keyUnder(event);
        if (key !== undefined) setHold({ what: 'word', key, x, y, moved: false });
        else if (event.target === svg.current) {
          setHold({ what: 'frame', fromX: x, fromY: y, x, y, moved: false });
        }
      }}
      onClick={(event) => {
        const key = keyUnder(event);
        if (key !== undefined) onPick(key);
      }}
      onKeyDown={onKey}
      onPointerMove={move}
      onPointerUp={letGo}
      onPointerLeave={() => setHold(undefined)}
    >
      <g className={styles.fieldAxes} aria-hidden="true">
        <line x1={LEFT} y1={HEIGHT - BOTTOM} x2={WIDTH} y2={HEIGHT - BOTTOM} />
        <line x1={LEFT} y1={0} x2={LEFT} y2={HEIGHT - BOTTOM} />
        <text x={WIDTH} y={HEIGHT - 8} textAnchor="end">
          {FIGURE_FACES[across].high}
        </text>
        <text x={LEFT} y={HEIGHT - 8}>
          {FIGURE_FACES[across].low}
        </text>
        <text transform={`translate(${LEFT - 10} 90) rotate(-90)`} textAnchor="middle">
          {FIGURE_FACES[up].high}
        </text>
      </g>
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
        <g
          className={styles.keepingLine}
          role="slider"
          tabIndex={0}
          aria-label="Least pull of what is kept"
          aria-orientation="vertical"
          aria-valuemin={0}
          aria-valuemax={Math.round(field.up.value(1) * 100) / 100}
          aria-valuenow={minimumPull}
          transform={`translate(0 ${lineY})`}
          onPointerDown={(event) => {
            event.stopPropagation();
            setHold({ what: 'line', y: place(event).y, moved: false });
          }}
          onKeyDown={(event) => {
            if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
            event.preventDefault();
            stepLine(event.key === 'ArrowUp' ? 1 : -1);
          }}
        >
          <title>What is above this line is kept. Drag it, or use the arrow keys.</title>
          <rect x={LEFT} y={-6} width={WIDTH - LEFT} height={12} />
          <line x1={LEFT} x2={WIDTH} y1={0} y2={0} />
        </g>
      )}
      {frame && (
        <rect
          className={styles.fieldFrame}
          x={Math.min(frame.fromX, frame.x)}
          y={Math.min(frame.fromY, frame.y)}
          width={Math.abs(frame.x - frame.fromX)}
          height={Math.abs(frame.y - frame.fromY)}
        />
      )}
    </svg>
  );
}

/** The key of the word an event is on. */
function keyUnder({ target }: React.SyntheticEvent): string | undefined {
  return target instanceof Element
    ? target.closest<SVGTextElement>('.field-word')?.dataset['concept']
    : undefined;
}

/** A word in the field. The field hears what is done to it, so that it is drawn again only when it changes. */
const FieldWord = memo(function FieldWord({
  row,
  x,
  y,
  type,
  across,
  up,
  picked,
  ticked,
  target,
}: {
  row: FiguredRow;
  x: number;
  y: number;
  type: number;
  across: FigureName;
  up: FigureName;
  picked: boolean;
  ticked: boolean;
  target: boolean;
}) {
  const said = (figure: FigureName): string =>
    `${FIGURE_FACES[figure].title.toLowerCase()} ${FIGURE_FACES[figure].show(row)}`;
  return (
    <text
      role="button"
      tabIndex={-1}
      aria-label={row.label}
      aria-pressed={picked}
      data-concept={row.key}
      className={`${styles.fieldWord} is-${row.status}${picked ? ' here' : ''}${ticked ? ` ${styles.isTicked}` : ''}${target ? ' target' : ''}`}
      {...scaledType(x, y + type * 0.33, type)}
      textAnchor="middle"
    >
      {row.label}
      <title>{`${row.label}: ${said(across)}, ${said(up)}, ${row.mentions} mentions. ${KEYS_SAID}, T ticks it.`}</title>
    </text>
  );
});
