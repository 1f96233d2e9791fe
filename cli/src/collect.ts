import { readdirSync, readFileSync, statSync } from 'node:fs';
import { basename, join, relative, resolve, sep } from 'node:path';
import { byCodeUnits } from '@green-thicket/core/numeric/order';
import { endingOf, type SheetRows } from '@green-thicket/core/formats/read-result';
import { READ_ENDINGS, refuseUnread, type IncomingFile } from '@green-thicket/core/formats/files';
import { readFiles, type Intake } from '@green-thicket/core/study/intake';
import { namingColumn } from '@green-thicket/core/study/describing-table';
import { guessTable, tableSources } from '@green-thicket/core/study/table-sources';
import { reasonOf, UsageError } from './usage-error.ts';

/** The files named, and those of folders that can be read, with their path in it, in code-unit order. */
export function listFiles(paths: readonly string[]): { path: string; name: string }[] {
  const endings = new Set<string>(READ_ENDINGS);
  const files: { path: string; name: string }[] = [];
  for (const path of paths) {
    let isFolder: boolean;
    try {
      isFolder = statSync(path).isDirectory();
    } catch (error) {
      throw new UsageError(`${path} can’t be read: ${reasonOf(error)}.`);
    }
    if (!isFolder) {
      files.push({ path, name: basename(path) });
      continue;
    }
    const found = readdirSync(path, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && endings.has(endingOf(entry.name)))
      .map((entry) => join(entry.parentPath, entry.name))
      .sort(byCodeUnits);
    for (const file of found) files.push({ path: file, name: relative(path, file).split(sep).join('/') });
  }
  return files;
}

/** What was read: the sources, and the tables that describe them instead of holding texts. */
export interface Collected extends Intake {
  readonly describing: readonly { readonly sheet: SheetRows; readonly nameColumn: number }[];
}

/**
 * Reads files into sources. A table with the names of other files describes them; of any other the columns are guessed,
 * and what was guessed is noted.
 *
 * @param attributes the table of attributes that is named apart, which is no source even where its folder is read
 */
export async function collect(paths: readonly string[], attributes?: string): Promise<Collected> {
  const refused: { name: string; reason: string }[] = [];
  const readable = listFiles(paths).filter(({ path, name }) => {
    if (attributes !== undefined && resolve(path) === resolve(attributes)) return false;
    const reason = refuseUnread(name, statSync(path).size);
    if (reason !== undefined) refused.push({ name, reason });
    return reason === undefined;
  });
  function* incoming(): Iterable<IncomingFile> {
    for (const { path, name } of readable) yield { name, bytes: readFileSync(path) };
  }
  const read = await readFiles(incoming(), new Set());
  const added = [...read.added];
  const names = added.map(({ source }) => source.name);
  const notes = [...read.notes];
  const describing: { sheet: SheetRows; nameColumn: number }[] = [];
  for (const { name, sheets } of read.tables) {
    const nameColumn = namingColumn(sheets[0], names);
    if (nameColumn !== undefined) {
      describing.push({ sheet: sheets[0], nameColumn });
      notes.push(`${name} names the other files, so it was read as their attributes.`);
      continue;
    }
    const { choice, why } = guessTable(sheets[0]);
    const made = tableSources(name, sheets[0], choice);
    added.push(...made.added);
    notes.push(`${name}: ${why} ${made.note}`);
    for (const sheet of sheets.slice(1))
      notes.push(`The sheet ${sheet.name} of ${name} was left out; the first was read.`);
  }
  return { added, tables: [], refused: [...refused, ...read.refused], notes, describing };
}
