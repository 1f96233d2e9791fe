import { isBeyondChance } from '@green-thicket/core/base/beyond-chance';
import { Segmented } from 'antd';
import { useRef, useState } from 'react';
import { largest } from '@green-thicket/core/base/extent';
import { counted } from '@green-thicket/core/base/wording';
import { DRAWN, inkOf, onPaper } from '../../pieces/drawn-colours.ts';
import { personsOf } from '@green-thicket/core/study/subset';
import { comparedGroups } from '@green-thicket/core/study/groups';
import type { ApartRow, ApartView } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { Select } from '../../pieces/Select.tsx';
import { pressKeys } from '../../pieces/press-keys.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useShownFigure } from '../../pieces/shown-figure.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { rowKey, sameSelection, selectionOf } from './faces.ts';
import { SaveMenu } from '../../pieces/SaveMenu.tsx';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './Apart.module.css';

/** Rows on either side. */
const ON_EACH_SIDE = 10;
const REST = '\u0000rest';
const WIDTH = 620;
const NAMES = 190;
const LINE = 24;
const HEAD = 26;

/** What sets a group apart: a two-sided list of what one side says more of, with intervals; each opens the passages of both. */
export function Apart() {
  const { state } = useStudy();
  const { names } = comparedGroups(state);
  const themes = useView('themes', null).data?.themes ?? [];
  const [picked, setPicked] = useState<string>();
  const [other, setOther] = useState<string>(REST);
  const [of, setOf] = useState<'concepts' | 'links'>('concepts');
  const [letter, setLetter] = useState('');
  const group = picked !== undefined && names.includes(picked) ? picked : names[0];
  const against = other !== REST && names.includes(other) && other !== group ? other : null;
  if (names.length < 2 || group === undefined) {
    return (
      <div className="empty-centre">
        <h2>Two groups are needed</h2>
        <p>Choose an attribute with two groups or more in the sentence above.</p>
      </div>
    );
  }
  return (
    <div className="centre-body">
      <div className="centre-bar">
        <Select
          size="small"
          className="short"
          aria-label="What sets apart"
          value={group}
          options={names.map((name) => ({ value: name, label: name }))}
          onChange={setPicked}
        />
        <span className="quiet">against</span>
        <Select
          size="small"
          className="short"
          aria-label="Against"
          value={against ?? REST}
          options={[
            { value: REST, label: 'all others' },
            ...names.filter((name) => name !== group).map((name) => ({ value: name, label: name })),
          ]}
          onChange={setOther}
        />
        <Segmented
          size="small"
          aria-label="Concepts or links"
          value={of}
          options={[
            { value: 'concepts', label: 'Concepts' },
            { value: 'links', label: 'Links' },
          ]}
          onChange={setOf}
        />
        {of === 'concepts' && (
          <Select
            size="small"
            aria-label="Concepts of"
            popupMatchSelectWidth={false}
            value={letter}
            options={[
              { value: '', label: 'all concepts' },
              ...themes.map((theme) => ({ value: theme.letter, label: `in ${theme.letter} ${theme.label}` })),
            ]}
            onChange={setLetter}
          />
        )}
      </div>
      <TwoSided question={{ group, against, of, letter, limit: ON_EACH_SIDE }} />
    </div>
  );
}

function TwoSided({
  question,
}: {
  question: {
    group: string;
    against: string | null;
    of: 'concepts' | 'links';
    letter: string;
    limit: number;
  };
}) {
  const { state } = useStudy();
  const { data, isPlaceholderData } = useView('apart', question);
  useShownFigure({ kind: 'apart', asked: question });
  const drawing = useRef<SVGSVGElement>(null);
  if (!data) return <p className="quiet">Weighing what each side says …</p>;
  const there = question.against ?? 'all others';
  const heard = (count: number): string =>
    personsOf(state) === null ? counted(count, 'source') : counted(count, 'person', 'people');
  if (data.sources[0] + data.sources[1] < 3 || data.sources[0] === 0 || data.sources[1] === 0) {
    return (
      <p className="quiet">
        {question.group} has {heard(data.sources[0])}, {there} {data.sources[1]}: too few to tell what sets
        them apart from what sets one person apart.
      </p>
    );
  }
  if (data.rows.length === 0) return <p className="quiet">Nothing of this is said by either side.</p>;
  const title = `What sets ${question.group} apart from ${there}`;
  return (
    <div className={isPlaceholderData ? 'dimmed' : undefined}>
      <p className={`quiet ${styles.apartLead}`}>
        <span title="Log-odds ratio with an informative Dirichlet prior (Monroe, Colaresi and Quinn 2008); the interval goes by how the sources of each side differ">
          Dots to the right: {question.group} says more of it; to the left: {there}. A line that crosses the
          middle, or stands faint, may be chance: {data.beyond} of {data.looked} looked at differ beyond it (q
          under 0.05, for all of them). {question.group}: {heard(data.sources[0])}; {there}: {data.sources[1]}
          . <HowFound page="comparison" heading="What sets a group apart" />
        </span>
        <SaveMenu
          name={title}
          table={() => tableOf(data, question.of)}
          drawing={() =>
            drawing.current ? onPaper(new XMLSerializer().serializeToString(drawing.current)) : ''
          }
        />
      </p>
      <Drawing data={data} title={title} here={question.group} there={there} drawing={drawing} />
    </div>
  );
}

