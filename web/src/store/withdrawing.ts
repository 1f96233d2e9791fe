import {
  everMadeOf,
  originalsBehind,
  registerWithin,
  withoutSources,
} from '@green-thicket/core/study/withdraw';
import type { StudySource } from '@green-thicket/core/study/study';
import {
  catalogue,
  databaseName,
  deleteDatabase,
  theDatabase,
  THE_STUDY,
  type SavedCopy,
} from './database.ts';
import { inLine } from './in-line.ts';
import { kept } from './store-error.ts';
import { exportStudy, fillDatabase, swept } from './studies.ts';

/** What a withdrawal took out. */
export interface Withdrawn {
  /** Sources, with parts made of them. */
  readonly sources: number;
  readonly excerpts: number;
  /** Files that were saved while the texts were in the study, and hold them still. */
  readonly files: readonly SavedCopy[];
}

/**
 * Takes sources out for good: out of the texts, every decision and the Notebook. The study is written anew into another
 * database and the one before is deleted, so that nothing of them stays in the browser's files.
 */
export function withdrawSources(id: string, sources: readonly StudySource[]): Promise<Withdrawn> {
  return inLine(id, () =>
    kept(async () => {
      const before = await theDatabase(id);
      const row = await before.study.get(THE_STUDY);
      const file = await exportStudy(id);
      const originals = originalsBehind(sources);
      const gone = everMadeOf(file.log, originals);
      const notebook = (file.notebook ?? []).filter(({ excerpt }) => !excerpt || !gone.has(excerpt.sourceId));
      const left = new Map([...file.originals].filter(([each]) => !gone.has(each)));
      const generation = Number(/\d+$/.exec(before.name)?.[0] ?? 1) + 1;
      const name = databaseName(id, generation);
      await fillDatabase(
        name,
        {
          log: withoutSources(file.log, gone),
          register: registerWithin(file.register, left.values()),
          originals: left,
          notebook,
        },
        {
          reasons: row?.reasons ?? 0,
          saved: (row?.saved ?? []).map((copy) => ({ ...copy, outdated: true })),
        },
      );
      await catalogue.studies.update(id, { database: name });
      await deleteDatabase(before.name);
      await swept('They are withdrawn');
      const firstSeq = file.log.records.find(
        ({ decision }) =>
          decision.kind === 'addSources' && decision.sources.some((each) => gone.has(each.id)),
      )?.seq;
      return {
        sources: gone.size,
        excerpts: (file.notebook?.length ?? 0) - notebook.length,
        files: (row?.saved ?? []).filter(({ seq }) => firstSeq !== undefined && seq >= firstSeq),
      };
    }),
  );
}
