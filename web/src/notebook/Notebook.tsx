import { Button, Drawer, Input } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState, useSyncExternalStore } from 'react';
import { findEntries, type NotebookEntry } from '@green-thicket/core/study/notebook';
import { LONGEST } from '@green-thicket/core/study/limits';
import { counted } from '@green-thicket/core/base/wording';
import {
  keepEntry,
  lastNotebookChange,
  listEntries,
  moveEntry,
  undoInNotebook,
  watchNotebookChanges,
  type NewEntry,
} from '../store/notebook.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { Entry } from './Entry.tsx';
import { KeptViewDialog } from './KeptViewDialog.tsx';
import { ReportDialog } from './ReportDialog.tsx';
import styles from './Notebook.module.css';

/** Entries drawn at a time. */
const FIRST_ENTRIES = 100;

/** The Notebook: excerpts, memos, headings and kept views, in the order they are put in; the analysis leaves them alone. */
export function Notebook({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { id } = useStudy();
  const entries = useLiveQuery(() => listEntries(id), [id]) ?? [];
  const tellFault = useTellFault();
  const [filter, setFilter] = useState('');
  const [memo, setMemo] = useState('');
  const [limit, setLimit] = useState(FIRST_ENTRIES);
  const [viewed, setViewed] = useState<NotebookEntry>();
  const [isReporting, setReporting] = useState(false);
  const tags = [...new Set(entries.flatMap((entry) => entry.tags))].sort();
  const shown = findEntries(entries, filter);
  const undoable = useSyncExternalStore(watchNotebookChanges, () => lastNotebookChange(id));
  const undo = (): void => tellFault('Nothing was undone', () => undoInNotebook(id));
  const add = (more: Partial<NewEntry>): void =>
    tellFault('It was not kept', async () => {
      if (memo.trim() === '') return;
      await keepEntry(id, { note: memo.trim(), tags: [], ...more });
      setMemo('');
    });
  const move = (entry: NotebookEntry, to: number): void => {
    if (to >= 0 && to < entries.length) tellFault('It was not moved', () => moveEntry(id, entry.id, to));
  };
  return (
    <Drawer
      title="Notebook"
      open={open}
      onClose={onClose}
      size={460}
      extra={
        <span className="control-row">
          <Button
            size="small"
            disabled={undoable === undefined}
            title={
              undoable === undefined ? 'Nothing to undo here' : `Undo: ${undoable} (Ctrl+Z in the Notebook)`
            }
            onClick={undo}
          >
            Undo
          </Button>
          <Button size="small" type="primary" onClick={() => setReporting(true)}>
            Report
          </Button>
        </span>
      }
    >
      <div
        className="stack"
        onKeyDown={(event) => {
          const target = event.target as HTMLElement;
          if (/^(?:INPUT|TEXTAREA)$/.test(target.tagName)) return;
          if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
          // Here it is the Notebook that is undone, not the study.
          event.preventDefault();
          event.stopPropagation();
          event.nativeEvent.stopImmediatePropagation();
          undo();
        }}
      >
        <Input.TextArea
          aria-label="New memo"
          placeholder="A thought to keep"
          className={styles.growing}
          rows={2}
          value={memo}
          maxLength={LONGEST.note}
          onChange={(event) => setMemo(event.target.value)}
        />
        <div className="control-row">
          <Button size="small" disabled={memo.trim() === ''} onClick={() => add({})}>
            Keep this memo
          </Button>
          <Button
            size="small"
            disabled={memo.trim() === ''}
            title="A heading for what stands under it, here and in the report"
            onClick={() => add({ isHeading: true })}
          >
            As a heading
          </Button>
        </div>
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
          <p className="quiet">
            Nothing is kept yet. Write a memo here, keep a passage in the Reader, or press V to keep the map,
            table or comparison that is shown.
          </p>
        )}
        {shown.slice(0, limit).map((entry) => (
          <Entry
            key={entry.id}
            entry={entry}
            number={entries.indexOf(entry)}
            tags={tags}
            close={onClose}
            onMove={(to) => move(entry, to)}
            onDropped={(dropped) => {
              const moved = entries.find((each) => each.id === dropped);
              if (moved) move(moved, entries.indexOf(entry));
            }}
            onView={() => setViewed(entry)}
          />
        ))}
        {shown.length > limit && (
          <Button size="small" onClick={() => setLimit(limit + FIRST_ENTRIES)}>
            {`Show ${counted(Math.min(FIRST_ENTRIES, shown.length - limit), 'more entry', 'more entries')}`}
          </Button>
        )}
      </div>
      {viewed && (
        <KeptViewDialog
          entry={viewed}
          onClose={() => setViewed(undefined)}
          onGone={() => {
            setViewed(undefined);
            onClose();
          }}
        />
      )}
      {isReporting && <ReportDialog entries={entries} onClose={() => setReporting(false)} />}
    </Drawer>
  );
}
