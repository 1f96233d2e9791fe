import { readdirSync, readFileSync, statSync } from 'node:fs';
import { basename, dirname, join, relative, resolve, sep } from 'node:path';
import { counted, inFigures, listed } from '@green-thicket/core/base/wording';
import { hashText } from '@green-thicket/core/base/hash';
import { byCodeUnits } from '@green-thicket/core/base/order';
import { ownValue } from '@green-thicket/core/base/records';
import { endingOf, type SheetRows } from '@green-thicket/core/formats/read/read-result';
import { READ_ENDINGS, type IncomingFile } from '@green-thicket/core/formats/read/read-result';
import { refuseSize } from '@green-thicket/core/formats/read/text-file';
import { readFiles } from '@green-thicket/core/intake/intake';
import { type Intake } from '@green-thicket/core/intake/sources';
import { namingColumn } from '@green-thicket/core/intake/describing-table';
import {
  columnsOf,
  guessTable,
  tableSources,
  type TableGuess,
} from '@green-thicket/core/intake/table-sources';
import { isWaiting, RECORD, writtenIn } from './output-folder.ts';
import { hearingPdf } from './unheard.ts';
import { reasonOf, UsageError } from './usage-error.ts';

/** The bytes of a path that the system has and Node could not read as UTF-8 come with this in their place. */
const NOT_UTF8 = '\ufffd';

/** What can't be read, in a sentence that tells of a name that is not UTF-8. */
function unreadable(path: string, error: unknown): UsageError {
  return path.includes(NOT_UTF8)
    ? new UsageError(`${path} can’t be read: its name is not in UTF-8. Rename it, as with convmv or mv.`)
    : new UsageError(`${path} can’t be read: ${reasonOf(error)}.`);
}

function trying<T>(path: string, look: () => T): T {
  try {
    return look();
  } catch (error) {
    throw unreadable(path, error);
  }
}

/** A file with its path in the folder that was named. */
interface Listed {
  readonly path: string;
  readonly name: string;
}

/** What to do with a file of a kind that is not read, by its ending. */
const INSTEAD: Readonly<Record<string, string>> = {
  '.doc': 'save as .docx',
  '.xls': 'save as .xlsx',
  '.ppt': 'save the text as .txt',
  '.pages': 'export as .docx',
  '.numbers': 'export as .csv',
  '.msg': 'save as .eml',
  '.log': 'name with .txt at the end',
  '': 'name with an ending, such as .txt',
};
/** Names of one kind are listed up to so many. */
const MOST_NAMED = 5;

/** A sentence for each kind of file that is not read: which they are, and what to do. */
function passedOver(names: readonly string[]): string[] {
  const byEnding = new Map<string, string[]>();
  for (const name of names) {
    const ending = endingOf(name);
    byEnding.set(ending, [...(byEnding.get(ending) ?? []), name]);
  }
  return [...byEnding]
    .sort(([a], [b]) => byCodeUnits(a, b))
    .map(([ending, files]) => {
      const more = files.length - MOST_NAMED;
      const named = listed([...files.slice(0, MOST_NAMED), ...(more > 0 ? [`${inFigures(more)} more`] : [])]);
      const instead = ownValue(INSTEAD, ending) ?? 'save as text, if there is any in it';
      const kind = ending === '' ? 'without an ending' : ending;
      return `Not read: ${counted(files.length, 'file')} ${kind}: ${named}; ${instead}.`;
    });
}

/** What is in a folder and below it that can be read, what of it is of another kind, and how many files of earlier results were passed over where. */
function listFolder(path: string): {
  files: Listed[];
  others: readonly string[];
  results: Map<string, number>;
} {
  const endings = new Set<string>(READ_ENDINGS);
  const entries = trying(path, () => readdirSync(path, { recursive: true, withFileTypes: true }));
  const written = new Map<string, ReadonlySet<string>>();
  const results = new Map<string, number>();
  const isResult = (file: string): boolean => {
    const folder = dirname(file);
    const own = written.get(folder) ?? writtenIn(folder);
    written.set(folder, own);
    if (!own.has(basename(file))) return basename(file) === RECORD || isWaiting(file);
    results.set(folder, (results.get(folder) ?? 0) + 1);
    return true;
  };
  const all = entries
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))
    .filter((file) => !isResult(file))
    .sort(byCodeUnits)
    .map((file) => ({ path: file, name: relative(path, file).split(sep).join('/') }));
  const isRead = ({ name }: Listed): boolean => endings.has(endingOf(name));
  return {
    files: all.filter(isRead),
    // What the system keeps for itself, as .DS_Store, nobody put there to be read.
    others: all.flatMap((file) => (isRead(file) || basename(file.name).startsWith('.') ? [] : file.name)),
    results,
  };
}

