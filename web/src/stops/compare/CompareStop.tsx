import { percent } from '@green-thicket/core/base/wording';
import { largest } from '@green-thicket/core/base/extent';
import { inkOf } from '@green-thicket/core/map/palette';
import { counted } from '@green-thicket/core/base/wording';
import { attributeNames } from '@green-thicket/core/study/groups';
import type { Strength } from '@green-thicket/core/compare/strength';
import { workingSources } from '@green-thicket/core/study/subset';
import { useView } from '../../engine/use-view.ts';
import { InTurn } from '../../pieces/InTurn.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { ThemeLedger } from '../ThemeLedger.tsx';
import { Select } from '../../pieces/Select.tsx';
import styles from './CompareStop.module.css';

/** Room for the marks of all groups together, and the bounds of one, in pixels. */
const ALL_CELLS = 264;
const NARROWEST_CELL = 64;
const WIDEST_CELL = 150;

/** Compare: groups by themes, each a mark with its interval on one scale; every mark opens its passages. */
export function CompareStop() {
  const { state, decide } = useStudy();
  const { data, isPlaceholderData } = useView('compare', null);
  const { selection, select } = useSelection();
  const attribute = data?.attribute;
  const groups = data?.comparison.groups ?? [];
  const themes = (data?.themes ?? []).map((theme, t) => ({ ...theme, t }));
  if (state.settings.compare.order === 'difference' && data) {
    themes.sort((a, b) => data.comparison.range[b.t] - data.comparison.range[a.t] || a.t - b.t);
  }
  const most = largest(
    groups.flatMap((group) => group.strengths.map((strength) => strength.high)),
    0.01,
  );
  const width = Math.max(NARROWEST_CELL, Math.min(WIDEST_CELL, ALL_CELLS / Math.max(1, groups.length)));
  const at = (share: number): number => 6 + (width - 12) * (share / most);
  const wilson = groups.filter((group) => group.interval === 'windows');
  return (
    <InTurn>
      <ThemeLedger />
      <main className="stage" aria-label="Compare">
        {attributeNames(workingSources(state)).length > 0 && (
          <div className="stage-bar">
            <Select
              size="small"
              className="short"
              aria-label="Groups by attribute"
              value={attribute}
              options={attributeNames(workingSources(state)).map((name) => ({
                value: name,
                label: `by ${name}`,
              }))}
              onChange={(name: string) => decide({ kind: 'setCompare', change: { attribute: name } })}
            />
            <Select
              size="small"
              className="short"
              aria-label="Order"
              value={state.settings.compare.order}
              options={[
                { value: 'share', label: 'strongest first' },
                { value: 'difference', label: 'most different first' },
              ]}
              onChange={(order: 'share' | 'difference') => decide({ kind: 'setCompare', change: { order } })}
            />
            <span className="quiet">
              A dot is the strength, the line its 95 % interval, the tick the mean of all.
            </span>
          </div>
        )}
        {state.sources.length === 0 ||
        (data && (!attribute || groups.length === 0 || themes.length === 0)) ? (
          <div className="empty-stage">
            <h2>Nothing to compare yet</h2>
            <p>
              {state.sources.length === 0
                ? 'Add texts at Sources first.'
                : themes.length === 0
                  ? 'There are no themes yet; see Themes for what would help.'
                  : 'Give the sources an attribute, such as role or place, at Sources.'}
            </p>
          </div>
        ) : (
          <div className={isPlaceholderData ? 'stage-body dimmed' : 'stage-body'}>
            <table
              className={styles.compareTable}
              aria-label={`Strength of the themes by ${attribute ?? 'group'}`}
            >
              <thead>
                <tr>
                  <th scope="col">Theme</th>
                  {groups.map((group) => (
                    <th scope="col" key={group.group}>
                      {group.group}
                      <span className="quiet">
                        {counted(group.sources, 'source')}, {counted(group.windows, 'stretch', 'stretches')}
                      </span>
                    </th>
                  ))}
                  <th
                    scope="col"
                    title="Chance of groups this unlike if sources were dealt to them blindly, adjusted over the themes"
                  >
                    Difference
                    <span className="quiet">q by regrouping</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {data &&
                  themes.map(({ letter, label, t }) => (
                    <tr key={letter}>
                      <th scope="row">
                        <b style={{ color: inkOf(letter) }}>{letter}</b> {label}
                      </th>
                      {groups.map((group) => {
                        const strength = group.strengths[t];
                        const picked =
                          selection?.kind === 'cell' &&
                          selection.letter === letter &&
                          selection.group === group.group;
                        return (
                          <td key={group.group}>
                            <button
                              type="button"
                              className={picked ? `${styles.compareCell} here` : styles.compareCell}
                              aria-pressed={picked}
                              aria-label={`${label} in ${group.group}: ${percent(strength.share, 1)}, interval ${percent(strength.low, 1)} to ${percent(strength.high, 1)}`}
                              onClick={() =>
                                select({
                                  kind: 'cell',
                                  letter,
                                  attribute: attribute ?? '',
                                  group: group.group,
                                })
                              }
                            >
                              <IntervalMark
                                strength={strength}
                                overall={data.comparison.overall[t]}
                                ink={inkOf(letter)}
                                at={at}
                                width={width}
                              />
                              <span>{percent(strength.share, 1)}</span>
                            </button>
                          </td>
                        );
                      })}
                      <td className={styles.differenceCell}>
                        <span
                          title={`With these sources a difference of ${percent(data.comparison.findable[t])} between the two largest groups would be found in four of five studies.`}
                        >
                          {percent(data.comparison.range[t], 1)}
                        </span>
                        <span className={data.comparison.q[t] < 0.05 ? styles.sure : 'quiet'}>
                          q {data.comparison.q[t] < 0.001 ? '< 0.001' : data.comparison.q[t].toFixed(3)}
                        </span>
                      </td>
                    </tr>
                  ))}
              </tbody>
            </table>
            {data && data.comparison.smallestP >= 0.05 && groups.length > 1 && (
              <p className="quiet">
                With so few sources no difference can be told from chance: even the largest would have p ={' '}
                {data.comparison.smallestP.toFixed(2)}.
              </p>
            )}
            {wilson.length > 0 && (
              <p className="quiet">
                {wilson.map((group) => group.group).join(', ')}: one source only, so the interval is over its
                stretches (Wilson) and says nothing of other people.
              </p>
            )}
          </div>
        )}
      </main>
    </InTurn>
  );
}

function IntervalMark({
  strength,
  overall,
  ink,
  at,
  width,
}: {
  strength: Strength;
  overall: number;
  ink: string;
  at: (share: number) => number;
  width: number;
}) {
  return (
    <svg width={width} height={22} viewBox={`0 0 ${width} 22`} aria-hidden="true">
      <line x1={at(0)} x2={width - 6} y1={11} y2={11} stroke="#e2dfd2" />
      <line x1={at(overall)} x2={at(overall)} y1={4} y2={18} stroke="#8a8f7a" strokeDasharray="2 2" />
      <line
        x1={at(strength.low)}
        x2={at(strength.high)}
        y1={11}
        y2={11}
        stroke={ink}
        strokeWidth={3}
        strokeLinecap="round"
        opacity={0.45}
      />
      <circle cx={at(strength.share)} cy={11} r={4.5} fill={ink} />
    </svg>
  );
}
