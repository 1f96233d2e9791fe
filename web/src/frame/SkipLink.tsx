import { focusCentre } from '../pieces/focus-centre.ts';
import styles from './SkipLink.module.css';

/** The first thing Tab reaches: past the title and the trail to what the stop shows. */
export function SkipLink() {
  return (
    <button type="button" className={styles.skipLink} onClick={focusCentre}>
      Skip to the centre
    </button>
  );
}
