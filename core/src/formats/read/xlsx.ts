import { inFigures } from '../../base/wording.ts';
import { OfficeError, openOffice, refusingOffice } from './office.ts';
import { MOST_CELLS, MOST_COLUMNS, refused, type FileContent, type SheetRows } from './read-result.ts';

/** Reads the sheets of a workbook as tables of text; dates as ISO 8601, formulas as their last value. */
export function readXlsx(bytes: Uint8Array): Promise<FileContent> {
  return refusingOffice(() => sheetsOf(bytes));
}

async function sheetsOf(bytes: Uint8Array): Promise<FileContent> {
  const { parts } = openOffice(bytes, 'spreadsheet program');
  for (const [name, part] of parts) if (/worksheets\/[^/]*\.xml$/.test(name)) checkExtent(part);
  const { default: readSheets } = await import('read-excel-file/universal');
  let sheets: SheetRows[];
  try {
    const copy = new Uint8Array(bytes);
    sheets = (await readSheets(copy.buffer, { trim: false })).map(({ sheet, data }) => ({
      name: sheet,
      rows: data.map((row) => row.map(cellText)),
    }));
  } catch {
    return refused(
      'The workbook is damaged or of a kind that can’t be read. Save it anew as .xlsx, or as .csv, and add that.',
    );
  }
  const filled = sheets.filter(({ rows }) => rows.some((row) => row.some((cell) => cell.trim() !== '')));
  return filled.length === 0 ? refused('The workbook is empty.') : { kind: 'table', sheets: filled };
}

/** The number of a column by its letters: A is 1. */
const columnNumber = (letters: string): number =>
  [...letters].reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0);

/** Refuses a sheet whose rows times columns are too many, before they are made: one stray cell can ask for billions. */
function checkExtent(sheet: string): void {
  let rows = 0;
  let columns = 0;
  let furthest = '';
  for (const [, letters, row] of sheet.matchAll(/<(?:\w+:)?c\b[^>]*?\br="([A-Z]{1,3})(\d{1,7})"/g)) {
    if (columnNumber(letters) > columns || Number(row) > rows) furthest = letters + row;
    columns = Math.max(columns, columnNumber(letters));
    rows = Math.max(rows, Number(row));
  }
  if (columns > MOST_COLUMNS || rows * columns > MOST_CELLS) {
    throw new OfficeError(
      `A sheet reaches to cell ${furthest}: ${inFigures(rows)} rows by ${inFigures(columns)} columns, more than can be read. If most of it is empty, delete the rows and columns beyond your data; else save the part you need as .csv.`,
    );
  }
}

function cellText(value: unknown): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) {
    // Days and parts of them are numbers with a point: half past two may be a thousandth of a second short.
    const iso = new Date(Math.round(value.getTime() / 1000) * 1000).toISOString();
    return iso.endsWith('T00:00:00.000Z') ? iso.slice(0, 10) : iso.slice(0, 16).replace('T', ' ');
  }
  return String(value);
}
