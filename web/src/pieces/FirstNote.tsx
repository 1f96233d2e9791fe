import { createContext, useContext, useEffect, useState } from 'react';
import { keptSign } from './kept-sign.ts';
import styles from './FirstNote.module.css';

const NOTES_SEEN = keptSign('notes-seen');

/** Whether notes on the parts of the screen are shown. */
export const FirstNotesContext = createContext(false);

/**
 * Whether the parts of the screen say what they are for: when a study is first opened in this browser, until one acts.
 *
 * @param isAfterwards whether something else leads the way now, so that the notes come at the next opening
 */
export function useFirstNotes(isAfterwards: boolean): boolean {
  const [isNew, setNew] = useState(() => NOTES_SEEN.read() === null);
  const isShown = isNew && !isAfterwards;
  useEffect(() => {
    if (!isShown) return undefined;
    const act = (event: Event): void => {
      // The key that only moves the focus is no act yet.
      if (event instanceof KeyboardEvent && /^(?:Tab|Shift|Control|Alt|Meta)$/.test(event.key)) return;
      NOTES_SEEN.write('yes');
      setNew(false);
    };
    // After what was acted on has heard of it, since the page moves up a little when they go.
    const acts = ['click', 'keydown', 'drop'] as const;
    for (const name of acts) window.addEventListener(name, act);
    return () => acts.forEach((name) => window.removeEventListener(name, act));
  }, [isShown]);
  return isShown;
}

/** The parts of the screen that say what they are for. */
const SAID = {
  trail: 'The way from texts to findings: each stop shows what it found. Click one to go there.',
  sentence: 'What is done at this stop, in a sentence. Its underlined words are the settings.',
  list: 'What this stop is about, as a list with its main figure.',
  centre: 'The picture itself. Each word, line and mark opens the words people said.',
  reader: 'Here you read the passages behind what you pick',
} as const;

/** What a part of the screen is for, said once in its own place. */
export function FirstNote({ of }: { of: keyof typeof SAID }) {
  if (!useContext(FirstNotesContext)) return null;
  return (
    <span className={of === 'reader' ? `${styles.firstNote} ${styles.atEdge}` : styles.firstNote}>
      {SAID[of]}
    </span>
  );
}
