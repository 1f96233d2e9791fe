import type { Decision, DecisionLog } from '@green-thicket/core/study/decisions';
import {
  foldDecisions,
  foldOnto,
  redone,
  undone,
  type FoldedStates,
} from '@green-thicket/core/study/decisions';
import type { AddedSource } from '@green-thicket/core/study/intake';
import type { AttributeType } from '@green-thicket/core/study/attributes';
import type { StudySource, StudyState } from '@green-thicket/core/study/study';
import type { StudyFile } from '@green-thicket/core/formats/study-file';
import { joinRegisters, type ThemeIdentity } from '@green-thicket/core/themes/identity';
import type { NotebookEntry } from '@green-thicket/core/study/notebook';
import { database, type DecisionRow, type NotebookRow, type StudyRow } from './database.ts';

const now = (): string => new Date().toISOString();

/** Why something could not be kept, as a sentence for the researcher. */
export class StoreError extends Error {
  override readonly name = 'StoreError';
}

/** Runs a write; a full disk or a browser that keeps nothing becomes a clear sentence. */
async function kept<T>(write: () => Promise<T>): Promise<T> {
  try {
    return await write();
  } catch (error) {
    const name = error instanceof Error ? `${error.name} ${error.message}` : String(error);
    if (/Quota/i.test(name)) {
      throw new StoreError(
        'This browser has no more room for the study. Nothing was changed. Free disk space or remove a study you no longer need, then try again.',
        { cause: error },
      );
    }
    throw new StoreError(`The change could not be kept in this browser (${name}). Nothing was changed.`, {
      cause: error,
    });
  }
}

/** A study's record with its markers. */
export interface LoadedStudy {
  readonly log: DecisionLog;
  /** What its decisions in force amount to; the same object for the same decisions. */
  readonly state: StudyState;
  readonly register: readonly ThemeIdentity[];
  readonly changed: string;
}

/** The decisions of a study after one of them, in their order. */
const decisionsAfter = (id: string, seq: number): Promise<DecisionRow[]> =>
  database.decisions.where('[studyId+seq]').between([id, seq], [id, Infinity], false).toArray();

const lastSeq = (records: readonly DecisionRow[]): number => records[records.length - 1]?.seq ?? 0;

/**
 * Reads a study again and again: records are only ever added, so each reading brings in those that came since. Only a
 * reason is written later, and the study's row counts those.
 *
 * @returns reads the study as it is, or undefined where there is no such study
 */
export function studyReader(id: string): () => Promise<LoadedStudy | undefined> {
  let records: readonly DecisionRow[] = [];
  let reasons = 0;
  const folded: FoldedStates = new Map();
  return () =>
    database.transaction('r', database.studies, database.decisions, async () => {
      const study = await database.studies.get(id);
      if (!study) return undefined;
      if (reasons !== (study.reasons ?? 0)) records = [];
      reasons = study.reasons ?? 0;
      const later = await decisionsAfter(id, lastSeq(records));
      // Two readings may be under way at once: what the other brought in is not added again.
      const fresh = later.filter(({ seq }) => seq > lastSeq(records));
      if (fresh.length > 0) records = [...records, ...fresh];
      const { head, tip, register, changed } = study;
      const log = { records, head, tip };
      return { log, state: foldOnto(log, folded), register, changed };
    });
}

/** A study's record with its markers, or undefined where there is no such study. */
export const loadStudy = (id: string): Promise<LoadedStudy | undefined> => studyReader(id)();

async function readLog({ id, head, tip }: StudyRow): Promise<DecisionLog> {
  return { records: await decisionsAfter(id, 0), head, tip };
}

export function listStudies(): Promise<StudyRow[]> {
  return database.studies.orderBy('changed').reverse().toArray();
}

/** Makes an empty study and returns its id. */
export async function createStudy(title: string): Promise<string> {
  const id = crypto.randomUUID();
  await kept(() => putStudy(id, { records: [], head: 0, tip: 0 }, [], new Map()));
  await makeDecision(id, { kind: 'renameStudy', title });
  return id;
}

