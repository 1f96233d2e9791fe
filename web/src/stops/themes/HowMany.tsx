import { Button, Popover } from 'antd';
import { useState, type ReactNode } from 'react';
import { DRAWN, inkOf } from '../../pieces/drawn-colours.ts';
import { ownValue } from '@green-thicket/core/base/records';
import { percent } from '@green-thicket/core/base/wording';
import type { HowManyView, ThemesView } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { ResolutionChart } from './ResolutionChart.tsx';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './ThemesStop.module.css';

/**
 * The bar above the themes: ways to look at them, how many there may be as numbers worth having, and what is done with them all. How
 * the finer ones lie within the coarser comes where the numbers are pointed at, or is kept below the bar.
 */
export function HowMany({
  data,
  end,
  children,
}: {
  /** Undefined where no other number can be asked for. */
  data: ThemesView | undefined;
  end: ReactNode;
  children: ReactNode;
}) {
  const [isCurveOpen, setCurveOpen] = useState(false);
  const [isTreeOpen, setTreeOpen] = useState(false);
  return (
    <>
      <div className="centre-bar">
        {children}
        {data && (
          <section aria-label="How many themes" className={styles.howMany}>
            <Numbers data={data} isTold={isTreeOpen} />
            <button
              type="button"
              className="linklike"
              aria-expanded={isTreeOpen}
              onClick={() => setTreeOpen(!isTreeOpen)}
            >
              Finer within coarser
            </button>
            <button
              type="button"
              className="linklike"
              title="How many themes every resolution gives, and how well they come back"
              aria-expanded={isCurveOpen}
              onClick={() => setCurveOpen(!isCurveOpen)}
            >
              Curve
            </button>
            <HowFound page="themes" heading="How many" />
          </section>
        )}
        <span className="centre-bar-end">{end}</span>
      </div>
      {data && isTreeOpen && <Tree />}
      {data && isCurveOpen && <ResolutionChart sweep={data.sweep} resolution={data.resolution} />}
    </>
  );
}

/** Until the braid comes where the numbers are pointed at, in seconds: not on the way past them. */
const POINTED_AT = 0.4;

/** The numbers of themes worth having; pointed at, they show what splits and joins between them. */
function Numbers({ data: { choices, themes: now }, isTold }: { data: ThemesView; isTold: boolean }) {
  const { state, decide } = useStudy();
  const isAuto = state.settings.themes.resolution === 'auto';
  return (
    <Popover
      trigger={isTold ? [] : ['hover']}
      placement="bottomLeft"
      mouseEnterDelay={POINTED_AT}
      destroyOnHidden
      content={
        <div className={styles.pointedAt}>
          <Tree />
        </div>
      }
    >
      <span className={styles.choices}>
        <b>How many?</b>
        {!choices.some(({ themes }) => themes === now.length) && (
          <span
            title={`No resolution tried gives just ${now.length}: some were moved, or hold together on unsure pairs alone`}
          >
            {now.length} now
          </span>
        )}
        {choices.map(({ themes, resolution, steadiness, resolutions }) => {
          const isNow = themes === now.length;
          return (
            <Button
              key={themes}
              size="small"
              type={isNow ? 'primary' : 'default'}
              aria-pressed={isNow}
              title={`${themes} themes, at resolution ${resolution}: agreement ${percent(steadiness)} with the groupings of drawn sources; ${resolutions} of 25 resolutions tried give as many`}
              onClick={() => decide({ kind: 'setThemes', change: { resolution } })}
            >
              {themes}
            </Button>
          );
        })}
        {!isAuto && (
          <button
            type="button"
            className="linklike"
            onClick={() => decide({ kind: 'setThemes', change: { resolution: 'auto' } })}
          >
            as many as come back best
          </button>
        )}
      </span>
    </Popover>
  );
}

/** Numbers of themes beside each other, from the fewest on; each cuts the tree there. */
function Tree() {
  const { data: many, isPlaceholderData } = useView('howMany', null);
  if (!many) return <p className="quiet">Grouping at other numbers …</p>;
  if (many.columns.length < 2)
    return <p className="quiet">No other number of themes was found at any resolution.</p>;
  return (
    <div className={isPlaceholderData ? 'dimmed' : undefined}>
      <Braid many={many} />
    </div>
  );
}

