import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { BroughtEntry } from '@green-thicket/core/intake/sources';
import type { SheetRows } from '@green-thicket/core/formats/read/read-result';
import type { StudySource } from '@green-thicket/core/study/study';
import type { TokenColumns, TokenNames } from '@green-thicket/core/text/token-columns';
import { finishSwitch, openOutput, sumOfFile, type OutputFolder } from '../output-folder.ts';
import { reasonOf, UsageError } from '../usage-error.ts';
import { readTable, TableWriter } from './parquet-table.ts';

const FORMAT = 'green-thicket-counts';
const VERSION = 3;
const RECORD = 'part.json';
const TABLES = ['sources', 'sentences', 'tokens', 'types', 'speakers'] as const;
type Table = (typeof TABLES)[number];
const fileOf = (table: Table): string => `${table}.parquet`;

/** What a part says of itself. */
export interface PartRecord {
  readonly format: typeof FORMAT;
  readonly version: typeof VERSION;
  /** The version of the program that counted. */
  readonly program: string;
  /** Which files of the whole list it counted, from `from` to before `to` of `of`. */
  readonly from: number;
  readonly to: number;
  readonly of: number;
  /** Hash of the whole list of files. */
  readonly listing: string;
  /** The settings it was counted with, as they were given; empty where none were. */
  readonly settings: string;
  /** The column of tables that holds the text, where it was named. */
  readonly text: string;
  readonly sources: number;
  /** How many of the sources are rows of tables. */
  readonly rows: number;
  readonly words: number;
  /** What came in for the Notebook, and tables that describe the sources. */
  readonly entries: readonly BroughtEntry[];
  readonly describing: readonly { readonly sheet: SheetRows; readonly nameColumn: number }[];
  /** SHA-256 of each table, all its bytes: columns, headers and what says where they stand. */
  readonly sums: Readonly<Record<Table, string>>;
}

const sumOfText = (text: string): string => createHash('sha256').update(text).digest('hex');

/** A record as it stands in its file: behind it, on a line of its own, the SHA-256 of its first line. */
function asFile(record: PartRecord): string {
  const line = `${JSON.stringify(record)}\n`;
  return `${line}${JSON.stringify({ sha256: sumOfText(line) })}\n`;
}

/** Sources that are texts come before those that are rows of tables, as they do when all are read in one piece. */
export const [TEXT, TABLE_ROW] = [0, 1];

const SOURCES = {
  kind: 'int',
  source: 'text',
  text: 'text',
  sentences: 'int',
  words: 'int',
} as const;
const TYPES = { form: 'text', kind: 'int', mentions: 'int' } as const;
const SPEAKERS = { label: 'text' } as const;
const SENTENCES = {
  paragraph: 'int',
  turn: 'int',
  speaker: 'int',
  start: 'int',
  end: 'int',
  words: 'int',
} as const;
const TOKENS = { type: 'int', start: 'int', end: 'int', joined: 'int' } as const;

/** Texts are long: so many sources are written together. */
const SOURCES_A_GROUP = 1000;

/** A source as a part holds it. */
export interface PartSource {
  readonly kind: number;
  readonly source: StudySource;
  readonly text: string;
  readonly columns: TokenColumns;
}

/** Text as it stands in a file: half a character has no place in UTF-8, so that text is written as JSON has it. */
const asWritten = (text: string): string =>
  /\p{Surrogate}/u.test(text) || text.startsWith('"') ? JSON.stringify(text) : text;
const asRead = (written: string): string => (written.startsWith('"') ? String(JSON.parse(written)) : written);

/** Writes a part source by source; nothing is in place until it is ended. */
export class PartWriter {
  readonly #folder: string;
  readonly #output: OutputFolder;
  readonly #sources: TableWriter<typeof SOURCES>;
  readonly #sentences: TableWriter<typeof SENTENCES>;
  readonly #tokens: TableWriter<typeof TOKENS>;
  #count = 0;
  #rows = 0;
  #words = 0;

  /** @throws UsageError where nothing can be written there, or something is there and may not be replaced */
  constructor(folder: string, force: boolean) {
    this.#folder = folder;
    this.#output = openOutput(folder, force);
    this.#sources = this.#trying(() => new TableWriter(this.#at('sources'), SOURCES, SOURCES_A_GROUP));
    this.#sentences = this.#trying(() => new TableWriter(this.#at('sentences'), SENTENCES));
    this.#tokens = this.#trying(() => new TableWriter(this.#at('tokens'), TOKENS));
  }

