import type { AddedSource } from '@green-thicket/core/intake/sources';
import { theDatabase, type OriginalRow, type StudyDatabase } from './database.ts';
import { inLine } from './in-line.ts';
import { kept } from './store-error.ts';

/** Keeps texts as one portion; those that are kept already are not kept again. */
async function addPortion(database: StudyDatabase, texts: ReadonlyMap<string, string>): Promise<void> {
  const present = new Set(await database.originals.toCollection().primaryKeys());
  const fresh = [...texts].filter(([id]) => !present.has(id));
  if (fresh.length === 0) return;
  const blob = new Blob(fresh.map(([, text]) => text));
  await database.transaction('rw', database.portions, database.originals, async () => {
    const last = await database.portions.orderBy('number').lastKey();
    const number = typeof last === 'number' ? last + 1 : 1;
    await database.portions.add({ number, texts: blob });
    await database.originals.bulkPut(rowsOf(number, fresh));
  });
}

/** Where each of the texts of a portion stands in it. */
function rowsOf(portion: number, texts: readonly (readonly [id: string, text: string])[]): OriginalRow[] {
  let start = 0;
  return texts.map(([id, { length }]) => {
    start += length;
    return { id, portion, start: start - length, length };
  });
}

/** Keeps originals before they are recorded as added; until they are, they belong to no source. */
export async function keepOriginals(id: string, added: readonly AddedSource[]): Promise<void> {
  if (added.length === 0) return;
  await inLine(id, () =>
    kept(async () => {
      await addPortion(await theDatabase(id), new Map(added.map(({ source, text }) => [source.id, text])));
    }),
  );
}

/** Keeps texts in a database that is being made; in portions of a bearable size. */
export async function putOriginals(
  database: StudyDatabase,
  originals: ReadonlyMap<string, string>,
): Promise<void> {
  let portion = new Map<string, string>();
  let size = 0;
  for (const [id, text] of originals) {
    portion.set(id, text);
    size += text.length;
    if (size < PORTION) continue;
    await addPortion(database, portion);
    portion = new Map();
    size = 0;
  }
  await addPortion(database, portion);
}

/** Texts are kept in portions of about this many characters. */
export const PORTION = 8 * 1024 * 1024;

/** The texts of some originals, or of all; those that are not here are left out. */
export async function readOriginals(
  database: StudyDatabase,
  ids?: readonly string[],
): Promise<Map<string, string>> {
  const found = ids ? await database.originals.bulkGet([...ids]) : await database.originals.toArray();
  const rows = found.filter((row) => row !== undefined);
  const texts = new Map<string, string>();
  for (const number of new Set(rows.map((row) => row.portion))) {
    const portion = await database.portions.get(number);
    const whole = portion && (await portion.texts.text());
    if (whole === undefined) continue;
    for (const { id, start, length } of rows.filter((row) => row.portion === number)) {
      texts.set(id, whole.slice(start, start + length));
    }
  }
  return texts;
}

/** Lets go of some originals: each portion that holds any is put without them in its own place, in one step. */
export async function removeOriginals(database: StudyDatabase, gone: ReadonlySet<string>): Promise<void> {
  const rows = await database.originals.toArray();
  const portions = new Set(rows.filter(({ id }) => gone.has(id)).map(({ portion }) => portion));
  for (const number of portions) {
    const own = rows.filter(({ portion }) => portion === number);
    const left = [
      ...(await readOriginals(
        database,
        own.map(({ id }) => id).filter((id) => !gone.has(id)),
      )),
    ];
    const texts = new Blob(left.map(([, text]) => text));
    await database.transaction('rw', database.portions, database.originals, async () => {
      await database.originals.bulkDelete(own.map(({ id }) => id));
      if (left.length === 0) await database.portions.delete(number);
      else {
        await database.portions.put({ number, texts });
        await database.originals.bulkPut(rowsOf(number, left));
      }
    });
  }
}
