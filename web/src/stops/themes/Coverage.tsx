import { Fragment } from 'react';
import { counted, percent } from '@green-thicket/core/base/wording';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './ThemesStop.module.css';

/** How much of the texts the themes reach, and what is said where they do not. */
export function Coverage() {
  const { data, isPlaceholderData } = useView('coverage', null);
  const { selection, select } = useSelection();
  if (!data || data.stretches === 0) return null;
  const missed = data.stretches - data.reached;
  return (
    <section aria-label="Coverage" className={isPlaceholderData ? `${styles.tray} dimmed` : styles.tray}>
      <b>Coverage</b>
      {missed > 0 && (
        <button
          type="button"
          className="linklike"
          aria-pressed={selection?.kind === 'missed'}
          onClick={() => select({ kind: 'missed' })}
        >
          Read the {counted(missed, 'stretch', 'stretches')} no theme reaches
        </button>
      )}
      <span className="quiet">
        Themes reach {percent(data.reached / data.stretches, 0)} of{' '}
        {counted(data.stretches, 'stretch', 'stretches')}; {percent(data.words, 0)} of the words are in
        concepts. <HowFound page="themes" heading="Coverage" />
      </span>
      {missed > 0 && data.missed.length > 0 && (
        <span className="quiet">
          Said there more than elsewhere:{' '}
          {data.missed.map(({ key, label, mentions, all }, i) => (
            <Fragment key={key}>
              {i > 0 && ' '}
              <span className={styles.missedWord}>
                <button
                  type="button"
                  className="linklike"
                  title={`${mentions} of its ${counted(all, 'mention')} stand where no theme reaches`}
                  onClick={() => select({ kind: 'concept', key })}
                >
                  {label}
                </button>
                {i < data.missed.length - 1 && ','}
              </span>
            </Fragment>
          ))}
        </span>
      )}
    </section>
  );
}
