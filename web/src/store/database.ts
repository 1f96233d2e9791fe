import { Dexie, type EntityTable, type Table } from 'dexie';
import type { DecisionRecord } from '@green-thicket/core/study/record';
import type { NotebookEntry } from '@green-thicket/core/study/notebook';
import type { ThemeIdentity } from '@green-thicket/core/themes/identity';
import { forgetKey, keyOf, type StudyKey } from './keys.ts';
import { sealedRows } from './sealed-rows.ts';
import { GONE, LOCKED, NEWER, StoreError } from './store-error.ts';

/** A copy of the study that was saved to a file. */
export interface SavedCopy {
  /** ISO 8601, UTC. */
  readonly time: string;
  /** The file's name. */
  readonly name: string;
  /** The last decision in it. */
  readonly seq: number;
  /** Whether somebody was withdrawn since, so that it is no copy of the study as it is. */
  readonly outdated?: true;
}

/** How large a study is and what was found in it. */
export interface StudyFigures {
  readonly sources: number;
  readonly words: number;
  readonly concepts: number;
  /** Of a network without texts. */
  readonly links?: number;
  readonly themes: number;
  /** Share of the stretches that speak to any theme; of a network, 0. */
  readonly reached: number;
}

/** What is known of a study beside its record: markers, letters, copies. There is one such row in its database. */
export interface StudyRow {
  /** Its figures when they were last up to date, for the first page. */
  figures?: StudyFigures;
  /** Title as of the head, for the list on the first page. */
  title: string;
  head: number;
  tip: number;
  register: readonly ThemeIdentity[];
  /** How often the reason of a decision was written; none yet where it is missing. */
  reasons?: number;
  /** ISO 8601, UTC. */
  changed: string;
  /** Copies saved to files, the first first. */
  saved?: readonly SavedCopy[];
}

export interface DecisionRow extends Omit<DecisionRecord, 'reason'> {
  /** The one part of a record that may be written later. */
  reason?: string;
}

/** Texts that came in together, one behind the other. A Blob, since the browser truly deletes what it keeps as a file. */
export interface PortionRow {
  readonly number: number;
  readonly texts: Blob;
}

/** Where a source's text stands: so many characters of its portion, from a place on. */
export interface OriginalRow {
  readonly id: string;
  readonly portion: number;
  readonly start: number;
  readonly length: number;
}

export type NotebookRow = NotebookEntry;

/** A large result that is kept over sessions; safe to drop. */
export interface ResultRow {
  readonly stage: string;
  /** Hash of all it was computed from, and how. */
  readonly hash: string;
  readonly result: unknown;
}

/** The key of the one row that says what is known of a study. */
export const THE_STUDY = 'study';

/** Has a database refuse to be written by a page that is older than what wrote it last. */
function guarded<D extends Dexie>(database: D, version: number): D {
  database.on('versionchange', (event) => {
    // Told that it is deleted or raised elsewhere, the page lets go; where it was raised, for good.
    database.close({ disableAutoOpen: event.newVersion !== null && event.newVersion > 0 });
    // The library's own answer would open it again.
    return false;
  });
  database.on(
    'ready',
    () => {
      // The library's versions are kept tenfold by the browser.
      if (database.backendDB().version > version * 10) {
        database.close({ disableAutoOpen: true });
        throw new StoreError(NEWER);
      }
    },
    true,
  );
  return database;
}

/** The database of one study. Each has its own, so that deleting one deletes it from the browser's files. */
export class StudyDatabase extends Dexie {
  study!: Table<StudyRow & { readonly key: string }, string>;
  decisions!: Table<DecisionRow, number>;
  portions!: Table<PortionRow, number>;
  originals!: Table<OriginalRow, string>;
  notebook!: Table<NotebookRow, string>;
  results!: Table<ResultRow, string>;

  static readonly VERSION = 1;

