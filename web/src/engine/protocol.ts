import type { takeNetwork } from '@green-thicket/core/intake/network';
import type { RefusedFile } from '@green-thicket/core/formats/read/read-result';
import type { AttributeType } from '@green-thicket/core/study/attributes';
import type { BroughtEntry } from '@green-thicket/core/intake/sources';
import type { Description } from '@green-thicket/core/intake/describing-table';
import type { StageName } from '@green-thicket/core/engine/stage-keys';
import type { StudySource } from '@green-thicket/core/study/study';
import type { TableChoice, TableColumn, TableGuess } from '@green-thicket/core/intake/table-sources';
import type { StudyFile } from '@green-thicket/core/study-files/study-file';
import type { ViewAnswers, ViewName, ViewQuestions } from '@green-thicket/core/views/view-keys';
import type { StudyKey } from '../store/keys.ts';

/** Views nothing waits for, ever. */
export const BEHIND: ReadonlySet<ViewName> = new Set([
  'steadiness',
  'duplicates',
  'repeats',
  'remains',
  'cleaningOrder',
]);

/** A view asked of the worker. */
export interface ViewRequest<V extends ViewName> {
  /** Tells requests apart, to cancel one. */
  readonly request: number;
  readonly studyId: string;
  /** The decision in force: the worker folds the record up to it. */
  readonly head: number;
  readonly view: V;
  readonly question: ViewQuestions[V];
  /** Whether nothing waits for it: it comes last, and lets any other past in the middle of its work. */
  readonly isBehind: boolean;
}

/** What the worker tells of the views it was asked for. */
export type ViewNews =
  | {
      readonly kind: 'progress';
      readonly request: number;
      readonly share: number;
      readonly stage: StageName | undefined;
    }
  | { readonly kind: 'answer'; readonly request: number; readonly answer: ViewAnswers[ViewName] }
  | { readonly kind: 'fault'; readonly request: number; readonly message: string };

/** Told while files are read: the share that is done. */
export type OnProgress = (share: number) => void;

/** A file that is to be read, with the folders it stands in. It is handed over unread. */
export interface FileToRead {
  readonly name: string;
  readonly file: Blob;
}

/** A table that was read and waits, in the worker, for its columns to be chosen. */
export interface HeldTable {
  readonly table: number;
  readonly name: string;
  readonly sheets: readonly { readonly name: string; readonly rows: number }[];
}

/** What came of reading files; the texts are kept already. */
export interface ReadReport {
  readonly sources: readonly StudySource[];
  readonly tables: readonly HeldTable[];
  readonly refused: readonly RefusedFile[];
  readonly notes: readonly string[];
  /** For the Notebook. */
  readonly entries: readonly BroughtEntry[];
}

/** A sheet of a table as it can be chosen from. */
export interface SheetLook extends TableGuess {
  readonly columns: readonly TableColumn[];
  /** The column that names sources of the study, where there is one. */
  readonly nameColumn: number | undefined;
}

/** The first sources a table would make, and what would come of all of it. */
export interface TablePreview {
  readonly rows: readonly {
    readonly name: string;
    readonly attributes: Readonly<Record<string, string>>;
    readonly opening: string;
  }[];
  readonly sources: number;
  readonly note: string;
}

export interface TableOutcome {
  readonly sources: readonly StudySource[];
  readonly note: string;
  readonly types: Readonly<Record<string, AttributeType>>;
}

/** Hands over some files, from one on. */
export type TakeFiles = (from: number) => readonly FileToRead[] | Promise<readonly FileToRead[]>;

/** Files that are handed over at once: each takes the page a quarter of a millisecond. */
const HANDED_OVER = 40;
export const filesInTurn =
  (files: readonly FileToRead[]): TakeFiles =>
  (from) =>
    files.slice(from, from + HANDED_OVER);

/** What the worker offers the page. */
export interface EngineWorker {
  /** Has what becomes of views told from now on. */
  listen(tell: (news: ViewNews) => void): void;
  /** Asks for the views that are wanted at one moment; each is answered, or told to have failed, in its turn. */
  ask(requests: readonly ViewRequest<ViewName>[]): void;
  /** Stops a request at its next step; it fails then. */
  cancel(request: number): void;
  /**
   * Reads files, off the page's thread, and keeps their texts; `cancel` stops it and keeps nothing.
   *
   * @param take hands over some of so many files, from one on (`filesInTurn`)
   */
  readFiles(
    request: number,
    studyId: string,
    count: number,
    take: TakeFiles,
    present: readonly string[],
    onProgress: OnProgress,
  ): Promise<ReadReport>;
  /** Reads a network of links that was made elsewhere. Throws an Error with a sentence where it can’t. */
  readNetwork(file: Blob, name: string): Promise<TakenNetwork>;
  /** Keeps a single text, as one that was pasted or fetched. */
  readText(studyId: string, name: string, text: string): Promise<ReadReport>;
  /** A sheet of a held table: its columns, and a first choice; `choice` is looked at anew where the head changed. */
  lookAtSheet(table: number, sheet: number, sources: readonly StudySource[], hasHead?: boolean): SheetLook;
  previewTable(table: number, sheet: number, choice: TableChoice): TablePreview;
  /** Makes sources of a held table's rows and keeps their texts. */
  takeTable(studyId: string, table: number, sheet: number, choice: TableChoice): Promise<TableOutcome>;
  /** What a held table says of the sources it names. */
  describeByTable(
    table: number,
    sheet: number,
    nameColumn: number,
    columns: readonly number[],
    sources: readonly StudySource[],
  ): Description;
  letGoOfTable(table: number): void;
  /** A study as the bytes of its file, which were read back and hold all of it. */
  packStudy(studyId: string): Promise<Uint8Array>;
  /** Keeps a study file as a study, with its password where it has one; says what of it was damaged and left out. */
  openStudy(bytes: Uint8Array, password?: CryptoKey): Promise<OpenedStudy>;
  /** What was decided in a study file, which is only looked at: nothing of it is kept. */
  readStudy(bytes: Uint8Array, password?: CryptoKey): Promise<LookedAtStudy>;
  /** Hands over what opens the database of a study with a password. */
  useKey(database: string, key: StudyKey): void;
}

/** A network as a study may hold it, with what is worth knowing of how it was read. */
export type TakenNetwork = ReturnType<typeof takeNetwork>;

/** A study file that is laid beside a study. */
export type LookedAtStudy = Pick<StudyFile, 'log' | 'register'>;

/** A study that was made of a file. */
export interface OpenedStudy {
  readonly id: string;
  /** A sentence for each thing that was left out; empty where the file was whole. */
  readonly leftOut: readonly string[];
}
