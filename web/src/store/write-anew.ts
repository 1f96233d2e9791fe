import type { StudyFile } from '@green-thicket/core/study-files/study-file';
import {
  catalogue,
  databaseName,
  deleteDatabase,
  theDatabase,
  THE_STUDY,
  type CatalogueRow,
  type Lock,
  type SavedCopy,
} from './database.ts';
import { inLine } from './in-line.ts';
import { giveKey, type StudyKey } from './keys.ts';
import { kept } from './store-error.ts';
import { exportStudy, fillDatabase, swept } from './studies.ts';

/** A study whole, with the list of its copies: all that is written anew. */
interface Whole {
  readonly file: StudyFile;
  readonly saved: readonly SavedCopy[];
}

/** What a study becomes. */
export interface Anew<A> extends Whole {
  readonly answer: A;
  /** A password set or taken away; where it is left out the study keeps what it has. */
  readonly password?: { readonly lock: Lock; readonly key: StudyKey } | 'none';
}

/**
 * Writes a study anew into another database, switches to it, and deletes the one before, so that nothing of what it was
 * stays in the browser's files.
 *
 * @param done - what is done already where only the browser's files could not be written anew, as a sentence without its end
 */
export function writeAnew<A>(
  id: string,
  done: string,
  change: (before: Whole) => Anew<A> | Promise<Anew<A>>,
): Promise<A> {
  return inLine(id, () =>
    kept(async () => {
      const before = await theDatabase(id);
      const row = await before.study.get(THE_STUDY);
      const { file, saved, answer, password } = await change({
        file: await exportStudy(id),
        saved: row?.saved ?? [],
      });
      const generation = Number(/\d+$/.exec(before.name)?.[0] ?? 1) + 1;
      const name = databaseName(id, generation);
      // What a try before left half done begins anew.
      await deleteDatabase(name);
      const key = password === undefined ? before.key : password === 'none' ? undefined : password.key;
      if (key) giveKey(name, key);
      await fillDatabase(name, file, { reasons: row?.reasons ?? 0, saved });
      await catalogue.studies
        .where('id')
        .equals(id)
        .modify((each: CatalogueRow) => {
          each.database = name;
          if (password === 'none') delete each.lock;
          else if (password) each.lock = password.lock;
        });
      await deleteDatabase(before.name);
      await swept(done);
      return answer;
    }),
  );
}
