import {
  everMadeOf,
  originalsBehind,
  registerWithin,
  withoutSources,
  withoutUnsaidNames,
  wordsIn,
} from '@green-thicket/core/study/withdraw';
import type { NotebookEntry } from '@green-thicket/core/study/notebook';
import type { StudySource } from '@green-thicket/core/study/study';
import type { SavedCopy } from './database.ts';
import { writeAnew } from './write-anew.ts';

/** What a withdrawal took out. */
export interface Withdrawn {
  /** Sources, with parts made of them. */
  readonly sources: number;
  readonly excerpts: number;
  /** Files that were saved while the texts were in the study, and hold them still. */
  readonly files: readonly SavedCopy[];
}

/**
 * Takes sources out for good: out of the texts, every decision and the Notebook. The study is written anew, so that nothing
 * of them stays in the browser's files.
 */
export function withdrawSources(id: string, sources: readonly StudySource[]): Promise<Withdrawn> {
  return writeAnew(id, ({ file, saved }) => {
    const gone = everMadeOf(file.log, originalsBehind(sources));
    // A picture or table may hold what they said: a kept view loses it, and is made again as it is then.
    const notebook = (file.notebook ?? [])
      .filter(({ excerpt }) => !excerpt || !gone.has(excerpt.sourceId))
      .map(({ view, on, ...entry }): NotebookEntry => ({
        ...entry,
        ...(view ? { view: { asked: view.asked, address: view.address, seq: view.seq } } : {}),
        ...(on && !(on.kind === 'source' && gone.has(on.key)) ? { on } : {}),
      }));
    const left = new Map([...file.originals].filter(([each]) => !gone.has(each)));
    const firstSeq = file.log.records.find(
      ({ decision }) => decision.kind === 'addSources' && decision.sources.some((each) => gone.has(each.id)),
    )?.seq;
    const said = [...wordsIn(notebook), ...left.values()];
    return {
      file: {
        log: withoutUnsaidNames(withoutSources(file.log, gone), said),
        register: registerWithin(file.register, left.values()),
        originals: left,
        notebook,
      },
      saved: saved.map((copy) => ({ ...copy, outdated: true })),
      answer: {
        sources: gone.size,
        excerpts: (file.notebook?.length ?? 0) - notebook.length,
        files: saved.filter(({ seq }) => firstSeq !== undefined && seq >= firstSeq),
      },
    };
  });
}
