import type { Decision } from '@green-thicket/core/study/decisions';
import {
  foldDecisions,
  foldOnto,
  recordsInForce,
  redone,
  undone,
  type DecisionLog,
  type FoldedStates,
} from '@green-thicket/core/study/record';
import type { AttributeType } from '@green-thicket/core/study/attributes';
import type { AddedSource } from '@green-thicket/core/study/intake';
import type { StudySource, StudyState } from '@green-thicket/core/study/study';
import {
  everMadeOf,
  originalsBehind,
  registerWithin,
  withoutSources,
} from '@green-thicket/core/study/withdraw';
import type { StudyFile } from '@green-thicket/core/formats/study-file';
import { joinRegisters, type ThemeIdentity } from '@green-thicket/core/themes/identity';
import { checkDecision } from './check.ts';
import {
  catalogue,
  databaseName,
  databaseNamed,
  databaseOf,
  deleteDatabase,
  THE_STUDY,
  type DecisionRow,
  type SavedCopy,
  type StudyDatabase,
  type StudyRow,
} from './database.ts';
import { inLine } from './in-line.ts';
import { GONE, kept, StoreError } from './store-error.ts';
import { sweepDeleted } from './sweep.ts';
import { keepOriginals, putOriginals, readOriginals, removeOriginals } from './texts.ts';

export { StoreError } from './store-error.ts';

const now = (): string => new Date().toISOString();

/** A study's record with its markers. */
export interface LoadedStudy {
  readonly log: DecisionLog;
  /** What its decisions in force amount to; the same object for the same decisions. */
  readonly state: StudyState;
  readonly register: readonly ThemeIdentity[];
  readonly changed: string;
  readonly saved: readonly SavedCopy[];
}

/** The database of a study; throws where there is no such study. */
async function theDatabase(id: string): Promise<StudyDatabase> {
  const database = await databaseOf(id);
  if (!database) throw new StoreError(GONE);
  return database;
}

/** Decisions read at a time, so that a long record does not hold the page. */
const READ_AT_ONCE = 500;

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
const FOLDED_AT_ONCE = 1000;

/** The study its decisions amount to; the page answers while a long record is folded for the first time. */
async function foldedInSlices(log: DecisionLog, folded: FoldedStates): Promise<StudyState> {
  const line = recordsInForce(log);
  for (let i = FOLDED_AT_ONCE; i < line.length; i += FOLDED_AT_ONCE) {
    const { seq } = line[i];
    if (folded.size > 0 && folded.has(line[line.length - 1].seq)) break;
    if (folded.has(seq)) continue;
    foldOnto({ ...log, head: seq }, folded);
    await new Promise((resolve) => setTimeout(resolve));
  }
  return foldOnto(log, folded);
}

const lastSeq = (records: readonly DecisionRow[]): number => records[records.length - 1]?.seq ?? 0;

/**
 * Reads a study again and again: records are only ever added, so each reading brings in those that came since. Only a
 * reason is written later, and the study's row counts those; a study that was written anew is read anew.
 *
 * @returns reads the study as it is, or undefined where there is no such study
 */
export function studyReader(id: string): () => Promise<LoadedStudy | undefined> {
  let records: readonly DecisionRow[] = [];
  let reasons = 0;
  let from = '';
  let folded: FoldedStates = new Map();
  return async () => {
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
      return { log: { records, head, tip }, register, changed, saved };
    });
    return read && { ...read, state: await foldedInSlices(read.log, folded) };
  };
}

const readers = new Map<string, ReturnType<typeof studyReader>>();

/** A study's record with its markers, or undefined where there is no such study. What was read before is not read again. */
export function loadStudy(id: string): Promise<LoadedStudy | undefined> {
  let reader = readers.get(id);
  if (!reader) readers.set(id, (reader = studyReader(id)));
  return reader();
}

/** A study as the first page lists it. */
export interface ListedStudy {
  readonly id: string;
  readonly title: string;
  readonly changed: string;
}

/** The studies that are here, the one changed last first. */
export async function listStudies(): Promise<ListedStudy[]> {
  const listed: ListedStudy[] = [];
  for (const { id, database } of await catalogue.studies.toArray()) {
    const row = await databaseNamed(database).study.get(THE_STUDY);
    if (row) listed.push({ id, title: row.title, changed: row.changed });
  }
  return listed.sort((a, b) => (a.changed < b.changed ? 1 : a.changed > b.changed ? -1 : 0));
}

/** Makes an empty study and returns its id. */
export async function createStudy(title: string): Promise<string> {
  const id = await putStudy({
    log: { records: [], head: 0, tip: 0 },
    register: [],
    originals: new Map(),
  });
  await makeDecision(id, { kind: 'renameStudy', title });
  return id;
}

/** Fills a new database with a study. Whatever fails, nothing of it stays. */
async function fillDatabase(name: string, file: StudyFile, row: Partial<StudyRow> = {}): Promise<void> {
  const database = databaseNamed(name);
  const { log, register, originals, notebook = [] } = file;
  try {
    await putOriginals(database, originals);
    await database.transaction('rw', database.study, database.decisions, database.notebook, async () => {
      await database.decisions.bulkAdd(log.records);
      await database.notebook.bulkPut([...notebook]);
      await database.study.add({
        key: THE_STUDY,
        title: foldDecisions(log).title,
        head: log.head,
        tip: log.tip,
        register,
        changed: now(),
        ...row,
      });
    });
  } catch (error) {
    await deleteDatabase(name);
    throw error;
  }
}

async function putStudy(file: StudyFile): Promise<string> {
  const id = crypto.randomUUID();
  const database = databaseName(id, 1);
  await kept(async () => {
    await fillDatabase(database, file);
    await catalogue.studies.add({ id, database });
  });
  return id;
}

