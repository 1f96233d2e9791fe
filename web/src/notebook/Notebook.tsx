import { Button, Drawer, Input } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import {
  startTransition,
  useCallback,
  useDeferredValue,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
} from 'react';
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

/** Entries drawn at a time: each is several fields, and a Notebook may have thousands. */
const FIRST_ENTRIES = 30;
/** Entries that stand as it opens; the others follow when there is time. */
const AT_ONCE = 4;
const NONE: readonly NotebookEntry[] = [];

/** The Notebook: excerpts, memos, headings and kept views, in the order they are put in; the analysis leaves them alone. */
export function Notebook({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { id } = useStudy();
  const entries = useLiveQuery(() => listEntries(id), [id]) ?? NONE;
  const tellFault = useTellFault();
  const [filter, setFilter] = useState('');
  const [limit, setLimit] = useState(AT_ONCE);
  useEffect(() => {
    if (open) startTransition(() => setLimit((drawn) => Math.max(drawn, FIRST_ENTRIES)));
  }, [open]);
  const [viewed, setViewed] = useState<NotebookEntry>();
  const [isReporting, setReporting] = useState(false);
  const tags = useMemo(() => [...new Set(entries.flatMap((entry) => entry.tags))].sort(), [entries]);
  // What is typed stands at once; the entries follow when there is time.
  const sought = useDeferredValue(filter);
  const shown = useMemo(() => findEntries(entries, sought), [entries, sought]);
  const placeOf = useMemo(() => new Map(entries.map((entry, i) => [entry.id, i])), [entries]);
  const undoable = useSyncExternalStore(watchNotebookChanges, () => lastNotebookChange(id));
  const undo = (): void => tellFault('Nothing was undone', () => undoInNotebook(id));
  const move = (entryId: string, to: number): void => {
    if (to >= 0 && to < entries.length) tellFault('It was not moved', () => moveEntry(id, entryId, to));
  };
  // An entry is drawn again only when it is another: its handlers stay the same.
  const latest = useRef(move);
  useEffect(() => {
    latest.current = move;
  });
  const onMove = useCallback((entryId: string, to: number) => latest.current(entryId, to), []);
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
        <NewMemo />
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
            number={placeOf.get(entry.id) ?? 0}
            tags={tags}
            close={onClose}
            onMove={onMove}
            onView={setViewed}
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

/** Where a thought is written; apart, so that typing draws nothing else. */
function NewMemo() {
  const { id } = useStudy();
  const tellFault = useTellFault();
  const [memo, setMemo] = useState('');
  const isEmpty = memo.trim() === '';
  const add = (more: Partial<NewEntry>): void =>
    tellFault('It was not kept', async () => {
      if (isEmpty) return;
      await keepEntry(id, { note: memo.trim(), tags: [], ...more });
      setMemo('');
    });
  return (
    <>
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
        <Button size="small" disabled={isEmpty} onClick={() => add({})}>
          Keep this memo
        </Button>
        <Button
          size="small"
          disabled={isEmpty}
          title="A heading for what stands under it, here and in the report"
          onClick={() => add({ isHeading: true })}
        >
          As a heading
        </Button>
      </div>
    </>
  );
}
