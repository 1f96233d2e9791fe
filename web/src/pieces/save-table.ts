import { writeCsv } from '@green-thicket/core/formats/csv';
import { download, fileName } from './download.ts';

/** A table to be saved: numbers stay numbers. */
export interface SavedTable {
  readonly head: readonly string[];
  readonly rows: readonly (readonly (string | number)[])[];
}

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

/** Saves tables as a workbook of a sheet each; what writes workbooks comes when one is first asked for. */
export async function saveWorkbook(
  title: string,
  sheets: readonly (SavedTable & { readonly name: string })[],
): Promise<void> {
  const { default: writeWorkbook } = await import('write-excel-file/universal');
  const blob = await writeWorkbook(
    sheets.map(({ name, head, rows }) => ({
      sheet: name,
      data: [
        head.map((each) => ({ value: each, type: String, fontWeight: 'bold' as const })),
        // Each cell says what it is: words that begin with = stay words.
        ...rows.map((row) =>
          row.map((value) => (typeof value === 'number' ? { value, type: Number } : { value, type: String })),
        ),
      ],
    })),
  ).toBlob();
  download(fileName(title, '.xlsx'), new Blob([await blob.arrayBuffer()], { type: XLSX }), XLSX);
}

/** Saves a table as .csv or as a workbook. */
export async function saveTable(
  title: string,
  as: 'csv' | 'xlsx',
  { head, rows }: SavedTable,
): Promise<void> {
  if (as === 'csv') {
    download(fileName(title, '.csv'), writeCsv(head, rows), 'text/csv');
    return;
  }
  await saveWorkbook(title, [{ name: 'Green Thicket', head, rows }]);
}