/** Keeps an opened study file as a study of its own. */
export const importStudy = (file: StudyFile): Promise<string> => putStudy(file);

/** Everything of a study, for its file. */
export async function exportStudy(id: string): Promise<StudyFile> {
  const database = await theDatabase(id);
  const study = await loadStudy(id);
  if (!study) throw new StoreError(GONE);
  // An original that was kept and never recorded, as after a crash, is no part of the study.
  const recorded = [...everAdded(study.log)];
  return {
    log: study.log,
    register: study.register,
    originals: await readOriginals(database, recorded),
    notebook: await database.notebook.orderBy('time').toArray(),
  };
}

/** Has the browser's files written anew after something was deleted; without a browser, as in tests, there are none. */
async function swept(what: string): Promise<void> {
  if (!('document' in globalThis)) return;
  try {
    await sweepDeleted();
  } catch (error) {
    throw new StoreError(
      `${what}, but this browser’s files could not be written anew, so traces may stay in them until it tidies up by itself. Free some disk space and delete something again to clear them.`,
      { cause: error },
    );
  }
}

/** Deletes a study for good: its database goes from the browser's files. */
export async function deleteStudy(id: string): Promise<void> {
  await kept(async () => {
    const row = await catalogue.studies.get(id);
    if (!row) return;
    await catalogue.studies.delete(id);
    readers.delete(id);
    await deleteDatabase(row.database);
  });
  await swept('The study is deleted');
}

async function appendDecision(database: StudyDatabase, decision: Decision): Promise<void> {
  const study = await database.study.get(THE_STUDY);
  if (!study) throw new StoreError(GONE);
  const last = await database.decisions.orderBy('seq').lastKey();
  const row: DecisionRow = {
    seq: (typeof last === 'number' ? last : 0) + 1,
    parent: study.head,
    time: now(),
    decision,
  };
  await database.decisions.add(row);
  // No other kind of decision changes the title, so a long record need not be read and folded for it.
  const title = decision.kind === 'renameStudy' ? decision.title : study.title;
  await database.study.update(THE_STUDY, { head: row.seq, tip: row.seq, title, changed: row.time });
}

/** Records a decision on top of the one in force, once it is known that a study file can hold it. */
export function makeDecision(id: string, decision: Decision): Promise<void> {
  return inLine(id, () =>
    kept(async () => {
      await checkDecision(decision);
      const database = await theDatabase(id);
      await database.transaction('rw', database.study, database.decisions, () =>
        appendDecision(database, decision),
      );
    }),
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

/** Lets go of originals that were never recorded as added: of some sources, or of all. */
export async function dropOriginals(id: string, sources?: readonly StudySource[]): Promise<void> {
  const database = await theDatabase(id);
  const study = await loadStudy(id);
  const recorded = study ? everAdded(study.log) : new Set<string>();
  const ids = sources?.map((source) => source.id) ?? (await database.originals.toCollection().primaryKeys());
  const loose = ids.filter((each) => !recorded.has(each));
  if (loose.length > 0) await removeOriginals(database, new Set(loose));
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

function moveHead(id: string, to: (log: DecisionLog) => number): Promise<void> {
  return inLine(id, () =>
    kept(async () => {
      const database = await theDatabase(id);
      const study = await loadStudy(id);
      if (!study) return;
      const head = to(study.log);
      const title = titleAt({ ...study.log, head });
      await database.study.update(THE_STUDY, { head, title, changed: now() });
    }),
  );
}

/** The title a record gives a study at its head. */
function titleAt(log: DecisionLog): string {
  for (const { decision } of recordsInForce(log).reverse()) {
    if (decision.kind === 'renameStudy') return decision.title;
  }
  return foldDecisions({ records: [], head: 0, tip: 0 }).title;
}

/** Goes to any decision of the record; the line that redo follows stays where it is. */
export const goToDecision = (id: string, seq: number): Promise<void> => moveHead(id, () => seq);

/** Gives a decision a word of reason, or takes it away where that is empty. */
export async function giveReason(id: string, seq: number, reason: string): Promise<void> {
  await kept(async () => {
    const database = await theDatabase(id);
    await database.transaction('rw', database.study, database.decisions, async () => {
      await database.decisions
        .where('seq')
        .equals(seq)
        .modify((row) => {
          if (reason === '') delete row.reason;
          else row.reason = reason;
        });
      await database.study
        .where('key')
        .equals(THE_STUDY)
        .modify((row) => {
          row.reasons = (row.reasons ?? 0) + 1;
        });
    });
  });
}

export const undo = (id: string): Promise<void> => moveHead(id, undone);
export const redo = (id: string): Promise<void> => moveHead(id, redone);

/** Keeps the letters of the themes that are shown. */
export async function keepRegister(id: string, shown: readonly ThemeIdentity[]): Promise<void> {
  const database = await theDatabase(id);
  await database.transaction('rw', database.study, async () => {
    const study = await database.study.get(THE_STUDY);
    if (!study) return;
    const joined = joinRegisters(shown, study.register);
    if (JSON.stringify(joined) !== JSON.stringify(study.register)) {
      await database.study.update(THE_STUDY, { register: joined });
    }
  });
}

/** Notes that a study was saved to a file, with all decisions up to one. */
export async function noteSaved(id: string, copy: SavedCopy): Promise<void> {
  await kept(async () => {
    const database = await theDatabase(id);
    await database.transaction('rw', database.study, async () => {
      const study = await database.study.get(THE_STUDY);
      // A file written again each day is one copy, its last state counts.
      const others = (study?.saved ?? []).filter(({ name }) => name !== copy.name);
      await database.study.update(THE_STUDY, { saved: [...others, copy] });
    });
  });
}

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
        { reasons: row?.reasons ?? 0, saved: row?.saved ?? [] },
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
