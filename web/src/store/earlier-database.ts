import { Dexie, type Table, type Transaction } from 'dexie';
import { liftRecords } from '@green-thicket/core/study-files/study-versions';
import type { DecisionRow, NotebookRow, StudyRow } from './database.ts';

/** A row as it was kept while all studies shared one database. */
type OfStudy<Row> = Row & { readonly studyId: string };

/** The one database of earlier versions, lifted to the last form it had. */
export class EarlierDatabase extends Dexie {
  studies!: Table<StudyRow & { readonly id: string }, string>;
  decisions!: Table<OfStudy<DecisionRow>, [string, number]>;
  originals!: Table<OfStudy<{ readonly id: string; readonly text: string }>, [string, string]>;
  notebook!: Table<OfStudy<NotebookRow>, [string, string]>;

  constructor() {
    super(EARLIER_NAME);
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
    this.version(5)
      .stores({})
      .upgrade((upgrade) => upgrade.table('results').clear());
  }
}

export const EARLIER_NAME = 'green-thicket';

/** Brings the records of every study from a version to the present one. */
async function liftAll(upgrade: Transaction, version: number): Promise<void> {
  const decisions = upgrade.table<OfStudy<DecisionRow>, [string, number]>('decisions');
  const rows = await decisions.orderBy('[studyId+seq]').toArray();
  for (const studyId of new Set(rows.map((row) => row.studyId))) {
    const own = rows.filter((row) => row.studyId === studyId);
    await decisions.bulkPut(liftRecords(own, version) as OfStudy<DecisionRow>[]);
  }
}
