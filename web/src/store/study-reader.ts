import type { DecisionLog } from '@green-thicket/core/study/record';
import { foldOnto, recordsInForce, type FoldedStates } from '@green-thicket/core/study/record';
import type { StudyState } from '@green-thicket/core/study/study';
import type { ThemeIdentity } from '@green-thicket/core/themes/identity';
import { databaseOf, THE_STUDY, type DecisionRow, type SavedCopy, type StudyDatabase } from './database.ts';

/** A study's record with its markers. What is the same as in the reading before is the same object. */
export interface LoadedStudy {
  readonly log: DecisionLog;
  /** What its decisions in force amount to. */
  readonly state: StudyState;
  readonly register: readonly ThemeIdentity[];
  readonly changed: string;
  readonly saved: readonly SavedCopy[];
}

/** Decisions read at a time, so that a long record does not hold the page. */
const READ_AT_ONCE = 250;

/** The decisions of a study after one of them, in their order. */
async function decisionsAfter(database: StudyDatabase, seq: number): Promise<DecisionRow[]> {
  const rows: DecisionRow[] = [];
  for (let from = seq; ;) {
    const next = await database.decisions.where('seq').above(from).limit(READ_AT_ONCE).toArray();
    for (const row of next) rows.push(row);
    if (next.length < READ_AT_ONCE) return rows;
    from = next[next.length - 1].seq;
  }
}

/** Decisions folded at a time. */
const FOLDED_AT_ONCE = 500;

/** The study its decisions amount to; the page answers while a long record is folded for the first time. */
async function foldedInSlices(log: DecisionLog, folded: FoldedStates): Promise<StudyState> {
  if (folded.has(log.head)) return foldOnto(log, folded);
  const line = recordsInForce(log);
  for (let i = FOLDED_AT_ONCE; i < line.length; i += FOLDED_AT_ONCE) {
    const { seq } = line[i];
    if (folded.has(seq)) continue;
    foldOnto({ ...log, head: seq }, folded);
    await new Promise((resolve) => setTimeout(resolve));
  }
  return foldOnto(log, folded);
}

/** What was read, with the parts that are as they were before in place of their copies. */
function keepSame(
  before: Omit<LoadedStudy, 'state'> | undefined,
  now: Omit<LoadedStudy, 'state'>,
): Omit<LoadedStudy, 'state'> {
  if (!before) return now;
  const { log } = before;
  const sameLog = log.records === now.log.records && log.head === now.log.head && log.tip === now.log.tip;
  const sameSaved = JSON.stringify(before.saved) === JSON.stringify(now.saved);
  return { ...now, log: sameLog ? log : now.log, saved: sameSaved ? before.saved : now.saved };
}

/** Whether a record holds a decision; those asked about are the latest nearly always. */
const hasDecision = ({ records }: DecisionLog, seq: number): boolean =>
  records.findLast((record) => record.seq <= seq)?.seq === seq;

const lastSeq = (records: readonly DecisionRow[]): number => records[records.length - 1]?.seq ?? 0;

/**
 * Reads a study again and again: records are only ever added, so each reading brings in those that came since. Only a
 * reason is written later, and the study's row counts those; a study that was written anew is read anew.
 *
 * @returns reads the study as it is, or as it was at one of its decisions; undefined where there is no such study or decision
 */
export function studyReader(id: string): (at?: number) => Promise<LoadedStudy | undefined> {
  let records: readonly DecisionRow[] = [];
  let reasons = 0;
  let from = '';
  let folded: FoldedStates = new Map();
  let last: Omit<LoadedStudy, 'state'> | undefined;
  return async (at) => {
    const database = await databaseOf(id);
    if (!database) return undefined;
    const read = await database.transaction('r', database.study, database.decisions, async () => {
      const study = await database.study.get(THE_STUDY);
      if (!study) return undefined;
      if (from !== database.name) folded = new Map();
      if (from !== database.name || reasons !== (study.reasons ?? 0)) records = [];
      from = database.name;
      reasons = study.reasons ?? 0;
      const later = await decisionsAfter(database, lastSeq(records));
      // Two readings may be under way at once: what the other brought in is not added again.
      const fresh = later.filter(({ seq }) => seq > lastSeq(records));
      if (fresh.length > 0) records = [...records, ...fresh];
      const { head, tip, register, changed, saved = [] } = study;
      last = keepSame(last, { log: { records, head: at ?? head, tip }, register, changed, saved });
      return last;
    });
    if (!read || (at !== undefined && at !== 0 && !hasDecision(read.log, at))) return undefined;
    return { ...read, state: await foldedInSlices(read.log, folded) };
  };
}

const readers = new Map<string, ReturnType<typeof studyReader>>();

/** A study's record with its markers, or undefined where there is no such study. What was read before is not read again. */
export function loadStudy(id: string): Promise<LoadedStudy | undefined> {
  let reader = readers.get(id);
  if (!reader) readers.set(id, (reader = studyReader(id)));
  return reader();
}

/** Lets go of what was read of a study that is deleted. */
export function forgetStudy(id: string): void {
  readers.delete(id);
}
