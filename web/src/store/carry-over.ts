import { Dexie } from 'dexie';
import { catalogue, databaseName, databaseNamed, deleteDatabase, THE_STUDY } from './database.ts';
import { alone } from './in-line.ts';
import { EARLIER_NAME, EarlierDatabase } from './earlier-database.ts';
import { kept, StorageRefused } from './store-error.ts';
import { putOriginals } from './texts.ts';

/**
 * Brings what an earlier version kept into databases of their own, study by study; then the old database goes. Whatever
 * stops it, the old one stays, and it goes on the next time. Awaited before anything else is asked of the storage.
 */
export async function carriedOver(): Promise<void> {
  try {
    await catalogue.open();
  } catch (error) {
    // What a newer version left says so itself, at whatever is asked first.
    if (error instanceof Error && /SecurityError|UnknownError|InvalidStateError|MissingAPI/.test(error.name))
      throw new StorageRefused(error.message, { cause: error });
  }
  await kept(() => alone('green-thicket carry over', carryOver));
}

/** Brings over what an earlier version kept. */
export async function carryOver(): Promise<void> {
  if (!(await Dexie.exists(EARLIER_NAME))) return;
  const earlier = new EarlierDatabase();
  for (const { id, ...row } of await earlier.studies.toArray()) {
    if (await catalogue.studies.get(id)) continue;
    const own = <Row extends { studyId: string }>(rows: Row[]): Omit<Row, 'studyId'>[] =>
      rows.map(({ studyId: _study, ...each }) => each);
    const of = { studyId: id };
    const decisions = own(await earlier.decisions.where(of).toArray());
    const originals = own(await earlier.originals.where(of).toArray());
    const notebook = own(await earlier.notebook.where(of).toArray());
    const name = databaseName(id, 1);
    // What a try before left half done begins anew.
    await deleteDatabase(name);
    const database = databaseNamed(name);
    await putOriginals(database, new Map(originals.map((each) => [each.id, each.text])));
    await database.transaction('rw', database.study, database.decisions, database.notebook, async () => {
      await database.decisions.bulkAdd(decisions);
      await database.notebook.bulkAdd(notebook);
      await database.study.add({ ...row, key: THE_STUDY });
    });
    await catalogue.studies.add({ id, database: name });
  }
  earlier.close();
  await Dexie.delete(EARLIER_NAME);
}
