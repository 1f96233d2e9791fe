import { isBeyondChance } from '@green-thicket/core/base/beyond-chance';
import { useRef } from 'react';
import { largest } from '@green-thicket/core/base/extent';
import { counted, percent } from '@green-thicket/core/base/wording';
import type { Strength } from '@green-thicket/core/compare/strength';
import { textWidth } from '@green-thicket/core/map/text-width';
import type { CompareView } from '@green-thicket/core/views/view-types';
import { useSelection } from '../../pieces/selection.ts';
import { useWidth } from '../../pieces/use-width.ts';
import { rowKey, sameSelection, sameWithin, selectionOf } from './faces.ts';
import { RowName, rowInk } from './RowName.tsx';
import { Track } from './Track.tsx';
import styles from './Scale.module.css';

/** Groups drawn; of more, no mark could be told from its neighbour. */
export const MOST_MARKS = 60;
/** Names stand in so many lines above a scale; whoever finds no room is named at the right all the same. */
const NAME_LINES = 2;
const NAME_TYPE = 11.5;
/** Intervals of neighbours lie on so many lines, so that each can be told, so many pixels apart. */
const [LANES, LANE] = [3, 7];
/** Ticks of the scale, at most. */
const TICKS = 5;

/** Whether a group’s interval leaves the mean of all. */
const leavesMean = ({ low, high }: Strength, mean: number): boolean => low > mean || high < mean;

/** Round steps of a scale that ends at `most`. */
function ticksOf(most: number): number[] {
  const step = [0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.25, 0.5].find((each) => most / each <= TICKS) ?? 1;
  return Array.from({ length: Math.floor(most / step + 1e-9) + 1 }, (_, i) => i * step);
}

/** One scale for each row, all groups as marks on it: for more groups than columns can be read of. */
export function Scale({
  data,
  order,
  heading,
}: {
  data: CompareView;
  /** The rows, in the order they are shown in. */
  order: readonly number[];
  heading: string;
}) {
  const { groups } = data.comparison;
  const most = largest(
    groups.flatMap(({ strengths, windows }) => (windows > 0 ? strengths.map(({ high }) => high) : [])),
    0.01,
  );
  return (
    <table className={styles.scales} aria-label={`Strength by ${data.attribute ?? 'group'}`}>
      <thead>
        <tr>
          <th scope="col" className={styles.scaleNamed}>
            {heading}
          </th>
          <th scope="col">
            <span className={styles.scaleTicks}>
              {ticksOf(most).map((tick) => (
                <span key={tick} style={{ left: `${(100 * tick) / most}%` }}>
                  {percent(tick, tick < 0.02 && tick > 0 ? 1 : 0)}
                </span>
              ))}
            </span>
          </th>
          <th
            scope="col"
            className={styles.scaleWho}
            title="Only where a row’s groups differ beyond chance (q under 0.05, by regrouping the sources, adjusted over the rows). The groups by themselves are not tested: of twenty that are as the mean, one interval leaves it"
          >
            Whose interval leaves the mean
          </th>
        </tr>
      </thead>
      <tbody>
        {order.map((row) => (
          <ScaleRow key={rowKey(data.rows[row])} data={data} row={row} most={most} />
        ))}
      </tbody>
    </table>
  );
}

/** Names over their marks, on the lowest line on which each has room; those without any are left out. */
function namesOver(
  marks: readonly { readonly g: number; readonly name: string; readonly at: number }[],
  width: number,
): { g: number; name: string; at: number; line: number }[] {
  const ends = new Array<number>(NAME_LINES).fill(-Infinity);
  return [...marks]
    .sort((a, b) => a.at - b.at)
    .flatMap(({ g, name, at }) => {
      const half = textWidth(name, NAME_TYPE) / 2 + 3;
      const middle = Math.max(half, Math.min(width - half, at * width));
      const line = ends.findIndex((end) => middle - half >= end);
      if (line < 0) return [];
      ends[line] = middle + half;
      return [{ g, name, at: middle, line }];
    });
}

function ScaleRow({ data, row, most }: { data: CompareView; row: number; most: number }) {
  const { selection, select, within } = useSelection();
  const place = useRef<HTMLDivElement>(null);
  const width = useWidth(place);
  const { groups, overall, q } = data.comparison;
  const named = data.rows[row];
  const ink = rowInk(named);
  const asked = selectionOf(named);
  const isRow = sameSelection(selection, asked);
  const isSure = isBeyondChance(q[row]);
  const shown = groups
    .map((group, g) => ({ group, g, strength: group.strengths[row] }))
    .filter(({ group }) => group.windows > 0)
    .slice(0, MOST_MARKS);
  const apart = isSure ? shown.filter(({ strength }) => leavesMean(strength, overall[row])) : [];
  const isApart = new Set(apart.map(({ g }) => g));
  const byShare = [...shown].sort((a, b) => a.strength.share - b.strength.share || a.g - b.g);
  const laneOf = new Map(byShare.map(({ g }, place) => [g, ((place % LANES) - 1) * LANE]));
  const names = namesOver(
    apart.map(({ g, group, strength }) => ({ g, name: group.group, at: strength.share / most })),
    width,
  );
  return (
    <tr>
      <th scope="row" className={styles.scaleNamed}>
        <RowName row={named} />
        <span className="quiet">{percent(overall[row], 1)} of all</span>
      </th>
      <td>
        <div ref={place} className={styles.scale}>
          {names.map(({ g, name, at, line }) => (
            <span
              key={g}
              className={styles.scaleName}
              style={{ left: at, top: (NAME_LINES - 1 - line) * 13, color: ink }}
            >
              {name}
            </span>
          ))}
          <Track overall={overall[row]} most={most}>
            {/* Those that differ lie over the others. */}
            {[...shown]
              .sort((a, b) => Number(isApart.has(a.g)) - Number(isApart.has(b.g)))
              .map(({ group, g, strength }) => (
                <Track.Mark
                  key={group.group}
                  strength={strength}
                  most={most}
                  ink={isApart.has(g) ? ink : undefined}
                  lane={laneOf.get(g)}
                  label={`${named.label} in ${group.group}: ${percent(strength.share, 1)}, interval ${percent(strength.low, 1)} to ${percent(strength.high, 1)}, from ${strength.sources} of ${counted(group.sources, 'source')}`}
                  title={`${group.group}, ${percent(strength.share, 1)} (${percent(strength.low, 1)} to ${percent(strength.high, 1)}): ${strength.speaking} of ${group.windows}`}
                  isPicked={isRow && sameWithin(within, data.within[g])}
                  onPick={() => select(asked, data.within[g])}
                />
              ))}
          </Track>
        </div>
      </td>
      <td className={styles.scaleWho}>
        {isSure ? (
          [...apart]
            .sort((a, b) => b.strength.share - a.strength.share)
            .map(({ group, g, strength }, i) => (
              <span key={group.group}>
                {i > 0 && ' · '}
                <button
                  type="button"
                  className="linklike"
                  title={`${percent(strength.low, 1)} to ${percent(strength.high, 1)}. Read its passages`}
                  onClick={() => select(asked, data.within[g])}
                >
                  {group.group}
                </button>{' '}
                {percent(strength.share, 1)}
              </span>
            ))
        ) : (
          <span className="quiet">no difference beyond chance: q {q[row].toFixed(2)}</span>
        )}
      </td>
    </tr>
  );
}
