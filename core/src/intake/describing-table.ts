import { largest } from '../base/extent.ts';
import { baseName, type SheetRows } from '../formats/read/read-result.ts';
import { clipped, LONGEST } from '../study/limits.ts';
import { guessType, type AttributeType } from '../study/attributes.ts';
import type { StudySource } from '../study/study.ts';

/** Of a table that describes sources, at least this share of the names in its naming column are known. */
const LEAST_KNOWN = 0.5;

/** A source's name as tables write it: in small letters, without its folders and ending. */
function plainName(name: string): string {
  return baseName(name.trim())
    .replace(/\.[A-Za-z0-9]{1,8}$/, '')
    .toLowerCase();
}

/** The column whose cells name sources, or undefined: such a table describes sources and has no texts of its own. */
export function namingColumn({ rows }: SheetRows, names: readonly string[]): number | undefined {
  if (rows.length < 2 || names.length === 0) return undefined;
  const known = new Set(names.map(plainName));
  const shares = rows[0].map((_, column) => {
    const cells = rows.slice(1).flatMap((row) => ((row[column] ?? '').trim() === '' ? [] : [row[column]]));
    if (new Set(cells).size !== cells.length) return 0;
    return cells.length === 0 ? 0 : cells.filter((cell) => known.has(plainName(cell))).length / cells.length;
  });
  const best = shares.indexOf(largest(shares));
  return shares[best] >= LEAST_KNOWN ? best : undefined;
}

/** What a table says of the sources it names. */
export interface Description {
  /** Attribute → source id → value. */
  readonly values: Readonly<Record<string, Readonly<Record<string, string>>>>;
  readonly types: Readonly<Record<string, AttributeType>>;
  /** Names in the table that no source has. */
  readonly unmatched: readonly string[];
  /** Sources the table does not name. */
  readonly without: readonly string[];
  /** A sentence for each column or source that the table has twice. */
  readonly doubled: readonly string[];
}

/**
 * The attributes of sources by their file names; a name may stand without its folder and ending.
 *
 * @param columns the columns to take; all but the names where it is left out
 * @throws Error, in plain words, where the table has no attribute
 */
export function describeSources(
  { rows }: SheetRows,
  nameColumn: number,
  sources: readonly StudySource[],
  columns?: readonly number[],
): Description {
  const [head = [], ...body] = rows;
  const width = rows.reduce((most, row) => Math.max(most, row.length), 0);
  const taken = (columns ?? Array.from({ length: width }, (_, column) => column)).filter(
    (column) => column !== nameColumn,
  );
  if (taken.length === 0) {
    throw new Error(
      'The table of attributes needs a column of file names and at least one attribute beside it.',
    );
  }
  const exact = new Map<string, string[]>();
  const loose = new Map<string, string[]>();
  const put = (map: Map<string, string[]>, key: string, id: string): void => {
    map.set(key, [...(map.get(key) ?? []), id]);
  };
  for (const { id, name } of sources) {
    put(exact, name, id);
    put(loose, plainName(name), id);
  }
  const values = new Map<string, Record<string, string>>();
  const types = new Map<string, AttributeType>();
  const met = new Set<string>();
  const unmatched: string[] = [];
  const doubled: string[] = [];
  const rowsOf = body.flatMap((row) => {
    const name = (row[nameColumn] ?? '').trim();
    if (name === '') return [];
    const ids = exact.get(name) ?? loose.get(plainName(name));
    if (!ids) {
      unmatched.push(name);
      return [];
    }
    if (ids.every((id) => met.has(id)))
      doubled.push(`${name} stands in more than one row; the last one counts.`);
    for (const id of ids) met.add(id);
    return [{ ids, row }];
  });
  for (const column of taken) {
    const given = (head[column] ?? '').trim();
    const wanted = given === '' ? `column ${column + 1}` : clipped(given, LONGEST.name - 10);
    let attribute = wanted;
    for (let n = 2; values.has(attribute); n++) attribute = `${wanted} ${n}`;
    if (attribute !== wanted) doubled.push(`Two columns are called ${wanted}; one became ${attribute}.`);
    const own = new Map<string, string>();
    for (const { ids, row } of rowsOf) {
      const value = clipped((row[column] ?? '').trim(), LONGEST.value);
      if (value !== '') for (const id of ids) own.set(id, value);
    }
    values.set(attribute, Object.fromEntries(own));
    types.set(attribute, guessType([...own.values()], attribute));
  }
  return {
    values: Object.fromEntries(values),
    types: Object.fromEntries(types),
    unmatched,
    doubled,
    without: sources.filter(({ id }) => !met.has(id)).map(({ name }) => name),
  };
}
