import type { AttributeType } from '@green-thicket/core/study/attributes';
import type { Decision } from '@green-thicket/core/study/decisions';
import type { AddedSource } from '@green-thicket/core/intake/sources';
import {
  foldDecisions,
  recordsInForce,
  redone,
  undone,
  type DecisionLog,
} from '@green-thicket/core/study/record';
import type { StudySource } from '@green-thicket/core/study/study';
import type { StudyFile } from '@green-thicket/core/study-files/study-file';
import { joinRegisters, type ThemeIdentity } from '@green-thicket/core/themes/identity';
import { checkDecision } from './check.ts';
import {
  catalogue,
  databaseName,
  databaseNamed,
  isLocked,
  databaseOf,
  theDatabase,
  THE_STUDY,
  type DecisionRow,
  type SavedCopy,
  type StudyDatabase,
  type StudyFigures,
} from './database.ts';
import { erase } from './erasing.ts';
import { inLine } from './in-line.ts';
import { newLock } from './keys.ts';
import { putInPlace } from './replacing.ts';
import { GONE, kept, StoreError } from './store-error.ts';
import { forgetStudy, loadStudy } from './study-reader.ts';
import { keepOriginals, readOriginals, removeOriginals } from './texts.ts';

export { StoreError } from './store-error.ts';

/** What a study is called while it is locked, where nobody said otherwise. */
export const SHOWN_AS = 'A study with a password';

const now = (): string => new Date().toISOString();

/** A study as the first page lists it. */
export interface ListedStudy {
  readonly id: string;
  /** Its title, or what is shown for it while it is locked. */
  readonly title: string;
  /** Undefined while it is locked. */
  readonly changed?: string;
  /** As they last were; none where it is locked, or was never computed. */
  readonly figures?: StudyFigures;
}

/** The studies that are here, the one changed last first; those that wait for their passwords last. */
export async function listStudies(): Promise<ListedStudy[]> {
  const listed: ListedStudy[] = [];
  for (const study of await catalogue.studies.toArray()) {
    const { id, database, lock } = study;
    if (lock && isLocked(study)) {
      listed.push({ id, title: lock.shownAs });
      continue;
    }
    const row = await databaseNamed(database).study.get(THE_STUDY);
    if (row) listed.push({ id, title: row.title, changed: row.changed, figures: row.figures });
  }
  const when = ({ changed = '' }: ListedStudy): string => changed;
  return listed.sort((a, b) => (when(a) < when(b) ? 1 : when(a) > when(b) ? -1 : 0));
}

/** Keeps a study's figures for the first page; where they cannot be kept the page does without. */
export function keepFigures(id: string, figures: StudyFigures): Promise<void> {
  return inLine(id, async () => {
    const database = await databaseOf(id);
    await database?.study.update(THE_STUDY, { figures });
  });
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

async function putStudy(file: StudyFile, password?: CryptoKey): Promise<string> {
  const id = crypto.randomUUID();
  await inLine(id, () =>
    kept(async () => {
      const made = password && (await newLock(password));
      await putInPlace({
        id,
        database: databaseName(id, 1),
        file,
        ...(made ? { key: made.key, lock: { key: made.lock, shownAs: SHOWN_AS, since: now() } } : {}),
      });
    }),
  );
  return id;
}

/** Keeps an opened study file as a study of its own; one that had a password keeps it. */
export const importStudy = (file: StudyFile, password?: CryptoKey): Promise<string> =>
  putStudy(file, password);

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

/**
 * Deletes a study for good: in one step no study is named any more and its database is on record to go; then it goes from the
 * browser's files.
 */
export async function deleteStudy(id: string): Promise<void> {
  await inLine(id, () =>
    kept(() =>
      catalogue.transaction('rw', catalogue.studies, catalogue.going, async () => {
        const row = await catalogue.studies.get(id);
        if (!row) return;
        await catalogue.studies.delete(id);
        await catalogue.going.put({ database: row.database });
      }),
    ),
  );
  forgetStudy(id);
  await erase();
}

/** Whether the text of each source is kept here. */
async function textsAreKept(database: StudyDatabase, sources: readonly StudySource[]): Promise<boolean> {
  const kept = new Set(await database.originals.toCollection().primaryKeys());
  return sources.every(({ id, part }) => part !== undefined || kept.has(id));
}

async function appendDecision(database: StudyDatabase, decision: Decision): Promise<void> {
  const study = await database.study.get(THE_STUDY);
  if (!study) throw new StoreError(GONE);
  // While texts came in, the study may have been written anew in another tab, with what was on record.
  if (decision.kind === 'addSources' && !(await textsAreKept(database, decision.sources)))
    throw new StoreError(
      'The study was written anew meanwhile. Nothing was added: bring the texts in again.',
    );
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
      await database.transaction('rw', database.study, database.decisions, database.originals, () =>
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
export function dropOriginals(id: string, sources?: readonly StudySource[]): Promise<void> {
  return inLine(id, async () => {
    const database = await theDatabase(id);
    const study = await loadStudy(id);
    const recorded = study ? everAdded(study.log) : new Set<string>();
    const ids =
      sources?.map((source) => source.id) ?? (await database.originals.toCollection().primaryKeys());
    const loose = ids.filter((each) => !recorded.has(each));
    if (loose.length > 0) await removeOriginals(database, new Set(loose));
  });
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
export function giveReason(id: string, seq: number, reason: string): Promise<void> {
  return inLine(id, () =>
    kept(async () => {
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
    }),
  );
}

export const undo = (id: string): Promise<void> => moveHead(id, undone);
export const redo = (id: string): Promise<void> => moveHead(id, redone);

/** Keeps the letters of the themes that are shown. */
export function keepRegister(id: string, shown: readonly ThemeIdentity[]): Promise<void> {
  return inLine(id, async () => {
    const database = await theDatabase(id);
    await database.transaction('rw', database.study, async () => {
      const study = await database.study.get(THE_STUDY);
      if (!study) return;
      const joined = joinRegisters(shown, study.register);
      if (JSON.stringify(joined) !== JSON.stringify(study.register)) {
        await database.study.update(THE_STUDY, { register: joined });
      }
    });
  });
}

/** Notes that a study was saved to a file, with all decisions up to one. */
export function noteSaved(id: string, copy: SavedCopy): Promise<void> {
  return inLine(id, () =>
    kept(async () => {
      const database = await theDatabase(id);
      await database.transaction('rw', database.study, async () => {
        const study = await database.study.get(THE_STUDY);
        // A file written again each day is one copy, its last state counts.
        const others = (study?.saved ?? []).filter(({ name }) => name !== copy.name);
        await database.study.update(THE_STUDY, { saved: [...others, copy] });
      });
    }),
  );
}