async function putStudy(
  id: string,
  log: DecisionLog,
  register: readonly ThemeIdentity[],
  originals: ReadonlyMap<string, string>,
): Promise<void> {
  await database.transaction('rw', database.studies, database.decisions, database.originals, async () => {
    await database.studies.add({
      id,
      title: foldDecisions(log).title,
      head: log.head,
      tip: log.tip,
      register,
      changed: now(),
    });
    await database.decisions.bulkAdd(log.records.map((record) => ({ ...record, studyId: id })));
    await database.originals.bulkAdd(
      Array.from(originals, ([sourceId, text]) => ({ studyId: id, id: sourceId, text })),
    );
  });
}

/** Keeps an opened study file as a study of its own. */
export async function importStudy(file: StudyFile): Promise<string> {
  const id = crypto.randomUUID();
  await kept(() => putStudy(id, file.log, file.register, file.originals));
  await kept(() =>
    database.notebook.bulkPut((file.notebook ?? []).map((entry) => ({ ...entry, studyId: id }))),
  );
  return id;
}

/** Everything of a study, for its file. */
export async function exportStudy(id: string): Promise<StudyFile> {
  const study = await loadStudy(id);
  if (!study) throw new StoreError('This study is no longer in this browser.');
  const rows = await database.originals.where('studyId').equals(id).toArray();
  const records = study.log.records.map(({ seq, parent, time, decision, reason }) =>
    reason === undefined ? { seq, parent, time, decision } : { seq, parent, time, decision, reason },
  );
  // An original that was kept and never recorded, as after a crash, is no part of the study.
  const recorded = everAdded(study.log);
  return {
    log: { ...study.log, records },
    register: study.register,
    originals: new Map(rows.filter((row) => recorded.has(row.id)).map((row) => [row.id, row.text])),
    notebook: (await listEntries(id)).map(({ studyId: _study, ...entry }) => entry),
  };
}

export async function deleteStudy(id: string): Promise<void> {
  await kept(() =>
    database.transaction('rw', database.tables, async () => {
      await database.results.where('studyId').equals(id).delete();
      await database.notebook.where('studyId').equals(id).delete();
      await database.studies.delete(id);
      await database.decisions.where('studyId').equals(id).delete();
      await database.originals.where('studyId').equals(id).delete();
    }),
  );
}

async function appendDecision(id: string, decision: Decision): Promise<void> {
  const study = await database.studies.get(id);
  if (!study) throw new StoreError('This study is no longer in this browser.');
  const [last] = await database.decisions
    .where('[studyId+seq]')
    .between([id, 0], [id, Infinity])
    .reverse()
    .limit(1)
    .primaryKeys();
  const row: DecisionRow = {
    studyId: id,
    seq: (last?.[1] ?? 0) + 1,
    parent: study.head,
    time: now(),
    decision,
  };
  await database.decisions.add(row);
  // No other kind of decision changes the title, so a long record need not be read and folded for it.
  const title = decision.kind === 'renameStudy' ? decision.title : study.title;
  await database.studies.update(id, { head: row.seq, tip: row.seq, title, changed: row.time });
}

/** Records a decision on top of the one in force. */
export function makeDecision(id: string, decision: Decision): Promise<void> {
  return kept(() =>
    database.transaction('rw', database.studies, database.decisions, () => appendDecision(id, decision)),
  );
}

/** Keeps originals before they are recorded as added; until they are, they belong to no source. */
export async function keepOriginals(id: string, added: readonly AddedSource[]): Promise<void> {
  if (added.length === 0) return;
  await kept(() =>
    database.originals.bulkPut(added.map(({ source, text }) => ({ studyId: id, id: source.id, text }))),
  );
}

/** Ids of all sources that were ever added to a study: undone decisions still need their originals. */
function everAdded(log: DecisionLog): Set<string> {
  return new Set(
    log.records.flatMap(({ decision }) =>
      decision.kind === 'addSources' ? decision.sources.map((source) => source.id) : [],
    ),
  );
}

