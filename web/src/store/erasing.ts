import { catalogue, deleteDatabase, studyIn } from './database.ts';
import { alone, ifIdle } from './in-line.ts';
import { SCRATCH, wipeDeleted } from './wipe.ts';

/** Without a browser, as in tests, there are no files of its to write anew. */
let sweep = (): Promise<void> => ('document' in globalThis ? wipeDeleted() : Promise.resolve());

/** Has something else done in place of the sweep; for tests. */
export function wipeBy(other: () => Promise<void>): void {
  sweep = other;
}

/** Why what was deleted could not be taken out of the browser's files yet; undefined where it was, or nothing was deleted. */
let fault: string | undefined;
const watchers = new Set<() => void>();
function setFault(now: string | undefined): void {
  fault = now;
  for (const watcher of watchers) watcher();
}

/** Why traces of what was deleted may still be here; calls back whenever that changes, and gives what ends that. */
export const tracesLeft = {
  now: (): string | undefined => fault,
  watch(watcher: () => void): () => void {
    watchers.add(watcher);
    return () => watchers.delete(watcher);
  },
};

const LINE = 'green-thicket erasing';

/** Deletes every database that is to go, and has the browser write its files anew without them; only then are they forgotten. */
async function eraseNow(): Promise<void> {
  const gone = (await catalogue.going.toArray())
    .filter(({ making }) => !making)
    .map(({ database }) => database);
  if (gone.length === 0) return;
  const named = new Set((await catalogue.studies.toArray()).map(({ database }) => database));
  // What is named as a study's is never deleted, whatever the record says.
  for (const name of gone) if (!named.has(name)) await deleteDatabase(name);
  await sweep();
  await catalogue.going.bulkDelete(gone);
}

/**
 * Takes what was deleted out of the browser's files. That it was deleted is on record before: where this fails or is cut off, it
 * is done at the next start, and until then it is said that traces may be left.
 */
export function erase(): Promise<void> {
  return alone(LINE, async () => {
    try {
      await eraseNow();
      setFault(undefined);
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error));
    }
  });
}

/**
 * The names of all databases of studies. A browser that does not tell them has those on record only.
 */
async function allDatabases(): Promise<readonly string[]> {
  if (typeof indexedDB.databases !== 'function') return [];
  return (await indexedDB.databases()).flatMap(({ name }) => (name === undefined ? [] : [name]));
}

/**
 * Finishes what was cut off when the browser was ended: databases that were being made, or were to go, and those that nothing
 * names go, and the browser's files are written anew without them. What another tab has under way is left to it.
 */
export async function finishErasing(): Promise<void> {
  // First what is here, then what is on record: a database is on record before it is made.
  const here = await allDatabases();
  const named = new Set((await catalogue.studies.toArray()).map(({ database }) => database));
  const going = await catalogue.going.toArray();
  const doubtful = new Map<string, string>();
  for (const { database, making } of going) if (making) doubtful.set(database, studyIn(database) ?? database);
  for (const database of here) {
    const study = studyIn(database);
    if (study !== undefined && !named.has(database) && !going.some((each) => each.database === database))
      doubtful.set(database, study);
  }
  for (const [database, study] of doubtful) {
    await ifIdle(study, () =>
      catalogue.transaction('rw', catalogue.studies, catalogue.going, async () => {
        // Between the look and the line it may have come into its place.
        const row = await catalogue.studies.get(study);
        if (row?.database !== database) await catalogue.going.put({ database });
        else await catalogue.going.delete(database);
      }),
    );
  }
  if (here.includes(SCRATCH)) await alone(LINE, () => deleteDatabase(SCRATCH));
  await erase();
}
