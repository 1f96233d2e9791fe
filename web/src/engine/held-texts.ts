import { textOf, type AddedSource } from '@green-thicket/core/intake/sources';
import type { StudySource } from '@green-thicket/core/study/study';
import { databaseOf } from '../store/database.ts';
import { readOriginals } from '../store/texts.ts';

/** The texts of one study that are in memory: those just read from files, and those read back from the database. */
export interface HeldTexts {
  /** Holds texts that were read for a study and are kept in its database. */
  hold(studyId: string, added: readonly AddedSource[]): void;
  letGo(studyId: string, ids: readonly string[]): void;
  /** Has the texts of these sources at hand, of another study or database than before as well. */
  bring(studyId: string, database: string | undefined, sources: readonly StudySource[]): Promise<void>;
  /** The text of a source; a part is cut out of its original. Throws where it was not brought. */
  textIn(sources: ReadonlyMap<string, StudySource>, id: string): string;
}

export function heldTexts(): HeldTexts {
  const texts = new Map<string, string>();
  let study: string | undefined;
  let from: string | undefined;
  const turnTo = (studyId: string, database: string | undefined): void => {
    // What was read before its study was opened is of the database it is opened from.
    const isOther = study !== studyId || (from !== undefined && database !== undefined && from !== database);
    if (isOther) texts.clear();
    study = studyId;
    from = database ?? (isOther ? undefined : from);
  };
  const whole = (id: string): string => {
    const text = texts.get(id);
    if (text === undefined) throw new Error('The text of a source is missing from this browser.');
    return text;
  };
  return {
    hold(studyId, added) {
      turnTo(studyId, undefined);
      for (const { source, text } of added) {
        // Half a character is kept as another one: such a text is read back.
        if (!/[\ud800-\udfff]/.test(text)) texts.set(source.id, text);
      }
    },
    letGo(studyId, ids) {
      if (study === studyId) for (const id of ids) texts.delete(id);
    },
    async bring(studyId, name, sources) {
      turnTo(studyId, name);
      const missing = [...new Set(sources.map((source) => source.part?.of ?? source.id))].filter(
        (id) => !texts.has(id),
      );
      if (missing.length === 0) return;
      const database = await databaseOf(studyId);
      if (!database) return;
      const found = await readOriginals(database, missing);
      // Another study may have been asked for meanwhile.
      if (study === studyId) for (const [id, text] of found) texts.set(id, text);
    },
    textIn(sources, id) {
      const source = sources.get(id);
      return source ? textOf(source, whole) : whole(id);
    },
  };
}
