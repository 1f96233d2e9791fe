import { counted } from '@green-thicket/core/base/wording';
import type { TwoConceptsRow } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { ThemeLetter } from '../../pieces/ThemeLetter.tsx';
import styles from './Company.module.css';

/** Two concepts: what both are linked to, and what each has alone. */
export function TwoConcepts({ keys }: { keys: readonly [string, string] }) {
  const { data, isPlaceholderData } = useView('twoConcepts', { keys });
  const { select } = useSelection();
  if (!data) return <p className="quiet">Laying them side by side …</p>;
  const [first, second] = data.labels;
  return (
    <div className={isPlaceholderData ? 'dimmed' : undefined}>
      <p>
        {first}: {counted(data.windows[0], 'window')}; {second}: {data.windows[1]};{' '}
        {data.both === 0 ? (
          'they never share one.'
        ) : (
          <button
            type="button"
            className="linklike"
            onClick={() => select({ kind: 'link', keys: [...keys] })}
          >
            both: {counted(data.both, 'window')}
          </button>
        )}
      </p>
      <div className={styles.twoColumns}>
        <Side title={`${first} alone`} of={keys[0]} rows={data.alone[0]} />
        <Side title="Both" of={keys[0]} also={keys[1]} rows={data.shared} />
        <Side title={`${second} alone`} of={keys[1]} rows={data.alone[1]} />
      </div>
    </div>
  );
}

function Side({
  title,
  of,
  also,
  rows,
}: {
  title: string;
  of: string;
  also?: string;
  rows: readonly TwoConceptsRow[];
}) {
  const { select } = useSelection();
  return (
    <section aria-label={title}>
      <h3>{title}</h3>
      {rows.length === 0 && <p className="quiet">No link.</p>}
      <ul className="plain-list">
        {rows.map(({ key, label, letter, strengths }) => (
          <li key={key}>
            <button
              type="button"
              className="row-button"
              onClick={() =>
                select(
                  also === undefined
                    ? { kind: 'link', keys: [of, key] }
                    : { kind: 'several', keys: [of, also, key], how: 'near' },
                )
              }
            >
              <ThemeLetter letter={letter} />
              <span className="row-name">{label}</span>
              <span className="row-figure">
                {strengths
                  .filter((strength) => strength !== 0)
                  .map((strength) => strength.toFixed(2))
                  .join(' · ')}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
