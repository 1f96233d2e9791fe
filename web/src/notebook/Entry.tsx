import { momentText } from '@green-thicket/core/base/wording';
import { Button, Input, Select } from 'antd';
import { memo, useState } from 'react';
import { LONGEST } from '@green-thicket/core/study/limits';
import type { KeptView, NotebookEntry } from '@green-thicket/core/study/notebook';
import { sameProps } from '../pieces/same-props.ts';
import { useSelection } from '../pieces/selection.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { changeEntry, removeEntry, type EntryChange } from '../store/notebook.ts';
import { About } from './About.tsx';
import { Drawing } from './ShownFigure.tsx';
import { stepByKeys } from '../pieces/step-by-keys.ts';
import styles from './Notebook.module.css';

const DRAGGED = 'application/x-green-thicket-entry';

/** What an entry is called where it can't be seen. */
function nameOf({ excerpt, view, isHeading }: NotebookEntry): string {
  if (excerpt) return `Excerpt of ${excerpt.sourceName}`;
  if (view) return `Kept view: ${view.figure?.title ?? 'as it is now'}`;
  return isHeading ? 'Heading' : 'Memo';
}

/** What its note is called where it can't be seen. */
function noteName({ excerpt, view, isHeading }: NotebookEntry): string {
  if (excerpt) return `Note on ${excerpt.sourceName}`;
  if (isHeading) return 'Heading';
  return view ? 'Note on the view' : 'Memo';
}

/** An entry of the Notebook: its words, note, tags and what it is about; moved by dragging or by Alt with the arrows. */
export const Entry = memo(function Entry({
  entry,
  number,
  tags,
  close,
  onMove,
  onView,
}: {
  entry: NotebookEntry;
  /** Its place among all entries. */
  number: number;
  tags: readonly string[];
  close: () => void;
  onMove: (id: string, to: number) => void;
  onView: (entry: NotebookEntry) => void;
}) {
  const { id } = useStudy();
  const tellFault = useTellFault();
  const [note, setNote] = useState<string>();
  const { excerpt, view, isHeading = false } = entry;
  const change = (next: EntryChange): void =>
    tellFault('It was not changed', () => changeEntry(id, entry.id, next));
  const keep = (): void => {
    if (note !== undefined && note !== entry.note) change({ note });
    setNote(undefined);
  };
  return (
    <article
      className={isHeading ? `${styles.notebookEntry} ${styles.notebookHeading}` : styles.notebookEntry}
      aria-label={nameOf(entry)}
      onKeyDown={(event) => {
        const step = stepByKeys(event);
        if (step !== 0) onMove(entry.id, number + step);
      }}
      onDragOver={(event) => {
        if (event.dataTransfer.types.includes(DRAGGED)) event.preventDefault();
      }}
      onDrop={(event) => {
        const dropped = event.dataTransfer.getData(DRAGGED);
        if (dropped === '' || dropped === entry.id) return;
        event.preventDefault();
        onMove(dropped, number);
      }}
    >
      <EntryHead entry={entry} number={number} onMove={onMove} />
      {excerpt && <Quoted excerpt={excerpt} onOpen={close} />}
      {view && <KeptPicture view={view} onOpen={() => onView(entry)} />}
      <Input.TextArea
        aria-label={noteName(entry)}
        placeholder="Note"
        variant="borderless"
        className={styles.growing}
        rows={1}
        value={note ?? entry.note}
        maxLength={LONGEST.note}
        onChange={(event) => setNote(event.target.value)}
        onBlur={keep}
      />
      {!isHeading && (
        <div className="control-row">
          <Select
            mode="tags"
            size="small"
            className="wide"
            aria-label="Tags"
            placeholder="Tags: own words"
            tokenSeparators={[',']}
            value={[...entry.tags]}
            options={tags.map((tag) => ({ value: tag, label: tag }))}
            onChange={(next: string[]) => change({ tags: next })}
          />
          <About on={entry.on} onChange={(on) => change({ on })} />
        </div>
      )}
    </article>
  );
}, sameProps);

/** What moves and removes an entry, and when it was made. */
function EntryHead({
  entry,
  number,
  onMove,
}: {
  entry: NotebookEntry;
  number: number;
  onMove: (id: string, to: number) => void;
}) {
  const { id } = useStudy();
  const tellFault = useTellFault();
  const name = nameOf(entry);
  return (
    <div className={styles.entryHead}>
      <span
        className={styles.entryGrip}
        draggable
        title="Drag it to another place"
        aria-hidden="true"
        onDragStart={(event) => event.dataTransfer.setData(DRAGGED, entry.id)}
      >
        ⋮⋮
      </span>
      <span className="quiet">{momentText(entry.time, 'short')}</span>
      <Button
        size="small"
        type="text"
        aria-label={`Move up: ${name}`}
        title="Up (Alt+↑)"
        onClick={() => onMove(entry.id, number - 1)}
      >
        ↑
      </Button>
      <Button
        size="small"
        type="text"
        aria-label={`Move down: ${name}`}
        title="Down (Alt+↓)"
        onClick={() => onMove(entry.id, number + 1)}
      >
        ↓
      </Button>
      <Button
        size="small"
        type="text"
        aria-label="Remove from the Notebook"
        title="Remove it; Undo puts it back"
        onClick={() => tellFault('It was not removed', () => removeEntry(id, entry.id))}
      >
        ✕
      </Button>
    </div>
  );
}

/** An excerpt's words, and the way to where they stand. */
function Quoted({ excerpt, onOpen }: { excerpt: NonNullable<NotebookEntry['excerpt']>; onOpen: () => void }) {
  const { openSource } = useSelection();
  return (
    <>
      <blockquote>{excerpt.quote}</blockquote>
      <button
        type="button"
        className="linklike"
        title="Read it in its place"
        onClick={() => {
          openSource({ sourceId: excerpt.sourceId, at: excerpt.start });
          onOpen();
        }}
      >
        {excerpt.sourceName}
      </button>
    </>
  );
}

/** A view as it was kept; opens it beside what it would be now. */
function KeptPicture({ view, onOpen }: { view: KeptView; onOpen: () => void }) {
  return (
    <button
      type="button"
      className={styles.keptView}
      title="Open it beside what it would be now"
      onClick={onOpen}
    >
      {view.figure?.picture && <Drawing svg={view.figure.picture.svg} alt="" />}
      <span>{view.figure?.title ?? 'A view whose picture was taken out with a source'}</span>
    </button>
  );
}
