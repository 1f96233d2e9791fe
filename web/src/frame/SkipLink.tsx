import styles from './SkipLink.module.css';

/** The first thing Tab reaches: past the title and the trail to what the stop shows. */
export function SkipLink() {
  const skip = (): void => {
    const stage = document.querySelector<HTMLElement>('main.stage');
    if (!stage) return;
    // It takes the focus only when it is skipped to, so that a click on it takes none.
    stage.setAttribute('tabindex', '-1');
    stage.focus();
  };
  return (
    <button type="button" className={styles.skipLink} onClick={skip}>
      Skip to the stage
    </button>
  );
}
