import { isBeyondChance } from '@green-thicket/core/base/beyond-chance';
import { largest } from '@green-thicket/core/base/extent';
import { finerPeriod, longerPeriod } from '@green-thicket/core/base/periods';
import { counted, listed, percent, pointsText } from '@green-thicket/core/base/wording';
import { smoothed, type Course, type Trend } from '@green-thicket/core/compare/time';
import { DRAWN, inkOf } from '../../pieces/drawn-colours.ts';
import type { OverTimeView, Within } from '@green-thicket/core/views/view-types';
import { drawingOfBoard } from '../../pieces/drawings.ts';
import { pressKeys } from '../../pieces/press-keys.ts';
import { useSelection } from '../../pieces/selection.ts';
import { sameSelection, sameWithin, selectionOf } from './faces.ts';
import styles from './OverTime.module.css';

/** A line of a group is told apart by its dash as well; there are as many lines as dashes. */
export const DASHES = ['', '5 3', '1.5 3', '8 3 2 3'] as const;
const WIDTH = 330;
const HEIGHT = 132;
const LEFT = 38;
/** Drawn at nine tenths, it is still ten pixels high. */
const TYPE = 11.5;
const TOP = 10;
const BOTTOM = 34;
/** Periods that have their name under them. */
const MOST_NAMES = 7;

const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');
/** A period as a short name under a point: 2031-05 is May; January has its year. */
function shortName(period: string): string {
  const [, year, month, day] = /^(\d{4})-(\d\d)(?:-(\d\d))?$/.exec(period) ?? [];
  if (month === undefined) return period;
  const name = MONTHS[Number(month) - 1];
  if (day !== undefined) return `${Number(day)} ${name}`;
  return month === '01' ? `${name} ${year}` : name;
}

/** Whether a period can be looked into: not where its dates are given no more exactly. */
export const canLookInto = ({ period, grain }: Pick<OverTimeView, 'period' | 'grain'>): boolean =>
  longerPeriod(finerPeriod(period), grain) !== period;

/** The small pictures on a part of the page as one drawing. */
export function drawingOfPanels(board: HTMLElement | null): string {
  const panels = [...(board?.querySelectorAll<SVGElement>('svg[data-name]') ?? [])];
  return drawingOfBoard(
    panels,
    panels.map((panel) => panel.getAttribute('data-name') ?? ''),
    { width: WIDTH, height: HEIGHT, type: 13 },
  );
}

interface TimePanelProps {
  data: OverTimeView;
  row: number;
  courses: readonly Course[];
  most: number;
  reach: number;
  dates: string;
  onSpan: (period: string) => void;
}

/** What a small picture is drawn by: places of periods and shares, and the ink. */
interface Ground {
  readonly ink: string;
  /** Periods, and lines beside each other in one. */
  readonly count: number;
  readonly lines: number;
  readonly most: number;
}
const ROOM = WIDTH - LEFT - 12;
const xOf = ({ count }: Ground, period: number): number => LEFT + (ROOM * (period + 0.5)) / count;
const yOf = ({ most }: Ground, share: number): number => TOP + (HEIGHT - TOP - BOTTOM) * (1 - share / most);
/** How far a line's points stand beside the middle of their period. */
const besideOf = ({ count, lines }: Ground, line: number): number =>
  (line - (lines - 1) / 2) * Math.min(7, ROOM / count / 4);

