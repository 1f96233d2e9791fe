import type { NotebookEntry } from '@green-thicket/core/study/notebook';
import { checkEntry } from './check.ts';
import { databaseOf, theDatabase, type NotebookRow } from './database.ts';
import { kept, StoreError } from './store-error.ts';

/** The excerpts and memos of a study, the first kept first. */
export async function listEntries(id: string): Promise<NotebookRow[]> {
  const database = await databaseOf(id);
  return database ? database.notebook.orderBy('time').toArray() : [];
}

/** Keeps an excerpt or a memo; it stands beside the decisions, and undo does not touch it. */
export async function keepEntry(id: string, entry: Omit<NotebookEntry, 'id' | 'time'>): Promise<void> {
  await kept(async () => {
    const whole = { ...entry, id: crypto.randomUUID(), time: new Date().toISOString() };
    await checkEntry(whole);
    await (await theDatabase(id)).notebook.add(whole);
  });
}

export async function changeEntry(
  id: string,
  entryId: string,
  change: Partial<Pick<NotebookEntry, 'note' | 'tags'>>,
): Promise<void> {
  await kept(async () => {
    const database = await theDatabase(id);
    const entry = await database.notebook.get(entryId);
    if (!entry) throw new StoreError('This entry is no longer in the Notebook.');
    await checkEntry({ ...entry, ...change });
    await database.notebook.update(entryId, change);
  });
}

/** Takes an entry out, and returns it, so that it can be put back. */
export function removeEntry(id: string, entryId: string): Promise<NotebookRow | undefined> {
  return kept(async () => {
    const database = await theDatabase(id);
    const entry = await database.notebook.get(entryId);
    await database.notebook.delete(entryId);
    return entry;
  });
}

export const putEntryBack = (id: string, entry: NotebookRow): Promise<unknown> =>
  kept(async () => (await theDatabase(id)).notebook.put(entry));
