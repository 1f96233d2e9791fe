import type { Decision } from './decisions.ts';
import { recordsInForce, type DecisionLog, type DecisionRecord } from './record.ts';

/** Two records of decisions about the same texts laid side by side. */
export interface TwoRecords {
  /** Decisions that both hold. */
  readonly shared: number;
  /** What one decided and the other did not, in its order. */
  readonly onlyHere: readonly DecisionRecord[];
  readonly onlyThere: readonly DecisionRecord[];
}

const sameWhenEqual = ({ decision }: DecisionRecord): string => JSON.stringify(decision);

/** What of one record is not in the other; a decision made twice is there twice. */
function without(records: readonly DecisionRecord[], others: readonly DecisionRecord[]): DecisionRecord[] {
  const counts = new Map<string, number>();
  for (const record of others) {
    const key = sameWhenEqual(record);
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  return records.filter((record) => {
    const key = sameWhenEqual(record);
    const left = counts.get(key) ?? 0;
    counts.set(key, left - 1);
    return left <= 0;
  });
}

/** Which decisions in force two records share, and which only one of them holds. */
export function twoRecords(here: DecisionLog, there: DecisionLog): TwoRecords {
  const [own, other] = [recordsInForce(here), recordsInForce(there)];
  const onlyHere = without(own, other);
  return { shared: own.length - onlyHere.length, onlyHere, onlyThere: without(other, own) };
}

/** Decisions that bring texts or cut them up, which the other study's texts would be needed for; and its title. */
const NOT_TAKEN: ReadonlySet<Decision['kind']> = new Set([
  'addSources',
  'splitSources',
  'removeSources',
  'renameStudy',
]);

/** Whether a decision of another study can be taken over into this one. */
export const canBeTakenOver = ({ kind }: Decision): boolean => !NOT_TAKEN.has(kind);
