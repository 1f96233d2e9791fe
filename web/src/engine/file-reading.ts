import { STOPPED_MESSAGE } from '../pieces/stopped.ts';
import { describeSources, namingColumn } from '@green-thicket/core/intake/describing-table';
import { readPasted } from '@green-thicket/core/intake/taking';
import { type AddedSource, type BroughtEntry, type IncomingTable } from '@green-thicket/core/intake/sources';
import {
  columnsOf,
  guessTable,
  tableSources,
  type TableChoice,
} from '@green-thicket/core/intake/table-sources';
import { refuseSize } from '@green-thicket/core/formats/read/text-file';
import { readNetwork } from '@green-thicket/core/formats/read/network-read';
import { decodeText } from '@green-thicket/core/formats/read/text-file';
import { takeNetwork } from '@green-thicket/core/intake/network';
import type { SheetRows } from '@green-thicket/core/formats/read/read-result';
import { dropOriginals } from '../store/studies.ts';
import { keepOriginals, PORTION } from '../store/texts.ts';
import { fileReader } from './file-reader.ts';
import type { HeldTexts } from './held-texts.ts';
import type { Requests } from './requests.ts';
import { SLICE } from './yielding.ts';
import {
  type EngineWorker,
  type FileToRead,
  type HeldTable,
  type OnProgress,
  type ReadReport,
  type TakeFiles,
} from './protocol.ts';

const PREVIEWED = 6;
const OPENING = 160;

const tables = new Map<number, IncomingTable>();
let tableNumber = 0;

function keepTable(table: IncomingTable): HeldTable {
  tables.set(++tableNumber, table);
  return {
    table: tableNumber,
    name: table.name,
    sheets: table.sheets.map(({ name, rows }) => ({ name, rows: rows.length })),
  };
}

function sheetOf(table: number, sheet: number): { name: string; rows: SheetRows } {
  const held = tables.get(table);
  if (!held) throw new Error('The table is no longer at hand. Add its file again.');
  return { name: held.name, rows: held.sheets[sheet] };
}

/** So many files, and who hands some of them over. */
interface FilesInTurn {
  readonly count: number;
  readonly take: TakeFiles;
}

/** Says no oftener than the page draws how far it is. */
function calmly(onProgress: OnProgress): OnProgress {
  let told = 0;
  return (share) => {
    if (performance.now() - told < SLICE) return;
    told = performance.now();
    onProgress(share);
  };
}

/** Files with their numbers; the next are asked for while these are read. */
async function* inTurn({ count, take }: FilesInTurn): AsyncGenerator<[number, FileToRead]> {
  let coming = Promise.resolve(take(0));
  for (let i = 0; i < count;) {
    const taken = await coming;
    const next = i + taken.length;
    if (next < count) coming = Promise.resolve(take(next));
    // Where reading is stopped before, nobody asks what became of them.
    coming.catch(() => undefined);
    for (const file of taken) yield [i++, file];
  }
}

/** What files are read into. */
interface StudyToRead {
  readonly texts: HeldTexts;
  readonly studyId: string;
  /** Sources that are in it already. */
  readonly present: readonly string[];
}

