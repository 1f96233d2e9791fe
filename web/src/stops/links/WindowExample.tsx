import { counted, inFigures, listed } from '@green-thicket/core/base/wording';
import { useView } from '../../engine/use-view.ts';
import styles from './WindowExample.module.css';

/** Characters of a long window that are shown, from each end. */
const SHOWN = 320;

const shortened = (text: string): string =>
  text.length <= 2 * SHOWN ? text : `${text.slice(0, SHOWN)} … ${text.slice(-SHOWN)}`;

/** How many windows there are as they are set, and one real one in its text. */
export function WindowExample() {
  const { data, isPlaceholderData } = useView('windowExample', null);
  if (!data) return <p className="quiet">Laying the windows …</p>;
  const { example, windows } = data;
  return (
    <div
      className={isPlaceholderData ? `${styles.windowExample} dimmed` : styles.windowExample}
      role="status"
    >
      <p>
        <strong>{inFigures(windows)}</strong> {windows === 1 ? 'window' : 'windows'}
        {example && `; one of them has ${counted(example.words, 'word')}, with ${listed(example.concepts)}:`}
      </p>
      {example && (
        <p className={styles.windowText}>
          <span className="quiet">… {example.before}</span>
          <mark>{shortened(example.text)}</mark>
          <span className="quiet">{example.after} …</span>
        </p>
      )}
    </div>
  );
}
