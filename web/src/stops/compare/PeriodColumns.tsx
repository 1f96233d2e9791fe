import { isBeyondChance } from '@green-thicket/core/base/beyond-chance';
import { largest } from '@green-thicket/core/base/extent';
import { counted, percent, pointsText } from '@green-thicket/core/base/wording';
import type { OverTimeView, Within } from '@green-thicket/core/views/view-types';
import { useSelection } from '../../pieces/selection.ts';
import { rowKey, sameSelection, sameWithin, selectionOf } from './faces.ts';
import { RowName, rowInk } from './RowName.tsx';
import { canLookInto } from './TimePanel.tsx';
import { Track } from './Track.tsx';
import styles from './CompareStop.module.css';

/** A course of a few periods is no line: they stand beside each other as columns, all of a row on one scale. */
export function PeriodColumns({
  data,
  spoken,
  dates,
  onSpan,
}: {
  data: OverTimeView;
  /** The places of the periods shown. */
  spoken: readonly number[];
  dates: string;
  onSpan: (period: string) => void;
}) {
  const { selection, select, within } = useSelection();
  const [course] = data.courses;
  const canLookIn = canLookInto(data);
  const most = largest(
    course.periods.flatMap(({ strengths }) => strengths.map(({ high }) => high)),
    0.01,
  );
  return (
    <table className={`${styles.compareTable} ${styles.marked}`} aria-label={`Strength by ${data.period}`}>
      <thead>
        <tr>
          <th scope="col">Theme</th>
          {spoken.map((p) => {
            const period = data.periods[p];
            const { sources, windows } = course.periods[p];
            return (
              <th scope="col" key={period}>
                {canLookIn ? (
                  <button
                    type="button"
                    className="linklike"
                    aria-label={`Look into ${period}`}
                    title={`Look into ${period}`}
                    onClick={() => onSpan(period)}
                  >
                    {period}
                  </button>
                ) : (
                  period
                )}
                <span className="quiet">
                  {counted(sources, 'source')}, {counted(windows, 'stretch', 'stretches')}
                </span>
              </th>
            );
          })}
          <th
            scope="col"
            title="From the first to the last; and the chance of as large a change if the sources had been dealt to the periods blindly, adjusted over the rows (q)"
          >
            Change
            <span className="quiet">points; q by regrouping</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {data.rows.map((named, row) => {
          const ink = rowInk(named);
          const asked = selectionOf(named);
          const trend = course.trends.at(row);
          return (
            <tr key={rowKey(named)}>
              <th scope="row">
                <RowName row={named} />
              </th>
              {spoken.map((p) => {
                const period = data.periods[p];
                const { strengths, windows, sources } = course.periods[p];
                const { share, low, high, speaking } = strengths[row];
                const here: Within = { groups: [], when: { dates, period: data.period, value: period } };
                const isPicked = sameSelection(selection, asked) && sameWithin(within, here);
                return (
                  <td key={period}>
                    <button
                      type="button"
                      className={isPicked ? `${styles.compareCell} here` : styles.compareCell}
                      aria-pressed={isPicked}
                      aria-label={`${named.label}, ${period}: ${percent(share, 1)}, interval ${percent(low, 1)} to ${percent(high, 1)}, ${counted(sources, 'source')}`}
                      title={`${percent(share, 1)} (${percent(low, 1)} to ${percent(high, 1)}): ${speaking} of ${windows}`}
                      onClick={() => select(asked, here)}
                    >
                      <Track overall={course.mean[row].share} most={most}>
                        <Track.Mark strength={strengths[row]} most={most} ink={ink} />
                      </Track>
                      <span>{percent(share, 1)}</span>
                    </button>
                  </td>
                );
              })}
              <td className={styles.differenceCell}>
                {trend && (
                  <>
                    <span>
                      {trend.change < 0 ? '−' : '+'}
                      {pointsText(Math.abs(trend.change))}
                    </span>
                    <span className={isBeyondChance(trend.q) ? styles.beyondChance : 'quiet'}>
                      q {trend.q.toPrecision(2)}
                    </span>
                  </>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