function Drawing({
  data,
  title,
  here,
  there,
  drawing,
}: {
  data: ApartView;
  title: string;
  here: string;
  there: string;
  drawing: React.RefObject<SVGSVGElement | null>;
}) {
  const { selection, select } = useSelection();
  // An interval may be as good as endless; the drawing is not.
  const most = Math.min(
    4,
    largest(
      data.rows.map(({ logOdds }) => Math.abs(logOdds)),
      0.5,
    ) * 1.5,
  );
  const height = HEAD + LINE * data.rows.length + 6;
  const middle = NAMES + (WIDTH - NAMES - 90) / 2;
  const at = (value: number): number =>
    middle + ((WIDTH - NAMES - 90) / 2) * (Math.max(-most, Math.min(most, value)) / most);
  const both = (row: ApartRow): void => select(selectionOf(row));
  const sides = [data.within, data.against] as const;
  return (
    <svg
      ref={drawing}
      className={styles.apartDrawing}
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="group"
      aria-label={title}
    >
      <text x={middle - 8} y={14} fontSize={11} textAnchor="end" fill={DRAWN.quiet}>
        {short(there, 24)} more
      </text>
      <text x={middle + 8} y={14} fontSize={11} fill={DRAWN.quiet}>
        {short(here, 24)} more
      </text>
      <line x1={middle} x2={middle} y1={HEAD - 6} y2={height} stroke={DRAWN.edge} />
      {data.rows.map((row, i) => {
        const y = HEAD + LINE * i + LINE / 2;
        const ink = row.letter === '' ? DRAWN.moss : inkOf(row.letter);
        const isSure = isBeyondChance(row.q) && (row.low > 0 || row.high < 0);
        const isHere = sameSelection(selection, selectionOf(row));
        return (
          <g key={rowKey(row)}>
            <g
              role="button"
              tabIndex={0}
              aria-pressed={isHere}
              aria-label={`${row.label}: ${row.logOdds > 0 ? here : there} more, ${isSure ? 'beyond chance' : 'may be chance'}; ${row.here} against ${row.there}`}
              className={styles.apartLine}
              opacity={isSure ? 1 : 0.72}
              onClick={() => both(row)}
              onKeyDown={pressKeys(() => both(row))}
            >
              <title>{`${row.label}: ${row.here} in ${here}, ${row.there} in ${there}; z ${row.z.toFixed(1)}, q ${row.q.toFixed(3)} over all that was looked at`}</title>
              <rect
                x={0}
                y={y - LINE / 2}
                width={WIDTH}
                height={LINE}
                fill={isHere ? DRAWN.picked : 'transparent'}
              />
              <text
                x={NAMES - 10}
                y={y + 4}
                fontSize={13}
                textAnchor="end"
                fill={isSure ? DRAWN.ink : DRAWN.quiet}
              >
                {short(row.label, 30)}
              </text>
              <line
                x1={at(row.low)}
                x2={at(row.high)}
                y1={y}
                y2={y}
                stroke={ink}
                strokeWidth={3}
                strokeLinecap="round"
                opacity={0.35}
              />
              <circle cx={at(row.logOdds)} cy={y} r={4.5} fill={isSure ? ink : DRAWN.paper} stroke={ink} />
            </g>
            {[row.here, row.there].map((count, side) => (
              <Count
                key={side === 0 ? here : there}
                x={WIDTH - (side === 0 ? 44 : 12)}
                y={y + 4}
                count={count}
                name={`${row.label} in ${side === 0 ? here : there}`}
                onRead={sides[side] ? () => select(selectionOf(row), sides[side]) : undefined}
              />
            ))}
          </g>
        );
      })}
    </svg>
  );
}

/** How often one side says it; opens its passages. */
function Count({
  x,
  y,
  count,
  name,
  onRead,
}: {
  x: number;
  y: number;
  count: number;
  name: string;
  onRead?: () => void;
}) {
  const text = (
    <text x={x} y={y} fontSize={11} textAnchor="end" fill={onRead && count > 0 ? DRAWN.rustInk : DRAWN.quiet}>
      {count}
    </text>
  );
  if (!onRead || count === 0) return text;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${name}: ${count}`}
      className={styles.apartLine}
      onClick={onRead}
      onKeyDown={pressKeys(() => onRead())}
    >
      <title>{`Read ${name}`}</title>
      {text}
    </g>
  );
}

const short = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, most - 1)}…` : text;

function tableOf({ rows }: ApartView, of: 'concepts' | 'links') {
  return {
    head: [
      'letter',
      of === 'links' ? 'link' : 'concept',
      'log_odds',
      'low',
      'high',
      'z',
      'q',
      'here',
      'there',
    ],
    rows: rows.map(({ letter, label, logOdds, low, high, z, q, here, there }) => [
      letter,
      label,
      logOdds,
      low,
      high,
      z,
      q,
      here,
      there,
    ]),
  };
}