/** Reads files one after the other and keeps their texts in portions; whatever was kept goes again when it is stopped. */
async function readAndKeep(
  { texts, studyId, present }: StudyToRead,
  files: FilesInTurn,
  onProgress: OnProgress,
  signal: AbortSignal,
): Promise<ReadReport> {
  const sources: ReadReport['sources'][number][] = [];
  const held: HeldTable[] = [];
  const refused: ReadReport['refused'][number][] = [];
  const notes: string[] = [];
  const entries: BroughtEntry[] = [];
  const known = new Set(present);
  let portion: AddedSource[] = [];
  let size = 0;
  const keep = async (): Promise<void> => {
    await keepOriginals(studyId, portion);
    texts.hold(studyId, portion);
    portion = [];
    size = 0;
  };
  const reader = fileReader(signal);
  try {
    for await (const [i, { name, file }] of inTurn(files)) {
      const reason = refuseSize(file.size);
      if (reason !== undefined) {
        refused.push({ name, reason });
        continue;
      }
      let bytes: Uint8Array;
      try {
        bytes = new Uint8Array(await file.arrayBuffer());
      } catch {
        refused.push({ name, reason: 'The browser could not read it. Is it still where it was?' });
        continue;
      }
      const intake = await reader.read(name, bytes, (share) => onProgress((i + share) / files.count));
      if (signal.aborted) throw new Error(STOPPED_MESSAGE);
      for (const added of intake.added) {
        if (known.has(added.source.id)) {
          refused.push({ name: added.source.name, reason: 'The same file is in the study already.' });
          continue;
        }
        known.add(added.source.id);
        sources.push(added.source);
        portion.push(added);
        size += added.text.length;
      }
      for (const table of intake.tables) held.push(keepTable(table));
      for (const each of intake.refused) refused.push(each);
      for (const note of intake.notes) notes.push(note);
      for (const entry of intake.entries) entries.push(entry);
      if (size > PORTION) await keep();
      onProgress((i + 1) / files.count);
    }
    await keep();
    return { sources, tables: held, refused, notes, entries };
  } catch (error) {
    await dropOriginals(studyId, sources);
    texts.letGo(
      studyId,
      sources.map(({ id }) => id),
    );
    for (const { table } of held) tables.delete(table);
    throw error;
  } finally {
    reader.close();
  }
}

/** The worker's part in bringing texts in. */
export function fileReading(
  texts: HeldTexts,
  requests: Requests,
): Omit<EngineWorker, 'listen' | 'ask' | 'cancel' | 'packStudy' | 'readStudy' | 'openStudy' | 'useKey'> {
  const keep = async (studyId: string, added: readonly AddedSource[]): Promise<void> => {
    await keepOriginals(studyId, added);
    texts.hold(studyId, added);
  };
  return {
    readFiles: (request, studyId, count, take, present, onProgress) =>
      readAndKeep(
        { texts, studyId, present },
        { count, take },
        calmly(onProgress),
        requests.begin(request),
      ).finally(() => requests.end(request)),
    async readNetwork(file, name) {
      const reason = refuseSize(file.size);
      if (reason !== undefined) throw new Error(reason);
      const decoded = decodeText(new Uint8Array(await file.arrayBuffer()));
      if (!decoded.ok) throw new Error(decoded.reason);
      return takeNetwork(name, await readNetwork(decoded.text));
    },
    async readText(studyId, name, text) {
      const { added, refused, notes, entries } = readPasted(name, text);
      await keep(studyId, added);
      return { sources: added.map(({ source }) => source), tables: [], refused, notes, entries };
    },
    lookAtSheet(table, sheet, sources, hasHead) {
      const { rows } = sheetOf(table, sheet);
      const guess = guessTable(rows, hasHead);
      return {
        ...guess,
        columns: columnsOf(rows, guess.choice.hasHead),
        nameColumn: namingColumn(
          rows,
          sources.map(({ name }) => name),
        ),
      };
    },
    previewTable(table, sheet, choice) {
      const made = makeOf(table, sheet, choice);
      return {
        rows: made.added.slice(0, PREVIEWED).map(({ source, text }) => ({
          name: source.name,
          attributes: source.attributes,
          opening: text.slice(0, OPENING).replace(/\s+/g, ' '),
        })),
        sources: made.added.length,
        note: made.note,
      };
    },
    async takeTable(studyId, table, sheet, choice) {
      const { added, note, types } = makeOf(table, sheet, choice);
      await keep(studyId, added);
      return { sources: added.map(({ source }) => source), note, types };
    },
    describeByTable: (table, sheet, nameColumn, columns, sources) =>
      describeSources(sheetOf(table, sheet).rows, nameColumn, sources, columns),
    letGoOfTable(table) {
      tables.delete(table);
    },
  };
}

function makeOf(table: number, sheet: number, choice: TableChoice) {
  const { name, rows } = sheetOf(table, sheet);
  return tableSources(name, rows, choice);
}