/** The strength of one row by period; each point opens its passages. */
export function TimePanel({ data, row, courses, most, reach, dates, onSpan }: TimePanelProps) {
  const { select } = useSelection();
  const named = data.rows[row];
  const ink = named.letter === '' ? DRAWN.moss : inkOf(named.letter);
  const ground: Ground = { ink, count: Math.max(1, data.periods.length), lines: courses.length, most };
  const means = `${courses.length > 1 ? 'means' : 'mean'} ${listed(courses.map(({ mean }) => percent(mean[row]?.share ?? 0)))}`;
  return (
    <section className={styles.timePanel} aria-label={`${named.label} over time`}>
      <h2>
        <button type="button" className="linklike" onClick={() => select(selectionOf(named))}>
          <b style={{ color: ink }}>{named.letter}</b> {named.label}
        </button>
        {courses.length === 1 && courses[0].trends.length > 0 && <TrendSaid trend={courses[0].trends[row]} />}
        {/* A figure keeps its per cent sign beside it. */}
        <span className="quiet"> {means.replaceAll(' %', '\u00a0%')}</span>
      </h2>
      <svg
        width="100%"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        data-name={`${named.letter} ${named.label}, ${means}`}
      >
        {[0, most / 2, most].map((share) => (
          <g key={share}>
            <line
              x1={LEFT}
              x2={WIDTH - 6}
              y1={yOf(ground, share)}
              y2={yOf(ground, share)}
              stroke={DRAWN.rule}
            />
            <text x={LEFT - 4} y={yOf(ground, share) + 3} fontSize={TYPE} textAnchor="end" fill={DRAWN.quiet}>
              {percent(share)}
            </text>
          </g>
        ))}
        {courses.map((course, line) => (
          <g key={course.group} opacity={line === 0 ? 1 : 0.8}>
            <CourseLine course={course} line={line} row={row} reach={reach} ground={ground} />
            {data.periods.map(
              (period, i) =>
                course.periods[i].windows > 0 && (
                  <TimePoint
                    key={period}
                    data={data}
                    course={course}
                    place={{ row, line, period: i }}
                    dates={dates}
                    ground={ground}
                  />
                ),
            )}
          </g>
        ))}
        <Foot data={data} courses={courses} ground={ground} onSpan={onSpan} />
      </svg>
    </section>
  );
}

/** Whether a row changes steadily from the first period to the last. */
function TrendSaid({ trend: { change, q } }: { trend: Trend }) {
  // Where none is beyond chance that is said once, of all rows.
  if (!isBeyondChance(q)) return null;
  return (
    <span
      className="quiet"
      title="From the first period to the last, along the straight line that fits best; q is the chance of as large a change if the sources had been dealt to the periods blindly, adjusted over the rows"
    >
      {' '}
      {`${change > 0 ? 'rises' : 'falls'} by ${pointsText(Math.abs(change))} (q ${figureOfQ(q)})`}
    </span>
  );
}

const figureOfQ = (q: number): string => q.toPrecision(2);

/** A group's mean and its line through the periods, smoothed where that was asked for. */
function CourseLine({
  course: { mean, periods },
  line,
  row,
  reach,
  ground,
}: {
  course: Course;
  line: number;
  row: number;
  reach: number;
  ground: Ground;
}) {
  const { ink } = ground;
  const shares = periods.map(({ strengths, windows }) => ({ share: strengths[row]?.share ?? 0, windows }));
  const drawn =
    reach === 0 ? shares.map(({ share, windows }) => (windows === 0 ? NaN : share)) : smoothed(shares, reach);
  const level = mean[row] ? yOf(ground, mean[row].share) : undefined;
  return (
    <>
      {level !== undefined && (
        <line
          x1={LEFT}
          x2={WIDTH - 6}
          y1={level}
          y2={level}
          stroke={ink}
          strokeDasharray="1.5 3"
          opacity={0.7}
        />
      )}
      <path
        d={pathOf(
          drawn,
          (i) => xOf(ground, i) + besideOf(ground, line),
          (share) => yOf(ground, share),
        )}
        fill="none"
        stroke={ink}
        strokeWidth={1.8}
        strokeDasharray={DASHES[line]}
      />
    </>
  );
}

