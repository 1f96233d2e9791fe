import { inFigures } from '../base/wording.ts';
import Papa from 'papaparse';
import { MOST_COLUMNS, refused, type FileContent } from './read/read-result.ts';

/**
 * Rows as UTF-8 CSV text with a header row (RFC 4180, \n line ends). Text that a spreadsheet would run as a formula
 * gets an apostrophe before it; numbers stay numbers.
 */
export function writeCsv(header: readonly string[], rows: readonly (readonly (string | number)[])[]): string {
  return (
    Papa.unparse([header.map(safeCell), ...rows.map((row) => row.map(safeCell))], { newline: '\n' }) + '\n'
  );
}

/** What a spreadsheet takes for a number, a sign before it or not: it runs nothing. */
const PLAIN_NUMBER = /^[+\-−]?(?:\d+(?:[.,]\d+)*|[.,]\d+)(?:e[+\-]?\d+)?\s*%?$/i;

/** A cell that no spreadsheet runs: what would begin a formula has an apostrophe before it. */
function safeCell(cell: string | number): string | number {
  if (typeof cell !== 'string') return cell;
  // Programs take a NUL for the end of the text, or refuse the file.
  const text = cell.replaceAll('\0', '');
  return /^\s*[=+\-@\t\r]/.test(text) && !PLAIN_NUMBER.test(text) ? `'${text}` : text;
}

/** A number to six significant places, as tables write it. */
export function tableNumber(value: number): number {
  return Number(value.toPrecision(6));
}

export interface Table {
  readonly header: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Reads a CSV or TSV table with a header row; the delimiter is found. Throws an Error whose message says what is wrong. */
export function readCsv(text: string): Table {
  const { data, errors } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' });
  const broken = errors.find((error) => error.type === 'Quotes');
  if (broken) throw new Error(`Row ${(broken.row ?? 0) + 1} has a quotation mark that is not closed.`);
  if (data.length === 0) throw new Error('The table is empty.');
  return { header: data[0].map((name) => name.trim()), rows: data.slice(1) };
}

/** A quotation mark that opens and never closes swallows the rest of the table, so it is refused. */
const UNCLOSED = new Set(['MissingQuotes']);

/** Reads a table of delimited text with whatever it has: ragged rows are evened out and said, faulty quotes too. */
export function readDelimited(text: string): FileContent {
  const { data, errors } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' });
  if (data.length === 0) return refused('The table is empty.');
  const unclosed = errors.find((error) => UNCLOSED.has(error.code));
  if (unclosed) {
    return refused(
      `Row ${(unclosed.row ?? 0) + 1} opens a quotation mark that is never closed, so the rows after it can’t be told apart. Close it and add the table again.`,
    );
  }
  const width = data.reduce((most, row) => Math.max(most, row.length), 0);
  if (width > MOST_COLUMNS) {
    return refused(
      `A row of it has ${inFigures(width)} cells, and ${inFigures(MOST_COLUMNS)} columns are the most. If it is no table, name it .txt and add it again.`,
    );
  }
  const ragged = data.filter((row) => row.length !== data[0].length).length;
  const oddQuotes = errors.filter((error) => error.type === 'Quotes').length;
  const notes = [
    ...(ragged > 0
      ? [
          `${ragged} of ${data.length - 1} rows have more or fewer cells than the first; missing cells are empty.`,
        ]
      : []),
    ...(oddQuotes > 0 ? [`${oddQuotes} quotation marks stand in odd places and were kept as text.`] : []),
  ];
  return {
    kind: 'table',
    // Rows stay as long as they are: evened out, one long row among many would fill the memory.
    sheets: [{ name: 'table', rows: data }],
    ...(notes.length > 0 ? { note: notes.join(' ') } : {}),
  };
}

/** The cells of a piece of a spreadsheet as it is copied: tabs between cells, quotation marks round those with line ends. */
export function readClipboardTable(text: string): string[][] {
  const { data } = Papa.parse<string[]>(text.replace(/\r\n?/g, '\n').replace(/\n$/, ''), { delimiter: '\t' });
  // What was guarded when it was copied from here comes back as it was.
  return data.map((row) => row.map((cell) => (/^'[\s\0]*[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell)));
}

/** Cells as a spreadsheet takes them from the clipboard. */
export function writeClipboardTable(rows: readonly (readonly string[])[]): string {
  return Papa.unparse(
    rows.map((row) => row.map(safeCell)),
    { delimiter: '\t', newline: '\n' },
  );
}
