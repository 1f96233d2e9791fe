import { strFromU8 } from 'fflate';
import { listEntries, unpackEntries } from './archive.ts';
import { refused, type FileContent, type SheetRows } from './read-result.ts';

/** Reads the sheets of a workbook as tables of text; dates as ISO 8601, formulas as their last value. */
export async function readXlsx(bytes: Uint8Array): Promise<FileContent> {
  listEntries(bytes);
  const parts = unpackEntries(bytes, (each) => /\.(?:xml|rels)$/.test(each));
  if (Object.values(parts).some((part) => /<!(?:DOCTYPE|ENTITY)/i.test(strFromU8(part)))) {
    return refused(
      'Its XML declares entities, which could draw in other files. It was not opened. Save it anew from a spreadsheet program.',
    );
  }
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

function cellText(value: unknown): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) {
    const iso = value.toISOString();
    return iso.endsWith('T00:00:00.000Z') ? iso.slice(0, 10) : iso.slice(0, 16).replace('T', ' ');
  }
  return String(value);
}
