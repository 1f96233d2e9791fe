import { Dexie, type EntityTable, type Table, type Transaction } from 'dexie';
import type { DecisionRecord } from '@green-thicket/core/study/decisions';
import { liftRecords } from '@green-thicket/core/formats/study-versions';
import type { NotebookEntry } from '@green-thicket/core/study/notebook';
import type { ThemeIdentity } from '@green-thicket/core/themes/identity';

/** A study's row: its markers and letters; its decisions and originals are kept in their own tables. */
export interface StudyRow {
  readonly id: string;
  /** Title as of the head, for the list on the first page. */
  title: string;
  head: number;
  tip: number;
  register: readonly ThemeIdentity[];
  /** How often the reason of a decision was written; none yet where it is missing. */
  reasons?: number;
  /** ISO 8601, UTC. */
  changed: string;
}

export interface DecisionRow extends Omit<DecisionRecord, 'reason'> {
  readonly studyId: string;
  /** The one part of a record that may be written later. */
  reason?: string;
}

export interface OriginalRow {
  readonly studyId: string;
  readonly id: string;
  readonly text: string;
}

export interface NotebookRow extends NotebookEntry {
  readonly studyId: string;
}

/** A large result that is kept over sessions; safe to drop. */
export interface ResultRow {
  readonly studyId: string;
  readonly stage: string;
  /** Hash of all it was computed from, and how. */
  readonly hash: string;
  readonly result: unknown;
}

class ThicketDatabase extends Dexie {
  studies!: EntityTable<StudyRow, 'id'>;
  decisions!: Table<DecisionRow, [string, number]>;
  originals!: Table<OriginalRow, [string, string]>;
  notebook!: Table<NotebookRow, [string, string]>;
  results!: Table<ResultRow, [string, string]>;

  constructor() {
    super('green-thicket');
    this.version(1).stores({
      studies: 'id, changed',
      decisions: '[studyId+seq], studyId',
      originals: '[studyId+id], studyId',
    });
    // Version 2 of a study's record: what was decided before is lifted, study by study.
    this.version(2)
      .stores({})
      .upgrade((upgrade) => liftAll(upgrade, 1));
    this.version(3).stores({ notebook: '[studyId+id], studyId' });
    // Version 3 of a study's record: recipes that were used are lifted.
    this.version(4)
      .stores({ results: '[studyId+stage], studyId' })
      .upgrade((upgrade) => liftAll(upgrade, 2));
    // Parts of speech are kept by source and no longer by study; those kept before are of no more use.
    this.version(5)
      .stores({})
      .upgrade((upgrade) => upgrade.table('results').clear());
  }
}

/** Brings the records of every study from a version to the present one. */
async function liftAll(upgrade: Transaction, version: number): Promise<void> {
  const decisions = upgrade.table<DecisionRow, [string, number]>('decisions');
  const rows = await decisions.orderBy('[studyId+seq]').toArray();
  for (const studyId of new Set(rows.map((row) => row.studyId))) {
    const own = rows.filter((row) => row.studyId === studyId);
    await decisions.bulkPut(liftRecords(own, version) as DecisionRow[]);
  }
}

export const database = new ThicketDatabase();
