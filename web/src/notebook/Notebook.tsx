import { App, Button, Drawer, Input, Select } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { findEntries, type NotebookEntry } from '@green-thicket/core/study/notebook';
import { counted } from '@green-thicket/core/base/wording';
import { changeEntry, keepEntry, listEntries, putEntryBack, removeEntry } from '../store/notebook.ts';
import { useSelection } from '../pieces/selection.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { LONGEST } from '@green-thicket/core/study/limits';
import styles from './Notebook.module.css';

/** The Notebook: excerpts and memos with notes and tags, to find again and to jump back from; the analysis leaves them alone. */
export function Notebook({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { id } = useStudy();
  const tellFault = useTellFault();
  const entries = useLiveQuery(() => listEntries(id), [id]) ?? [];
  const [filter, setFilter] = useState('');
  const [memo, setMemo] = useState('');
  const tags = [...new Set(entries.flatMap((entry) => entry.tags))].sort();
  const shown = findEntries(entries, filter);
  const add = (): void =>
    tellFault('The memo was not kept', async () => {
      if (memo.trim() === '') return;
      await keepEntry(id, { note: memo.trim(), tags: [] });
      setMemo('');
    });
  return (
    <Drawer title="Notebook" open={open} onClose={onClose} size={440}>
      <div className="stack">
        <Input.TextArea
          aria-label="New memo"
          placeholder="A thought to keep"
          className={styles.growing}
          rows={2}
          value={memo}
          maxLength={LONGEST.note}
          onChange={(event) => setMemo(event.target.value)}
        />
        <Button size="small" disabled={memo.trim() === ''} onClick={add}>
          Keep this memo
        </Button>
        {entries.length > 0 ? (
          <Input
            size="small"
            allowClear
            aria-label="Find in the Notebook"
            placeholder={`Find among ${counted(entries.length, 'entry', 'entries')}`}
            value={filter}
            onChange={(event) => setFilter(event.target.value)}
          />
        ) : (
          <p className="quiet">Nothing is kept yet. Write a memo here, or keep a passage in the Reader.</p>
        )}
        {shown.map((entry) => (
          <Entry key={entry.id} entry={entry} tags={tags} close={onClose} />
        ))}
      </div>
    </Drawer>
  );
}

function Entry({ entry, tags, close }: { entry: NotebookEntry; tags: readonly string[]; close: () => void }) {
  const { id } = useStudy();
  const { openSource } = useSelection();
  const { message } = App.useApp();
  const tellFault = useTellFault();
  const [note, setNote] = useState<string>();
  const { excerpt } = entry;
  const keep = (): void => {
    if (note !== undefined && note !== entry.note) {
      tellFault('The note was not kept', () => changeEntry(id, entry.id, { note }));
    }
    setNote(undefined);
  };
  const remove = (): void =>
    tellFault('It was not removed', async () => {
      const gone = await removeEntry(id, entry.id);
      if (!gone) return;
      void message.info(
        <span>
          Removed.{' '}
          <button
            type="button"
            className="linklike"
            onClick={() => tellFault('It was not put back', () => putEntryBack(id, gone))}
          >
            Put it back
          </button>
        </span>,
      );
    });
  return (
    <article
      className={styles.notebookEntry}
      aria-label={excerpt ? `Excerpt of ${excerpt.sourceName}` : 'Memo'}
    >
      {excerpt && (
        <>
          <blockquote>{excerpt.quote}</blockquote>
          <button
            type="button"
            className="linklike"
            title="Read it in its place"
            onClick={() => {
              openSource({ sourceId: excerpt.sourceId, at: excerpt.start });
              close();
            }}
          >
            {excerpt.sourceName}
          </button>
        </>
      )}
      <Input.TextArea
        aria-label={excerpt ? `Note on ${excerpt.sourceName}` : 'Memo'}
        placeholder="Note"
        variant="borderless"
        className={styles.growing}
        rows={1}
        value={note ?? entry.note}
        maxLength={LONGEST.note}
        onChange={(event) => setNote(event.target.value)}
        onBlur={keep}
      />
      <div className="control-row">
        <Select
          mode="tags"
          size="small"
          className="wide"
          aria-label="Tags"
          placeholder="Tags: concepts, themes, own words"
          tokenSeparators={[',']}
          value={[...entry.tags]}
          options={tags.map((tag) => ({ value: tag, label: tag }))}
          onChange={(next: string[]) =>
            tellFault('The tags were not kept', () => changeEntry(id, entry.id, { tags: next }))
          }
        />
        <Button size="small" type="text" aria-label="Remove from the Notebook" onClick={remove}>
          ✕
        </Button>
      </div>
      <span className="quiet">
        {new Date(entry.time).toLocaleString('en-GB', { dateStyle: 'short', timeStyle: 'short' })}
      </span>
    </article>
  );
}
