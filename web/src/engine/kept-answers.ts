import { hashValue } from '@green-thicket/core/base/hash';
import type { ViewAnswers, ViewName } from '@green-thicket/core/views/view-keys';
import { databaseOf, type ResultRow, type StudyDatabase } from '../store/database.ts';
import { inLine } from '../store/in-line.ts';
import { fromPlain, toPlain } from './plain-answers.ts';

/** What stands on the screen when a study is opened. The last answer to each is kept with the study, and drawn first. */
export const KEPT_VIEWS: ReadonlySet<ViewName> = new Set<ViewName>([
  ...(['wordsOnTrail', 'conceptsOnTrail', 'linksOnTrail', 'themesOnTrail'] as const),
  ...(['sources', 'languages', 'guessedPersons', 'mail', 'repeats', 'duplicates'] as const),
  ...(['concepts', 'languagesRead', 'coverage', 'chosenAgain'] as const),
  ...(['links', 'repeatedSentences', 'themes', 'steadiness', 'howMany', 'map', 'compare'] as const),
]);

/** An answer as it is found again. */
export interface AnswerPlace {
  readonly studyId: string;
  readonly view: ViewName;
  /** Hash of all the answer hangs on, and of the application that made it (`hashOfAnswer`). */
  readonly hash: string;
}

/**
 * What an answer is kept under: nothing is shown for another study, question or state, nor what another edition of the
 * application computed.
 *
 * @param edition tells one edition of what computes from another
 * @param key the view's own (`viewKey`)
 */
export const hashOfAnswer = (edition: string, key: string, question: unknown): string =>
  hashValue([edition, key, question]);

/** The parts an answer may have: a larger one takes longer to read than the page may be held. */
const MOST_PARTS = 200_000;
/** Time without another answer after which those that came are written, ms. */
const QUIET = 1000;

const ANSWER = 'answer ';
const stageOf = (view: ViewName): string => `${ANSWER}${view}`;

/** Whether an answer has at most so many parts: fields, items, numbers of a list. */
function isSmall(answer: unknown): boolean {
  let left = MOST_PARTS;
  const count = (value: unknown): void => {
    left--;
    if (left < 0 || typeof value !== 'object' || value === null) return;
    if (ArrayBuffer.isView(value)) left -= value.byteLength / 8;
    else for (const each of Object.values(value)) count(each);
  };
  count(answer);
  return left >= 0;
}

/** The answer in a row; undefined where it is another's, or none that can be read. */
function answerIn({ key }: StudyDatabase, row: ResultRow | undefined, hash: string): unknown {
  if (row?.hash !== hash || typeof row.result !== 'object' || row.result === null) return undefined;
  if (!('answer' in row.result)) return undefined;
  // The rows of a study with a password are sealed as text, which knows no typed arrays.
  return key ? fromPlain(row.result.answer) : row.result.answer;
}

/** The answer that was kept under a hash; undefined where there is none. */
export async function keptAnswer<V extends ViewName>(
  place: AnswerPlace & { readonly view: V },
): Promise<ViewAnswers[V] | undefined> {
  try {
    const database = await databaseOf(place.studyId);
    const row = await database?.results.get(stageOf(place.view));
    return database && (answerIn(database, row, place.hash) as ViewAnswers[V] | undefined);
  } catch (error) {
    // It is computed, as it would be without.
    console.warn('A kept answer was not read', error);
    return undefined;
  }
}

interface Coming {
  readonly database: string;
  readonly rows: Map<ViewName, { readonly hash: string; readonly answer: unknown }>;
}
/** Answers that are not written yet, by study. */
const coming = new Map<string, Coming>();
let timer: ReturnType<typeof setTimeout> | undefined;

/**
 * Keeps an answer with its study, once none has come for a while: in place of the view's last one. What cannot be kept is
 * computed again.
 *
 * @param database the name of the study's database when the answer was asked for: one that was written anew since, as where
 *   somebody was withdrawn, keeps nothing of before
 */
export function keepAnswer({ studyId, view, hash }: AnswerPlace, database: string, answer: unknown): void {
  const known = coming.get(studyId);
  const mine = known?.database === database ? known : { database, rows: new Map() };
  coming.set(studyId, mine);
  mine.rows.set(view, { hash, answer });
  clearTimeout(timer);
  timer = setTimeout(() => {
    writeAnswers().catch(console.error);
  }, QUIET);
}

/** Writes the answers that came. */
export async function writeAnswers(): Promise<void> {
  clearTimeout(timer);
  const studies = [...coming];
  coming.clear();
  for (const [id, { database: name, rows }] of studies) {
    try {
      await inLine(id, async () => {
        const database = await databaseOf(id);
        if (database?.name !== name) return;
        const small = [...rows].filter(([, { answer }]) => isSmall(answer));
        await database.results.bulkPut(
          small.map(([view, { hash, answer }]) => ({
            stage: stageOf(view),
            hash,
            result: { answer: database.key ? toPlain(answer) : answer },
          })),
        );
        // What earlier editions kept, as tags of sentences, nobody reads any more.
        const kept = await database.results.toCollection().primaryKeys();
        await database.results.bulkDelete(kept.filter((stage) => !stage.startsWith(ANSWER)));
      });
    } catch (error) {
      // As on a full disk: nothing is lost but time.
      console.warn('Answers were not kept', error);
    }
  }
}
