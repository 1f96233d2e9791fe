import { useState } from 'react';
import { useStudy } from '../pieces/study-context.ts';
import styles from './EditableTitle.module.css';

/** Letters of a title there is room for; of a longer one the rest is seen on pointing at it. */
const MOST_SHOWN = 60;

/** The study's title, edited where it stands. */
export function EditableTitle() {
  const { state, decide } = useStudy();
  const [draft, setDraft] = useState<string>();
  const finish = (): void => {
    const title = draft?.trim();
    if (title && title !== state.title) decide({ kind: 'renameStudy', title });
    setDraft(undefined);
  };
  return (
    <input
      className={styles.studyTitle}
      aria-label="Title of the study"
      title={state.title}
      size={Math.min(MOST_SHOWN, (draft ?? state.title).length + 1)}
      value={draft ?? state.title}
      maxLength={200}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={finish}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') setDraft(undefined);
      }}
    />
  );
}