/** A group's strength in one period, with its interval. */
function TimePoint({
  data,
  course,
  place: { row, line, period },
  dates,
  ground,
}: {
  data: OverTimeView;
  course: Course;
  place: { readonly row: number; readonly line: number; readonly period: number };
  dates: string;
  ground: Ground;
}) {
  const { selection, select, within } = useSelection();
  const named = data.rows[row];
  const name = data.periods[period];
  const { strengths, sources, windows, interval } = course.periods[period];
  const { share, low, high, speaking } = strengths[row];
  const asked = selectionOf(named);
  const here: Within = {
    ...(data.within[line] ?? { groups: [] }),
    when: { dates, period: data.period, value: name },
  };
  const picked = sameSelection(selection, asked) && sameWithin(within, here);
  const read = (): void => select(asked, here);
  const at = xOf(ground, period) + besideOf(ground, line);
  const { ink } = ground;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-pressed={picked}
      aria-label={`${named.label}, ${course.group === 'all' ? '' : `${course.group}, `}${name}: ${percent(share, 1)}, interval ${percent(low, 1)} to ${percent(high, 1)}, ${counted(sources, 'source')}`}
      className={styles.timePoint}
      onClick={read}
      onKeyDown={pressKeys(() => read())}
    >
      <title>{`${name}: ${percent(share, 1)} (${percent(low, 1)} to ${percent(high, 1)}), ${speaking} of ${counted(windows, 'stretch', 'stretches')}, ${counted(sources, 'source')}${interval === 'others' ? '; its interval goes by how the sources of all periods differ' : ''}`}</title>
      <line
        x1={at}
        x2={at}
        y1={yOf(ground, low)}
        y2={yOf(ground, high)}
        stroke={ink}
        strokeWidth={3}
        strokeLinecap="round"
        opacity={0.32}
      />
      <circle
        cx={at}
        cy={yOf(ground, share)}
        r={picked ? 5.5 : 3.8}
        fill={line === 0 ? ink : DRAWN.paper}
        stroke={picked ? DRAWN.rust : ink}
        strokeWidth={picked ? 2.5 : 1.4}
      />
      <rect x={at - 8} y={TOP} width={16} height={HEIGHT - TOP - BOTTOM} fill="transparent" />
    </g>
  );
}

/** The periods' names, and under each how many sources it has. */
function Foot({
  data,
  courses,
  ground,
  onSpan,
}: {
  data: OverTimeView;
  courses: readonly Course[];
  ground: Ground;
  onSpan: (period: string) => void;
}) {
  const every = Math.ceil(ground.count / MOST_NAMES);
  const canLookIn = canLookInto(data);
  const mostSources = largest(
    courses.flatMap(({ periods }) => periods.map(({ sources }) => sources)),
    1,
  );
  return data.periods.map((name, i) => {
    const sources = sum(courses.map(({ periods }) => periods[i].sources));
    return (
      <g key={name}>
        {i % every === 0 && (
          <PeriodName
            x={xOf(ground, i)}
            y={HEIGHT - 18}
            name={name}
            onPick={canLookIn ? () => onSpan(name) : undefined}
          />
        )}
        <rect
          x={xOf(ground, i) - 6}
          y={HEIGHT - 11}
          width={(12 * sources) / (mostSources * courses.length)}
          height={4}
          fill={DRAWN.edge}
        >
          <title>{`${name}: ${counted(sources, 'source')}`}</title>
        </rect>
      </g>
    );
  });
}

const sum = (values: readonly number[]): number => values.reduce((all, each) => all + each, 0);

function PeriodName({ x, y, name, onPick }: { x: number; y: number; name: string; onPick?: () => void }) {
  const text = (
    <text x={x} y={y} fontSize={TYPE} textAnchor="middle" fill={onPick ? DRAWN.rustInk : DRAWN.quiet}>
      {shortName(name)}
    </text>
  );
  if (!onPick) return text;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${shortName(name)}: look into ${name}`}
      className={styles.timePoint}
      onClick={onPick}
      onKeyDown={pressKeys(() => onPick())}
    >
      <title>{`Look into ${name}`}</title>
      {text}
    </g>
  );
}

/** A line through shares, broken where there is none. */
function pathOf(shares: readonly number[], x: (i: number) => number, y: (share: number) => number): string {
  let isDown = false;
  return shares
    .map((share, i) => {
      if (Number.isNaN(share)) {
        isDown = false;
        return '';
      }
      const step = `${isDown ? 'L' : 'M'}${x(i).toFixed(1)} ${y(share).toFixed(1)}`;
      isDown = true;
      return step;
    })
    .join('');
}
