import { TAGGING } from '@green-thicket/core/languages/languages';
import type { SentenceTags, SourceTags } from '@green-thicket/core/text/words/sentence-tags';
import { databaseOf, type ResultRow } from '../store/database.ts';

const STAGE = 'tags of ';

/** The tags a row holds, with the text they are of; undefined where it holds none that can be used. */
function tagsIn({ stage, hash, result }: ResultRow): [textHash: string, SourceTags] | undefined {
  if (!stage.startsWith(STAGE) || hash !== TAGGING || !(result instanceof Map)) return undefined;
  const tags: SourceTags = new Map<number, string>();
  for (const [start, found] of result as Map<unknown, unknown>) {
    if (typeof start !== 'number' || typeof found !== 'string') return undefined;
    tags.set(start, found);
  }
  return [stage.slice(STAGE.length), tags];
}

/** Brings in the parts of speech that were found in a study's sources before: the slow part of opening it. */
export async function bringTags(tags: SentenceTags, studyId: string): Promise<void> {
  const rows = (await (await databaseOf(studyId))?.results.toArray()) ?? [];
  tags.give(rows.map(tagsIn).filter((each) => each !== undefined));
}

/** Keeps, source by source, the parts of speech found since. Where there is no room, or a password, they are found again. */
export async function keepTags(tags: SentenceTags, studyId: string): Promise<void> {
  const rows = tags
    .takeFresh()
    .map(([textHash, result]): ResultRow => ({ stage: `${STAGE}${textHash}`, hash: TAGGING, result }));
  if (rows.length === 0) return;
  try {
    const database = await databaseOf(studyId);
    // Rows are named by what they are of, which a study with a password does not tell.
    if (database && !database.key) await database.results.bulkPut(rows);
  } catch (error) {
    // As on a full disk: nothing is lost but time.
    console.warn('Parts of speech were not kept', error);
  }
}