/** Lets go of originals that were never recorded as added. */
export async function dropOriginals(id: string, sources: readonly StudySource[]): Promise<void> {
  const study = await loadStudy(id);
  const recorded = study ? everAdded(study.log) : new Set<string>();
  const loose = sources.filter((source) => !recorded.has(source.id));
  await database.originals.bulkDelete(loose.map((source): [string, string] => [id, source.id]));
}

export interface AddedNotes {
  readonly note?: string;
  readonly types?: Readonly<Record<string, AttributeType>>;
}

/** Records sources whose originals are kept already; where that fails, the originals go again. */
export async function recordSources(
  id: string,
  sources: readonly StudySource[],
  { note, types }: AddedNotes = {},
): Promise<void> {
  if (sources.length === 0) return;
  try {
    await makeDecision(id, {
      kind: 'addSources',
      sources,
      ...(note ? { note } : {}),
      ...(types && Object.keys(types).length > 0 ? { types } : {}),
    });
  } catch (error) {
    await dropOriginals(id, sources);
    throw error;
  }
}

/** Keeps the originals that came in and records them as added, both or neither. */
export async function addSources(
  id: string,
  added: readonly AddedSource[],
  notes: AddedNotes = {},
): Promise<void> {
  await keepOriginals(id, added);
  await recordSources(
    id,
    added.map(({ source }) => source),
    notes,
  );
}

async function moveHead(id: string, to: (log: DecisionLog) => number): Promise<void> {
  await kept(() =>
    database.transaction('rw', database.studies, database.decisions, async () => {
      const study = await database.studies.get(id);
      if (!study) return;
      const log = await readLog(study);
      const head = to(log);
      const { title } = foldDecisions({ ...log, head });
      await database.studies.update(id, { head, title, changed: now() });
    }),
  );
}

/** Goes to any decision of the record; the line that redo follows stays where it is. */
export const goToDecision = (id: string, seq: number): Promise<void> => moveHead(id, () => seq);

/** Gives a decision a word of reason, or takes it away where that is empty. */
export async function giveReason(id: string, seq: number, reason: string): Promise<void> {
  await kept(() =>
    database.transaction('rw', database.studies, database.decisions, async () => {
      await database.decisions
        .where('[studyId+seq]')
        .equals([id, seq])
        .modify((row) => {
          if (reason === '') delete row.reason;
          else row.reason = reason;
        });
      await database.studies
        .where('id')
        .equals(id)
        .modify((row) => {
          row.reasons = (row.reasons ?? 0) + 1;
        });
    }),
  );
}

/** The excerpts and memos of a study, the first kept first. */
export const listEntries = (id: string): Promise<NotebookRow[]> =>
  database.notebook.where('studyId').equals(id).sortBy('time');

/** Keeps an excerpt or a memo; it stands beside the decisions, and undo does not touch it. */
export async function keepEntry(id: string, entry: Omit<NotebookEntry, 'id' | 'time'>): Promise<void> {
  await kept(() => database.notebook.add({ ...entry, id: crypto.randomUUID(), time: now(), studyId: id }));
}

export async function changeEntry(
  id: string,
  entryId: string,
  change: Partial<Pick<NotebookEntry, 'note' | 'tags'>>,
): Promise<void> {
  await kept(() => database.notebook.update([id, entryId], change));
}

/** Takes an entry out, and returns it, so that it can be put back. */
export async function removeEntry(id: string, entryId: string): Promise<NotebookRow | undefined> {
  const entry = await database.notebook.get([id, entryId]);
  await kept(() => database.notebook.delete([id, entryId]));
  return entry;
}

export const putEntryBack = (entry: NotebookRow): Promise<unknown> =>
  kept(() => database.notebook.put(entry));

export const undo = (id: string): Promise<void> => moveHead(id, undone);
export const redo = (id: string): Promise<void> => moveHead(id, redone);

/** Keeps the letters of the themes that are shown. */
export async function keepRegister(id: string, shown: readonly ThemeIdentity[]): Promise<void> {
  await database.transaction('rw', database.studies, async () => {
    const study = await database.studies.get(id);
    if (!study) return;
    const joined = joinRegisters(shown, study.register);
    if (JSON.stringify(joined) !== JSON.stringify(study.register)) {
      await database.studies.update(id, { register: joined });
    }
  });
}
