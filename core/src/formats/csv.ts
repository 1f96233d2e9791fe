import Papa from 'papaparse';

/**
 * Rows as UTF-8 CSV text with a header row (RFC 4180, \n line ends). Text that a spreadsheet would run as a formula
 * gets an apostrophe before it; numbers stay numbers.
 */
export function writeCsv(header: readonly string[], rows: readonly (readonly (string | number)[])[]): string {
  return Papa.unparse([[...header], ...rows.map((row) => row.map(safeCell))], { newline: '\n' }) + '\n';
}

function safeCell(cell: string | number): string | number {
  return typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell;
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
