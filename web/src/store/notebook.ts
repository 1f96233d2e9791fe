import { inOrder, placesAfterMove, type NotebookEntry } from '@green-thicket/core/study/notebook';
import { checkEntry } from './check.ts';
import { databaseOf, theDatabase, type NotebookRow } from './database.ts';
import { inLine } from './in-line.ts';
import { kept, StoreError } from './store-error.ts';

/** What is typed or kept of an entry; the rest of it is given when it is kept. */
export type NewEntry = Omit<NotebookEntry, 'id' | 'time'>;
export type EntryChange = Partial<Pick<NotebookEntry, 'note' | 'tags' | 'on'>>;

/** The entries of a study, in their order. */
export async function listEntries(id: string): Promise<NotebookRow[]> {
  const database = await databaseOf(id);
  return database ? inOrder(await database.notebook.toArray()) : [];
}

/** Writes to a Notebook in the study's line; what can't be kept becomes a sentence. */
const written = <T>(id: string, write: () => Promise<T>): Promise<T> => inLine(id, () => kept(write));

/** Entries as they were before a change, by their ids; undefined where there was none. */
type Before = ReadonlyMap<string, NotebookRow | undefined>;
/** What each Notebook has been changed from, the latest last, as long as the page is open. */
const changes = new Map<string, { readonly what: string; readonly before: Before }[]>();
const MOST_CHANGES = 200;
const watchers = new Set<() => void>();
const tellWatchers = (): void => {
  for (const watcher of watchers) watcher();
};

/** Calls back whenever something of a Notebook was changed or undone; gives what ends that. */
export function watchNotebookChanges(watcher: () => void): () => void {
  watchers.add(watcher);
  return () => watchers.delete(watcher);
}

function remember(id: string, what: string, before: Before): void {
  const own = changes.get(id) ?? [];
  own.push({ what, before });
  changes.set(id, own.slice(-MOST_CHANGES));
  tellWatchers();
}

/** What would be undone in a Notebook, in a few words; undefined where nothing was changed. */
export const lastNotebookChange = (id: string): string | undefined => changes.get(id)?.at(-1)?.what;

/** Undoes the last change of a Notebook; nothing of the study's decisions is touched. */
export function undoInNotebook(id: string): Promise<void> {
  return written(id, async () => {
    const last = changes.get(id)?.at(-1);
    if (!last) return;
    const database = await theDatabase(id);
    const back = [...last.before.values()].filter((entry) => entry !== undefined);
    await database.transaction('rw', database.notebook, async () => {
      await database.notebook.bulkDelete([...last.before.keys()]);
      await database.notebook.bulkPut(back);
    });
    changes.get(id)?.pop();
    tellWatchers();
  });
}

/** Keeps an excerpt, a memo, a heading or a view; it stands beside the decisions, and their undo does not touch it. */
export async function keepEntry(id: string, entry: NewEntry): Promise<void> {
  await written(id, async () => {
    const whole = { ...entry, id: crypto.randomUUID(), time: new Date().toISOString() };
    await checkEntry(whole);
    const { notebook } = await theDatabase(id);
    // What comes in stands first, also where others were moved before it.
    const [first] = inOrder(await notebook.toArray());
    await notebook.add(first?.place === undefined ? whole : { ...whole, place: first.place - 1 });
    remember(id, 'keep it', new Map([[whole.id, undefined]]));
  });
}

/** Keeps entries that came in with texts, in their order; one undo takes them all out again. */
export async function keepEntries(id: string, entries: readonly NewEntry[]): Promise<void> {
  await written(id, async () => {
    const time = new Date().toISOString();
    const whole = entries.map((entry, i) => ({ ...entry, id: crypto.randomUUID(), time, place: i }));
    for (const entry of whole) await checkEntry(entry);
    const { notebook } = await theDatabase(id);
    await notebook.bulkAdd(whole);
    remember(id, 'keep what came in', new Map(whole.map((entry) => [entry.id, undefined])));
  });
}

export async function changeEntry(id: string, entryId: string, change: EntryChange): Promise<void> {
  await written(id, async () => {
    const { notebook } = await theDatabase(id);
    const entry = await notebook.get(entryId);
    if (!entry) throw new StoreError('This entry is no longer in the Notebook.');
    await checkEntry({ ...entry, ...change });
    await notebook.update(entryId, change);
    remember(id, 'change it', new Map([[entryId, entry]]));
  });
}

/** Moves an entry to a number in the order. */
export async function moveEntry(id: string, entryId: string, to: number): Promise<void> {
  await written(id, async () => {
    const database = await theDatabase(id);
    await database.transaction('rw', database.notebook, async () => {
      const entries = inOrder(await database.notebook.toArray());
      const places = placesAfterMove(entries, entryId, to);
      const moved = entries.filter((entry) => places.has(entry.id));
      await database.notebook.bulkPut(moved.map((entry) => ({ ...entry, place: places.get(entry.id) })));
      remember(id, 'move it', new Map(moved.map((entry) => [entry.id, entry])));
    });
  });
}

export async function removeEntry(id: string, entryId: string): Promise<void> {
  await written(id, async () => {
    const { notebook } = await theDatabase(id);
    const entry = await notebook.get(entryId);
    await notebook.delete(entryId);
    if (entry) remember(id, 'remove it', new Map([[entryId, entry]]));
  });
}
