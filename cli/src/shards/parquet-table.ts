import { ownValue } from '@green-thicket/core/base/records';
import { asyncBufferFromFile, parquetMetadataAsync, parquetRead, type SchemaElement } from 'hyparquet';
import { fileWriter, ParquetWriter } from 'hyparquet-writer';

/** The columns of a table, each of whole numbers of 32 bits or of text. */
export type TableColumns = Readonly<Record<string, 'int' | 'text'>>;
type Values<Columns extends TableColumns> = {
  [Name in keyof Columns]: Columns[Name] extends 'int' ? Int32Array : readonly string[];
};

/** Rows written together: the same however they come in, so that the same rows make the same bytes. */
const ROWS_A_GROUP = 500_000;

function schemaOf(columns: TableColumns): SchemaElement[] {
  const entries = Object.entries(columns);
  return [
    { name: 'root', num_children: entries.length },
    ...entries.map(([name, kind]): SchemaElement =>
      kind === 'int'
        ? { name, type: 'INT32', repetition_type: 'REQUIRED' }
        : { name, type: 'BYTE_ARRAY', converted_type: 'UTF8', repetition_type: 'REQUIRED' },
    ),
  ];
}

/** Writes a table to a Parquet file, rows as they come. */
export class TableWriter<Columns extends TableColumns> {
  readonly #columns: readonly (readonly [name: string, kind: 'int' | 'text'])[];
  readonly #writer: ParquetWriter;
  readonly #rowsAGroup: number;
  /** By column: what waits for its group to be full; the first `#held` of each. */
  readonly #waiting: (Int32Array | string[])[];
  #held = 0;

  constructor(path: string, columns: Columns, rowsAGroup = ROWS_A_GROUP) {
    this.#columns = Object.entries(columns);
    this.#rowsAGroup = rowsAGroup;
    this.#waiting = this.#columns.map(([, kind]) => (kind === 'int' ? new Int32Array(rowsAGroup) : []));
    this.#writer = new ParquetWriter({
      writer: fileWriter(path),
      schema: schemaOf(columns),
      statistics: false,
      createdBy: 'green-thicket',
    });
  }

  /** Adds rows, given by column. */
  async add(rows: {
    readonly [Name in keyof Columns]: ArrayLike<number> | readonly string[];
  }): Promise<void> {
    const lists = this.#columns.map(([name]) => ownValue(rows, name) ?? []);
    const count = lists[0].length;
    for (let from = 0; from < count;) {
      const to = Math.min(count, from + this.#rowsAGroup - this.#held);
      lists.forEach((list, at) => {
        const waiting = this.#waiting[at];
        for (let i = from; i < to; i++) waiting[this.#held + i - from] = list[i];
      });
      this.#held += to - from;
      from = to;
      if (this.#held === this.#rowsAGroup) await this.#flush();
    }
  }

  /** Writes what waits, and ends the file. */
  async end(): Promise<void> {
    if (this.#held > 0) await this.#flush();
    await this.#writer.finish();
  }

  async #flush(): Promise<void> {
    await this.#writer.write({
      columnData: this.#columns.map(([name, kind], at) => {
        const data = this.#waiting[at].slice(0, this.#held);
        // Numbers rise or repeat, so their differences are packed; a dictionary of words would be looked up for each.
        return kind === 'int'
          ? { name, data, encoding: 'DELTA_BINARY_PACKED', codec: 'UNCOMPRESSED', offsetIndex: false }
          : { name, data, encoding: 'PLAIN', offsetIndex: false };
      }),
      rowGroupSize: this.#held,
    });
    this.#held = 0;
  }
}

/**
 * Reads a table whole.
 *
 * @throws Error where the file is not there, cut short, or has other columns
 */
export async function readTable<Columns extends TableColumns>(
  path: string,
  columns: Columns,
): Promise<Values<Columns>> {
  const file = await asyncBufferFromFile(path);
  const metadata = await parquetMetadataAsync(file);
  const rows = Number(metadata.num_rows);
  const names = Object.keys(columns);
  const there = new Set(metadata.schema.slice(1).map(({ name }) => name));
  const missing = names.filter((name) => !there.has(name));
  if (missing.length > 0) throw new Error(`it has no column ${missing.join(', ')}`);
  const values = new Map<string, Int32Array | string[]>(
    Object.entries(columns).map(([name, kind]) => [name, kind === 'int' ? new Int32Array(rows) : []]),
  );
  let read = 0;
  await parquetRead({
    file,
    metadata,
    columns: names,
    onChunk: ({ columnName, columnData, rowStart }) => {
      const list = values.get(columnName);
      if (list instanceof Int32Array) list.set(columnData as ArrayLike<number>, rowStart);
      else if (list) for (let i = 0; i < columnData.length; i++) list[rowStart + i] = String(columnData[i]);
      read += columnData.length;
    },
  });
  if (read !== rows * names.length) throw new Error('it is cut short');
  return Object.fromEntries(values) as Values<Columns>;
}