  /**
   * @param key - seals the rows, where the study has a password
   */
  constructor(
    name: string,
    readonly key?: StudyKey,
  ) {
    super(name, { chromeTransactionDurability: 'strict' });
    if (key) this.use(sealedRows(key.rows));
    this.version(StudyDatabase.VERSION).stores({
      study: 'key',
      decisions: 'seq',
      portions: 'number',
      originals: 'id, portion',
      notebook: 'id, time',
      results: 'stage',
    });
    guarded(this, StudyDatabase.VERSION);
  }
}

/** What a study with a password shows while it is locked. */
export interface Lock {
  /** The key of its rows, sealed with the password. */
  readonly key: Uint8Array;
  /** What it is called where its title must not be read. */
  readonly shownAs: string;
  /** ISO 8601, UTC: when the password was set. */
  readonly since: string;
}

/** The studies that are here, and the database of each. Nothing of what is in them. */
export interface CatalogueRow {
  readonly id: string;
  database: string;
  lock?: Lock;
}

/** A database that is being made, or is to go: on record until nothing of it is in the browser's files any more. */
export interface GoingRow {
  readonly database: string;
  /** Whether it is being made, and goes only where that was cut off. */
  readonly making?: true;
}

/** Something of the application's own, such as the folder that copies go to. */
export interface SettingRow {
  readonly name: string;
  readonly value: unknown;
}

class Catalogue extends Dexie {
  studies!: EntityTable<CatalogueRow, 'id'>;
  settings!: EntityTable<SettingRow, 'name'>;
  going!: EntityTable<GoingRow, 'database'>;

  static readonly VERSION = 2;

  constructor() {
    super('green-thicket-studies', { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ studies: 'id', settings: 'name' });
    this.version(Catalogue.VERSION).stores({ going: 'database' });
    guarded(this, Catalogue.VERSION);
  }
}

export const catalogue = new Catalogue();

const opened = new Map<string, StudyDatabase>();

/** The name of a study's database; a study that is written anew goes into the next. */
export const databaseName = (id: string, generation: number): string => `${PREFIX}${id}-${generation}`;
const PREFIX = 'green-thicket-study-';

/** The study a database is of, by its name; undefined where it is something else. */
export const studyIn = (name: string): string | undefined =>
  name.startsWith(PREFIX) ? /^(.+)-\d+$/.exec(name.slice(PREFIX.length))?.[1] : undefined;

/** A database by its name; there is one connection to each. */
export function databaseNamed(name: string): StudyDatabase {
  let database = opened.get(name);
  if (!database) opened.set(name, (database = new StudyDatabase(name, keyOf(name))));
  return database;
}

/** Whether a study waits for its password. */
export const isLocked = ({ database, lock }: CatalogueRow): boolean =>
  lock !== undefined && keyOf(database) === undefined;

/** The database of a study, or undefined where there is no such study or it waits for its password. */
export async function databaseOf(id: string): Promise<StudyDatabase | undefined> {
  const row = await catalogue.studies.get(id);
  return row && !isLocked(row) ? databaseNamed(row.database) : undefined;
}

/** The database of a study; throws where there is no such study or it waits for its password. */
export async function theDatabase(id: string): Promise<StudyDatabase> {
  const row = await catalogue.studies.get(id);
  if (!row) throw new StoreError(GONE);
  if (isLocked(row)) throw new StoreError(LOCKED);
  return databaseNamed(row.database);
}

/** How long another tab may take to let go of a database, in milliseconds. */
const PATIENCE = 10_000;

/** Deletes a database. Throws where another tab does not let go of it; then it goes once that tab does. */
export async function deleteDatabase(name: string): Promise<void> {
  opened.get(name)?.close();
  opened.delete(name);
  forgetKey(name);
  await new Promise<void>((resolve, reject) => {
    const request = indexedDB.deleteDatabase(name);
    request.onsuccess = () => resolve();
    request.onerror = () => reject(request.error ?? new Error('The browser refused.'));
    request.onblocked = () =>
      setTimeout(() => reject(new Error('another tab does not let go of it')), PATIENCE);
  });
}