  #at(table: Table): string {
    return this.#output.waiting(fileOf(table));
  }

  async add({ kind, source, text, columns }: PartSource): Promise<void> {
    const { type, start, end, joined, sentenceStart, sentenceEnd, ...others } = columns;
    await this.#awaiting(async () => {
      await this.#sources.add({
        kind: [kind],
        source: [JSON.stringify(source)],
        text: [asWritten(text)],
        sentences: [columns.words.length],
        words: [type.length],
      });
      await this.#sentences.add({ ...others, start: sentenceStart, end: sentenceEnd });
      await this.#tokens.add({ type, start, end, joined });
    });
    this.#count++;
    if (kind === TABLE_ROW) this.#rows++;
    this.#words += type.length;
  }

  /** Writes the rest and puts the part in its place. */
  async end(
    { forms, kindOf, mentionsOf, speakers }: TokenNames,
    record: Omit<PartRecord, 'format' | 'version' | 'sources' | 'rows' | 'words' | 'sums'>,
  ): Promise<void> {
    await this.#awaiting(async () => {
      for (const table of [this.#sources, this.#sentences, this.#tokens]) await table.end();
      const types = new TableWriter(this.#at('types'), TYPES);
      await types.add({ form: forms.map(asWritten), kind: kindOf, mentions: mentionsOf });
      await types.end();
      const labels = new TableWriter(this.#at('speakers'), SPEAKERS);
      await labels.add({ label: speakers.map(asWritten) });
      await labels.end();
      const whole: PartRecord = {
        format: FORMAT,
        version: VERSION,
        ...record,
        sources: this.#count,
        rows: this.#rows,
        words: this.#words,
        sums: Object.fromEntries(
          TABLES.map((table) => [table, sumOfFile(this.#at(table))]),
        ) as PartRecord['sums'],
      };
      this.#output.put(new Map([[RECORD, asFile(whole)]]));
    });
  }

  /** Takes away what was written so far. */
  abandon(): void {
    this.#output.abandon();
  }

  #trying<T>(work: () => T): T {
    try {
      return work();
    } catch (error) {
      throw this.#failed(error);
    }
  }

  async #awaiting(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      throw this.#failed(error);
    }
  }

  #failed(error: unknown): UsageError {
    this.abandon();
    return error instanceof UsageError
      ? error
      : new UsageError(`Nothing can be written to ${this.#folder}: ${reasonOf(error)}.`);
  }
}

const broken = (folder: string, error: unknown): UsageError =>
  new UsageError(`${folder} can’t be read as counts: ${reasonOf(error)}.`);

const DAMAGED = new Error('it is not as it was written. Count it again');

/** What a part says of itself. */
export function readRecord(folder: string): PartRecord {
  let text: string;
  let record: Partial<PartRecord>;
  try {
    finishSwitch(folder);
    text = readFileSync(join(folder, RECORD), 'utf8');
    record = JSON.parse(text.slice(0, text.indexOf('\n') + 1)) as Partial<PartRecord>;
  } catch (error) {
    throw broken(folder, error instanceof SyntaxError ? DAMAGED : error);
  }
  if (record.format !== FORMAT) throw broken(folder, new Error('it is something else'));
  if (record.version !== VERSION)
    throw broken(
      folder,
      new Error(`it was written by another version of the program (${record.program ?? 'unknown'})`),
    );
  if (text !== asFile(record as PartRecord)) throw broken(folder, DAMAGED);
  return record as PartRecord;
}

/** A part in memory. */
export interface Part {
  readonly folder: string;
  readonly record: PartRecord;
  readonly names: TokenNames;
  readonly sources: readonly Omit<PartSource, 'columns'>[];
  /** How many sentences each source has. */
  readonly sentences: Int32Array;
  /** All sources in a row. */
  readonly columns: TokenColumns;
}

/** @throws UsageError where it is no part, or broken */
export async function readPart(folder: string): Promise<Part> {
  const record = readRecord(folder);
  const at = (table: Table): string => join(folder, fileOf(table));
  try {
    for (const table of TABLES) if (sumOfFile(at(table)) !== record.sums[table]) throw DAMAGED;
    const sources = await readTable(at('sources'), SOURCES);
    const types = await readTable(at('types'), TYPES);
    const labels = await readTable(at('speakers'), SPEAKERS);
    const { start, end, ...sentences } = await readTable(at('sentences'), SENTENCES);
    const tokens = await readTable(at('tokens'), TOKENS);
    if (sources.kind.length !== record.sources || tokens.type.length !== record.words)
      throw new Error('its tables do not go together');
    return {
      folder,
      record,
      names: {
        forms: types.form.map(asRead),
        kindOf: Array.from(types.kind),
        mentionsOf: Array.from(types.mentions),
        speakers: labels.label.map(asRead),
      },
      sources: Array.from(sources.kind, (kind, i) => ({
        kind,
        source: JSON.parse(sources.source[i]) as StudySource,
        text: asRead(sources.text[i]),
      })),
      sentences: sources.sentences,
      columns: { ...tokens, ...sentences, sentenceStart: start, sentenceEnd: end },
    };
  } catch (error) {
    throw broken(folder, error);
  }
}
