/** A file as it comes in. */
export interface IncomingFile {
  /** Its name, with the folders it stands in where they are known. */
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** Endings of the files that are read, for choosers and folders. */
export const READ_ENDINGS = [
  '.txt',
  '.md',
  '.markdown',
  '.text',
  '.csv',
  '.tsv',
  '.tab',
  '.xlsx',
  '.xlsm',
  '.json',
  '.jsonl',
  '.ndjson',
  '.docx',
  '.docm',
  '.pptx',
  '.epub',
  '.pdf',
  '.html',
  '.htm',
  '.xhtml',
  '.srt',
  '.vtt',
  '.odt',
  '.ods',
  '.rtf',
  '.eml',
  '.mbox',
  '.qdpx',
  '.zip',
] as const;

/** A text that came out of a file. */
export interface ReadText {
  readonly name: string;
  readonly text: string;
  readonly attributes?: Readonly<Record<string, string>>;
  /** What another program had coded in it. */
  readonly codings?: readonly ReadCoding[];
}

/** A stretch of a text that was coded elsewhere; places are UTF-16 code units of the text. */
export interface ReadCoding {
  readonly start: number;
  readonly end: number;
  readonly tags: readonly string[];
  readonly note: string;
}

/** One table of a file: a sheet, or the whole file. Rows as they stand, the head among them; cells are text. */
export interface SheetRows {
  readonly name: string;
  readonly rows: readonly (readonly string[])[];
}

/** Most cells of a table, rows times columns. */
export const MOST_CELLS = 5_000_000;
/** Most columns of a table: the widest surveys have a few hundred. */
export const MOST_COLUMNS = 2000;

/** A file that did not come in. */
export interface RefusedFile {
  readonly name: string;
  readonly reason: string;
  /** Encodings it may be in, where that is all that is not known. */
  readonly encodings?: readonly string[];
}

/** What a file holds. */
export type FileContent =
  | {
      readonly kind: 'texts';
      readonly texts: readonly ReadText[];
      /** Whether they are mails, whose quoted replies, signatures and footers are not read at first. */
      readonly isMail?: boolean;
      /** Notes that came with them. */
      readonly memos?: readonly string[];
      readonly note?: string;
    }
  | { readonly kind: 'table'; readonly sheets: readonly SheetRows[]; readonly note?: string }
  | ({ readonly kind: 'refused' } & Omit<RefusedFile, 'name'>);

/** How a reader of long files says how far it is, and is told to stop. */
export interface ReadingControl {
  readonly onProgress?: (share: number) => void;
  readonly stopped?: () => boolean;
}

export const refused = (reason: string, encodings?: readonly string[]): FileContent => ({
  kind: 'refused',
  reason,
  ...(encodings ? { encodings } : {}),
});

/** A file's name without folders. */
export function baseName(name: string): string {
  return name.slice(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1);
}

/** A name's ending in small letters, with its full stop; empty where it has none. */
export function endingOf(name: string): string {
  const base = baseName(name);
  const dot = base.lastIndexOf('.');
  return dot <= 0 ? '' : base.slice(dot).toLowerCase();
}
