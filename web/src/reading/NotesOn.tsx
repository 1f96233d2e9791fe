import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { Button, Input } from 'antd';
import { counted } from '@green-thicket/core/base/wording';
import { LONGEST } from '@green-thicket/core/study/limits';
import type { HangsOn } from '@green-thicket/core/study/notebook';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { keepEntry, listEntries } from '../store/notebook.ts';
import styles from './NotesOn.module.css';

/** What the Notebook has about what is read, and a place to write more of it. */
export function NotesOn({ on }: { on: HangsOn }) {
  const { id } = useStudy();
  const tellFault = useTellFault();
  const [memo, setMemo] = useState('');
  const notes =
    useLiveQuery(
      async () =>
        (await listEntries(id)).filter(
          (entry) => entry.on?.kind === on.kind && entry.on.key === on.key && entry.note.trim() !== '',
        ),
      [id, on.kind, on.key],
    ) ?? [];
  const keep = (): void =>
    tellFault('The note was not kept', async () => {
      if (memo.trim() === '') return;
      await keepEntry(id, { note: memo.trim(), tags: [], on });
      setMemo('');
    });
  return (
    <details className={styles.notesOn}>
      <summary>{notes.length === 0 ? 'Write a note on this' : counted(notes.length, 'note')}</summary>
      {notes.map(({ id: entry, note }) => (
        <p key={entry}>{note}</p>
      ))}
      <div className="control-row">
        <Input
          size="small"
          aria-label={`Note on ${on.name}`}
          value={memo}
          maxLength={LONGEST.note}
          onChange={(event) => setMemo(event.target.value)}
          onPressEnter={keep}
        />
        <Button size="small" disabled={memo.trim() === ''} onClick={keep}>
          Keep
        </Button>
      </div>
    </details>
  );
}
