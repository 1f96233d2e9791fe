import { largest } from '@green-thicket/core/base/extent';
import { counted } from '@green-thicket/core/base/wording';
import { comparedAttribute, groupsOf } from '@green-thicket/core/study/groups';
import { inShownOrder, shownRanks, workingSources } from '@green-thicket/core/study/subset';
import type { PassagesView } from '@green-thicket/core/views/view-types';
import { useSelection } from '../pieces/selection.ts';
import { useStudy } from '../pieces/study-context.ts';
import styles from './WhereItIsSaid.module.css';

/** Windows in each source, sources in the order of their groups; a bar opens its source. */
export function WhereItIsSaid({ perSource }: Pick<PassagesView, 'perSource'>) {
  const { state } = useStudy();
  const sources = workingSources(state);
  const inOrder = inShownOrder(shownRanks(state));
  const { openSource } = useSelection();
  const most = largest(perSource, 1);
  const attribute = comparedAttribute(state);
  const { names, groupOf } = attribute
    ? groupsOf(state, attribute)
    : { names: [], groupOf: new Int32Array(sources.length) };
  if (perSource.length !== sources.length || perSource.every((count) => count === 0)) return null;
  const shown = [...names.map((name, group) => ({ name, group })), { name: 'no value', group: -1 }]
    .map(({ name, group }) => ({
      name,
      indices: inOrder.filter((i) => groupOf[i] === group),
    }))
    .filter(({ indices }) => indices.length > 0);
  const groups = shown.length > 0 ? shown : [{ name: '', indices: inOrder }];
  return (
    <section className="where" aria-label="Where it is said">
      <h3 className="pane-title">Where it is said</h3>
      {groups.map(({ name, indices }) => (
        <div key={name} className="where-group">
          <div className={styles.whereBars}>
            {indices.slice(0, 400).map((i) => (
              <button
                type="button"
                key={sources[i].id}
                disabled={perSource[i] === 0}
                title={`${sources[i].name}: ${counted(perSource[i], 'window')}`}
                aria-label={`${sources[i].name}: ${counted(perSource[i], 'window')}`}
                onClick={() => openSource({ sourceId: sources[i].id, at: -1 })}
              >
                <span style={{ height: `${perSource[i] === 0 ? 1 : 4 + 30 * (perSource[i] / most)}px` }} />
              </button>
            ))}
          </div>
          <span className={styles.whereName}>{name}</span>
        </div>
      ))}
    </section>
  );
}
