import { decide, touchesLists, type Decision } from './decisions.ts';
import { looseLists } from './decisions/word-lists.ts';
import { EMPTY_STUDY, type StudyState } from './study.ts';

/** A decision in the record. Records form a tree: undo moves the head to the parent, nothing is ever taken out. */
export interface DecisionRecord {
  /** From 1, in the order they were made. */
  readonly seq: number;
  /** The record this one was made on; 0 for the empty study. */
  readonly parent: number;
  /** ISO 8601, UTC. */
  readonly time: string;
  readonly decision: Decision;
  readonly reason?: string;
}

/** A study's record of decisions with its markers. */
export interface DecisionLog {
  readonly records: readonly DecisionRecord[];
  /** The record in force; 0 for none. */
  readonly head: number;
  /** The end of the line that redo follows. */
  readonly tip: number;
}

/** Fewer decisions than this are made one after the other: taking the lists up costs more. */
const FEW = 20;

/** The state after many more decisions: what `decide` gives decision by decision, in time of what each changes. */
export function decideAll(state: StudyState, decisions: readonly Decision[]): StudyState {
  if (decisions.length < FEW) return decisions.reduce(decide, state);
  let now = state;
  let lists = looseLists(now);
  for (const decision of decisions) {
    if (lists.apply(decision)) continue;
    if (touchesLists(decision)) {
      // It adds to the lists, so they are made before and taken up anew after it.
      now = decide(lists.into(now), decision);
      lists = looseLists(now);
    } else now = decide(now, decision);
  }
  return lists.into(now);
}

/** The records in force, first to last: from the head back to the empty study. */
export function recordsInForce(log: DecisionLog): DecisionRecord[] {
  const bySeq = new Map(log.records.map((record) => [record.seq, record]));
  const line: DecisionRecord[] = [];
  for (let record = bySeq.get(log.head); record; record = bySeq.get(record.parent)) line.push(record);
  return line.reverse();
}

/** The study its decisions amount to. */
export function foldDecisions(log: DecisionLog): StudyState {
  return decideAll(
    EMPTY_STUDY,
    recordsInForce(log).map(({ decision }) => decision),
  );
}

/** States that were folded before, by the sequence number of their last decision; the latest used stands last. */
export type FoldedStates = Map<number, StudyState>;

/** How many states are held: so many steps back and forth cost nothing. */
const HELD_STATES = 200;

/**
 * The study its decisions amount to, from the nearest state that was folded before. The same decisions give the same
 * object, so that whatever is known of it stays known.
 *
 * @param folded states of the same log; the one returned is added
 */
export function foldOnto(log: DecisionLog, folded: FoldedStates): StudyState {
  const known = folded.get(log.head);
  if (known) {
    folded.delete(log.head);
    folded.set(log.head, known);
    return known;
  }
  const line = recordsInForce(log);
  let from = line.length;
  while (from > 0 && !folded.has(line[from - 1].seq)) from--;
  const nearest = from === 0 ? EMPTY_STUDY : (folded.get(line[from - 1].seq) ?? EMPTY_STUDY);
  const state = decideAll(
    nearest,
    line.slice(from).map(({ decision }) => decision),
  );
  folded.delete(log.head);
  folded.set(log.head, state);
  for (const oldest of folded.keys()) {
    if (folded.size <= HELD_STATES) break;
    folded.delete(oldest);
  }
  return state;
}

/** The head after one undo; the same where there is nothing to undo. */
export function undone(log: DecisionLog): number {
  return log.records.find((record) => record.seq === log.head)?.parent ?? 0;
}

/** The head after one redo; the same where there is nothing to redo. */
export function redone(log: DecisionLog): number {
  const parentOf = new Map(log.records.map((record) => [record.seq, record.parent]));
  let at = log.tip;
  while (at !== 0 && parentOf.get(at) !== log.head) at = parentOf.get(at) ?? 0;
  return at === 0 ? log.head : at;
}