const WIDTH = 1000;
const HEIGHT = 190;
const SIDE = 70;
const GAP = 5;
const BLOCK = 10;

/** Where each concept stands in a column: themes one under the other, with gaps, in the order that crosses least. */
function placesIn(
  groups: HowManyView['columns'][number]['groups'],
  rankOf: ReadonlyMap<string, number>,
): { place: Map<string, number>; blocks: { from: number; to: number; first: string }[] } {
  const rank = (key: string): number => rankOf.get(key) ?? rankOf.size;
  const ordered = groups
    .map((group) => [...group].sort((a, b) => rank(a) - rank(b)))
    .sort((a, b) => mean(a.map(rank)) - mean(b.map(rank)));
  const count = ordered.reduce((sum, group) => sum + group.length, 0);
  const step = (HEIGHT - GAP * (ordered.length - 1)) / Math.max(1, count);
  const place = new Map<string, number>();
  const blocks: { from: number; to: number; first: string }[] = [];
  let y = 0;
  for (const group of ordered) {
    blocks.push({ from: y, to: y + step * group.length, first: group[0] });
    for (const key of group) {
      place.set(key, y + step / 2);
      y += step;
    }
    y += GAP;
  }
  return { place, blocks };
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);

/** Each thread is a concept: a braid that stays together holds, one that frays is a matter of taste. */
function Braid({ many }: { many: HowManyView }) {
  const { decide } = useStudy();
  const now = many.columns.find(({ isNow }) => isNow);
  const rankOf = new Map((now?.groups ?? []).flat().map((key, i) => [key, i]));
  const inkFor = (key: string): string => {
    const letter = ownValue(many.letterOf, key);
    return letter === undefined ? DRAWN.quiet : inkOf(letter);
  };
  const columns = many.columns.map((column) => ({ ...column, ...placesIn(column.groups, rankOf) }));
  const x = (i: number): number => SIDE + (i * (WIDTH - 2 * SIDE)) / Math.max(1, columns.length - 1);
  return (
    <figure className={styles.braid}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        preserveAspectRatio="none"
        role="img"
        aria-label={`What splits and joins: ${columns.map(({ themes, isNow }) => `${themes} themes${isNow ? ' now' : ''}`).join(', ')}.`}
      >
        {columns.slice(1).map((column, i) =>
          [...column.place].map(([key, to]) => {
            const from = columns[i].place.get(key);
            if (from === undefined) return null;
            const [start, end] = [x(i) + BLOCK / 2, x(i + 1) - BLOCK / 2];
            const middle = (start + end) / 2;
            return (
              <path
                key={`${i} ${key}`}
                d={`M${start} ${from}C${middle} ${from} ${middle} ${to} ${end} ${to}`}
                fill="none"
                stroke={inkFor(key)}
                strokeOpacity={0.45}
                strokeWidth={1.2}
                vectorEffect="non-scaling-stroke"
              >
                <title>{key}</title>
              </path>
            );
          }),
        )}
        {columns.map(({ blocks, resolution }, i) =>
          blocks.map(({ from, to, first }) => (
            <rect
              key={`${resolution} ${from}`}
              x={x(i) - BLOCK / 2}
              y={from}
              width={BLOCK}
              height={Math.max(1, to - from)}
              fill={inkFor(first)}
            >
              <title>{`${ownValue(many.letterOf, first) ?? 'in no theme now'}: ${first}`}</title>
            </rect>
          )),
        )}
      </svg>
      <figcaption className={styles.braidFeet}>
        {columns.map(({ themes, isNow, resolution }, i) => (
          <button
            key={resolution}
            type="button"
            className="linklike"
            disabled={isNow}
            aria-label={isNow ? `${themes} themes now` : `Cut at ${themes} themes`}
            title={
              isNow ? undefined : `Cut here: ${themes} themes; names and letters stay with what they fit`
            }
            // In a narrow centre its words would reach over the edge.
            style={{ left: `clamp(44px, ${(100 * x(i)) / WIDTH}%, calc(100% - 44px))` }}
            onClick={() => decide({ kind: 'setThemes', change: { resolution } })}
          >
            {isNow ? `${themes} themes now` : themes}
          </button>
        ))}
      </figcaption>
    </figure>
  );
}
