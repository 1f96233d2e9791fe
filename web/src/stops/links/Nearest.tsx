import type { LinkRow } from '@green-thicket/core/views/view-types';
import { counted } from '@green-thicket/core/base/wording';
import { useSelection } from '../../pieces/selection.ts';
import styles from './Nearest.module.css';

/** Where nothing can be told from chance: the pairs that come nearest to a link, to be read and not to be claimed. */
export function Nearest({ rows }: { rows: readonly LinkRow[] }) {
  const { select } = useSelection();
  return (
    <section className={styles.nearest} aria-label="Pairs that come nearest">
      <h3>These come nearest</h3>
      <p className="quiet">
        They meet more than chance has it, but so little that it may be chance. Read them.
      </p>
      <ul className="plain-list">
        {rows.map(({ source, target, sourceLabel, targetLabel, both }) => (
          <li key={`${source}—${target}`}>
            <button
              type="button"
              className="linklike"
              title="Read its passages"
              onClick={() => select({ kind: 'link', keys: [source, target] })}
            >
              {sourceLabel} — {targetLabel}
            </button>
            <span className="quiet">in {counted(both, 'window')}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