/**
 * The files named, and those of folders that can be read, with their path in it, in code-unit order. What this program wrote
 * into a folder is never read as a source, whichever run wrote it.
 *
 * @throws UsageError where a file or folder can't be read
 */
export function listFiles(paths: readonly string[]): { files: Listed[]; notes: string[] } {
  const files: Listed[] = [];
  const notes: string[] = [];
  for (const path of paths) {
    if (!trying(path, () => statSync(path).isDirectory())) {
      files.push({ path, name: basename(path) });
      continue;
    }
    const inside = listFolder(path);
    for (const file of inside.files) files.push(file);
    for (const note of passedOver(inside.others)) notes.push(note);
    for (const [folder, count] of inside.results)
      notes.push(`${counted(count, 'file')} of earlier results in ${folder} were not read.`);
  }
  return { files, notes };
}

/** One of so many parts of the list of files, the first being 1. */
export interface Shard {
  readonly number: number;
  readonly of: number;
}

/** Which files of the whole list were read: from `from` to before `to` of `of`. */
export interface Listing {
  readonly from: number;
  readonly to: number;
  readonly of: number;
  /** Hash of the whole list. */
  readonly hash: string;
}

/** What was read: the sources, and the tables that describe them instead of holding texts. */
export interface Collected extends Intake {
  /** How many of `added` are texts; rows of tables come after them. */
  readonly texts: number;
  readonly listing: Listing;
  readonly describing: readonly { readonly sheet: SheetRows; readonly nameColumn: number }[];
}

/** What is guessed of a table, with the text in the column that was named. */
function withTextColumn(file: string, sheet: SheetRows, text: string): TableGuess {
  const { choice } = guessTable(sheet);
  const columns = columnsOf(sheet, choice.hasHead);
  const textColumn = columns.findIndex(({ name }) => name === text);
  if (textColumn < 0) {
    throw new UsageError(
      `${file} has no column “${text}”; it has ${listed(columns.map(({ name }) => `“${name}”`))}.`,
    );
  }
  const attributes = choice.attributes.filter(({ column }) => column !== textColumn);
  return { choice: { ...choice, textColumn, attributes }, why: '' };
}

/**
 * Reads files into sources. A table with the names of other files describes them; of any other the columns are guessed,
 * and what was guessed is noted.
 *
 * @param shard the part of the files that is read; all of them where it is left out
 * @param text name of the column of tables that holds the text
 * @param attributes the table of attributes that is named apart: it is no source, even where its folder is read
 */
export async function collect(
  paths: readonly string[],
  {
    attributes,
    text,
    shard = { number: 1, of: 1 },
  }: {
    readonly attributes?: string;
    readonly text?: string;
    readonly shard?: Shard;
  } = {},
): Promise<Collected> {
  const refused: { name: string; reason: string }[] = [];
  const { files: found, notes: passed } = listFiles(paths);
  const all = found.filter(({ path }) => attributes === undefined || resolve(path) !== resolve(attributes));
  const [from, to] = [shard.number - 1, shard.number].map((part) =>
    Math.floor((all.length * part) / shard.of),
  );
  const readable = all.slice(from, to).filter(({ path, name }) => {
    const reason = refuseSize(trying(path, () => statSync(path).size));
    if (reason !== undefined) refused.push({ name, reason });
    return reason === undefined;
  });
  function* incoming(): Iterable<IncomingFile> {
    for (const { path, name } of readable) yield { name, bytes: trying(path, () => readFileSync(path)) };
  }
  const read = await hearingPdf(() => readFiles(incoming(), new Set()));
  const added = [...read.added];
  // A table may describe files of other parts.
  const names = [...added.map(({ source }) => source.name), ...all.map(({ name }) => name)];
  const notes = [...passed, ...read.notes];
  const describing: { sheet: SheetRows; nameColumn: number }[] = [];
  for (const { name, sheets } of read.tables) {
    const nameColumn = namingColumn(sheets[0], names);
    if (nameColumn !== undefined) {
      describing.push({ sheet: sheets[0], nameColumn });
      notes.push(`${name} names the other files, so it was read as their attributes.`);
      continue;
    }
    const { choice, why } =
      text === undefined ? guessTable(sheets[0]) : withTextColumn(name, sheets[0], text);
    const made = tableSources(name, sheets[0], choice);
    for (const each of made.added) added.push(each);
    notes.push([`${name}:`, why, made.note].filter((each) => each !== '').join(' '));
    for (const sheet of sheets.slice(1))
      notes.push(`The sheet ${sheet.name} of ${name} was left out; the first was read.`);
  }
  return {
    added,
    tables: [],
    refused: [...refused, ...read.refused],
    notes,
    entries: read.entries,
    describing,
    texts: read.added.length,
    listing: { from, to, of: all.length, hash: hashText(all.map(({ name }) => name).join('\n')) },
  };
}
