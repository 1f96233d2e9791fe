import type { StudyFile } from '@green-thicket/core/study-files/study-file';
import { catalogue, databaseName, theDatabase, THE_STUDY, type Lock, type SavedCopy } from './database.ts';
import { erase } from './erasing.ts';
import { inLine } from './in-line.ts';
import type { StudyKey } from './keys.ts';
import { putInPlace } from './replacing.ts';
import { kept } from './store-error.ts';
import { exportStudy } from './studies.ts';

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
 * Writes a study anew into another database, switches to it in one step, and takes the one before out of the browser's files.
 * All tabs wait meanwhile; whatever fails before the step leaves the study as it was.
 */
export async function writeAnew<A>(
  id: string,
  change: (before: Whole) => Anew<A> | Promise<Anew<A>>,
): Promise<A> {
  const answer = await inLine(id, () =>
    kept(async () => {
      const before = await theDatabase(id);
      const row = await before.study.get(THE_STUDY);
      const {
        file,
        saved,
        answer: found,
        password,
      } = await change({
        file: await exportStudy(id),
        saved: row?.saved ?? [],
      });
      const generation = Number(/\d+$/.exec(before.name)?.[0] ?? 1) + 1;
      const key = password === undefined ? before.key : password === 'none' ? undefined : password.key;
      await putInPlace({
        id,
        database: databaseName(id, generation),
        file,
        row: { reasons: row?.reasons ?? 0, saved },
        key,
        lock: password === 'none' ? undefined : (password?.lock ?? (await catalogue.studies.get(id))?.lock),
      });
      return found;
    }),
  );
  await erase();
  return answer;
}
