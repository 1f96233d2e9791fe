import type { Engine } from '@green-thicket/core/study/engine';
import { inputHash, type StudyInput } from '@green-thicket/core/study/stages';
import type { PartsOfTypes } from '@green-thicket/core/text/parts-of-speech';
import { database } from '../store/database.ts';

/** Changed whenever parts of speech are found in another way, so that those found before are not taken for theirs. */
const WAY = '1';
const STAGE = 'parts';

const hashOf = (input: StudyInput): string => `${WAY} ${inputHash(STAGE, input)}`;

function isParts(result: unknown): result is PartsOfTypes {
  const parts = result as Partial<PartsOfTypes> | null;
  return [parts?.part, parts?.nounAtTimes, parts?.adjectiveAtTimes].every(
    (each) => each instanceof Uint8Array,
  );
}

/** Brings in the parts of speech an earlier session found, which is the slow part of opening a study. */
export async function bringParts(engine: Engine, studyId: string, input: StudyInput): Promise<void> {
  if (engine.has(STAGE, input)) return;
  const row = await database.results.get([studyId, STAGE]);
  if (row?.hash === hashOf(input) && isParts(row.result)) engine.give(STAGE, input, row.result);
}

const keptHash = new Map<string, string>();

/** Keeps the parts of speech that were found for later sessions. Where there is no room they are found again. */
export async function keepParts(engine: Engine, studyId: string, input: StudyInput): Promise<void> {
  const parts = engine.held(STAGE, input);
  const hash = hashOf(input);
  if (!parts || keptHash.get(studyId) === hash) return;
  keptHash.set(studyId, hash);
  try {
    const row = await database.results.get([studyId, STAGE]);
    if (row?.hash !== hash) await database.results.put({ studyId, stage: STAGE, hash, result: parts });
  } catch (error) {
    // As on a full disk: nothing is lost but time.
    console.warn('Parts of speech were not kept', error);
    keptHash.delete(studyId);
  }
}
