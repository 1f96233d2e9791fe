import { largest } from '@green-thicket/core/base/extent';
import { counted, percent } from '@green-thicket/core/base/wording';
import { DRAWN, inkOf } from '../../pieces/drawn-colours.ts';
import type { CourseView, RowsAsked } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { rowKey, sameSelection, sameWithin } from './faces.ts';
import { SaveMenu } from '../../pieces/SaveMenu.tsx';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './Course.module.css';

const BAR = 44;

/** Where in their sources people speak to the rows: ten bars from the beginning to the end, for each group. */
export function Course({ rows }: { rows: RowsAsked }) {
  const { data, isPlaceholderData } = useView('course', { rows });
  const { selection, select, within } = useSelection();
  if (!data) return <p className="quiet">Going through the sources …</p>;
  const groups = data.tenths[0] ?? [];
  const most = largest(
    data.tenths.flatMap((tenth) => tenth.flatMap(({ strengths }) => strengths.map(({ share }) => share))),
    0.01,
  );
  if (groups.length === 0) return <p className="quiet">No source has a value of this attribute.</p>;
  return (
    <div className={isPlaceholderData ? 'centre-body dimmed' : 'centre-body'}>
      <p className={styles.courseLead}>
        <span className="quiet">
          Each source is parted into ten from its beginning to its end. A bar is the share of stretches there
          that speak to it; the tallest is {percent(most)}.{' '}
          <HowFound page="comparison" heading="From beginning to end, and profiles" />
        </span>
        <SaveMenu name="Course of the sources" table={() => tableOf(data)} />
      </p>
      <table className={styles.courseCourses} aria-label="From beginning to end">
        <thead>
          <tr>
            <th scope="col">
              <span className="visually-hidden">Row</span>
            </th>
            {groups.map(({ group, sources }) => (
              <th scope="col" key={group}>
                {group} <span className="quiet">{counted(sources, 'source')}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {data.rows.map((row, r) => {
            const ink = row.letter === '' ? DRAWN.moss : inkOf(row.letter);
            return (
              <tr key={rowKey(row)}>
                <th scope="row">
                  <b style={{ color: ink }}>{row.letter}</b> {row.label}
                </th>
                {groups.map(({ group }, g) => (
                  <td key={group}>
                    <span className={styles.courseBars}>
                      {data.tenths.map((tenth, t) => {
                        const { strengths, windows } = tenth[g];
                        const { share, low, high, speaking } = strengths[r];
                        const asked = {
                          kind: 'stretches',
                          letter: row.keys.length > 0 ? '' : row.letter,
                          keys: row.keys,
                          tenth: t,
                        } as const;
                        const here = sameSelection(selection, asked) && sameWithin(within, data.within[g]);
                        return (
                          <button
                            key={t}
                            type="button"
                            aria-pressed={here}
                            className={here ? styles.courseHere : undefined}
                            disabled={speaking === 0}
                            title={`Tenth ${t + 1} of ${group}: ${percent(share, 1)} (${percent(low)} to ${percent(high)}), ${speaking} of ${counted(windows, 'stretch', 'stretches')}`}
                            aria-label={`${row.label}, ${group}, tenth ${t + 1}: ${percent(share, 1)}`}
                            onClick={() => select(asked, data.within[g])}
                          >
                            <span style={{ height: 1 + BAR * (share / most), background: ink }} />
                          </button>
                        );
                      })}
                    </span>
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function tableOf({ rows, tenths }: CourseView) {
  return {
    head: ['letter', 'row', 'group', 'tenth', 'strength', 'low', 'high', 'stretches'],
    rows: rows.flatMap(({ letter, label }, r) =>
      tenths.flatMap((groups, t) =>
        groups.map(({ group, strengths, windows }) => [
          letter,
          label,
          group,
          t + 1,
          strengths[r].share,
          strengths[r].low,
          strengths[r].high,
          windows,
        ]),
      ),
    ),
  };
}
