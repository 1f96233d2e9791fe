import { foldDecisions } from '@green-thicket/core/study/record';
import { canonicalJson } from '@green-thicket/core/base/hash';
import { inOrder } from '@green-thicket/core/study/notebook';
import type { StudyFile } from '@green-thicket/core/study-files/study-file';
import {
  catalogue,
  databaseNamed,
  deleteDatabase,
  THE_STUDY,
  type Lock,
  type StudyDatabase,
  type StudyRow,
} from './database.ts';
import { giveKey, type StudyKey } from './keys.ts';
import { StoreError } from './store-error.ts';
import { putOriginals, readOriginals } from './texts.ts';

/** A study that is to stand in a database of its own. */
export interface Placed {
  readonly id: string;
  /** The database it goes into, which is none yet. */
  readonly database: string;
  readonly file: StudyFile;
  /** What is known of it beside its record. */
  readonly row?: Partial<StudyRow>;
  /** Seals its rows, and what it shows while it is locked, where it has a password. */
  readonly key?: StudyKey;
  readonly lock?: Lock;
}

/** Fills a new database with a study. */
async function fill(database: StudyDatabase, { file, row = {} }: Placed): Promise<void> {
  const { log, register, originals, notebook = [] } = file;
  await putOriginals(database, originals);
  await database.transaction('rw', database.study, database.decisions, database.notebook, async () => {
    await database.decisions.bulkAdd(log.records);
    await database.notebook.bulkPut([...notebook]);
    await database.study.add({
      key: THE_STUDY,
      title: foldDecisions(log).title,
      head: log.head,
      tip: log.tip,
      register,
      changed: new Date().toISOString(),
      ...row,
    });
  });
}

/** Reads back what was written: nothing is given up for what does not hold the same. */
async function prove(database: StudyDatabase, { file }: Placed): Promise<void> {
  const { log, originals, notebook = [] } = file;
  const same = (a: unknown, b: unknown): boolean => canonicalJson(a) === canonicalJson(b);
  const texts = await readOriginals(database);
  const holds =
    same(await database.decisions.orderBy('seq').toArray(), log.records) &&
    same(inOrder(await database.notebook.toArray()), inOrder([...notebook])) &&
    texts.size === originals.size &&
    [...originals].every(([id, text]) => texts.get(id) === text);
  if (!holds)
    throw new StoreError(
      'This browser did not keep the study as it was written. Nothing was changed: save the study to a file, and try another browser.',
    );
}

/**
 * Puts a study in its place: written whole into a database of its own, read back, and then named by the catalogue in one step, in
 * which the database it had before is put on record as one to go. Whatever fails or is cut off before leaves all as it was, and
 * what was written so far is on record to go. To be called in the study's line; what is to go is erased afterwards.
 *
 * @throws Error where it could not be written
 */
export async function putInPlace(placed: Placed): Promise<void> {
  const { id, database: name, key, lock } = placed;
  await catalogue.going.put({ database: name, making: true });
  try {
    // What a try before left half done begins anew.
    await deleteDatabase(name);
    if (key) giveKey(name, key);
    const database = databaseNamed(name);
    await fill(database, placed);
    await prove(database, placed);
    await catalogue.transaction('rw', catalogue.studies, catalogue.going, async () => {
      const before = await catalogue.studies.get(id);
      await catalogue.studies.put({ id, database: name, ...(lock ? { lock } : {}) });
      await catalogue.going.delete(name);
      if (before && before.database !== name) await catalogue.going.put({ database: before.database });
    });
  } catch (error) {
    // It may have failed for want of room, and then this may fail too: the next start sees to it.
    await catalogue.going.put({ database: name }).catch(() => undefined);
    throw error;
  }
}
