import { readFileSync } from 'node:fs';
import type { Decision } from '@green-thicket/core/study/decisions';
import type { DecisionLog, DecisionRecord } from '@green-thicket/core/study/record';
import { readSettings } from '@green-thicket/core/study-files/settings-file';
import { reasonOf, UsageError } from './usage-error.ts';

/** The one time the command line writes, so that the same input gives the same study file. */
export const FIXED_TIME = '1980-01-01T00:00:00.000Z';

export const NO_DECISIONS: DecisionLog = { records: [], head: 0, tip: 0 };

/** Adds decisions at the head of a record. */
export function addDecisions(log: DecisionLog, decisions: readonly Decision[]): DecisionLog {
  const records: DecisionRecord[] = [...log.records];
  let head = log.head;
  let seq = records.reduce((most, record) => Math.max(most, record.seq), 0);
  for (const decision of decisions) {
    records.push({ seq: ++seq, parent: head, time: FIXED_TIME, decision });
    head = seq;
  }
  return { records, head, tip: decisions.length > 0 ? head : log.tip };
}

/** The text of a file. */
export function readText(path: string): string {
  try {
    return readFileSync(path, 'utf8').replace(/^\ufeff/, '');
  } catch (error) {
    throw new UsageError(`${path} can’t be read: ${reasonOf(error)}.`);
  }
}

/** The decisions that settings amount to; nothing where none are given. */
export function settingsIn(text: string, file: string): Decision[] {
  if (text === '') return [];
  try {
    return readSettings(text);
  } catch (error) {
    throw new UsageError(`The settings in ${file} can’t be used: ${reasonOf(error)}`);
  }
}
