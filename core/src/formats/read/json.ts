import { inFigures } from '../../base/wording.ts';
import { MOST_CELLS, MOST_COLUMNS, refused, type FileContent, type SheetRows } from './read-result.ts';

type Fields = Map<string, string>;

/** Deeper than this, a value is written as JSON text. */
const DEEPEST = 3;

function addFields(fields: Fields, prefix: string, value: unknown, depth: number): void {
  if (value !== null && typeof value === 'object' && !Array.isArray(value) && depth < DEEPEST) {
    for (const [key, inner] of Object.entries(value)) {
      addFields(fields, prefix === '' ? key : `${prefix}.${key}`, inner, depth + 1);
    }
    return;
  }
  const isList = Array.isArray(value) && value.every((each) => typeof each === 'string');
  const text = isList
    ? value.join('\n')
    : typeof value === 'object' && value !== null
      ? JSON.stringify(value)
      : value;
  fields.set(prefix === '' ? 'text' : prefix, text === null || text === undefined ? '' : String(text));
}

/** A list whose records have too many different fields for a table. */
class TooLarge extends Error {
  constructor(list: string) {
    super(
      `The records of “${list}” have too many different fields: at most ${inFigures(MOST_COLUMNS)} columns and ${inFigures(MOST_CELLS)} cells are read. Keep the fields you need, or save them as .csv.`,
    );
  }
}

/** What a list of tables is, or why one of them is too large. */
function tables(make: () => FileContent): FileContent {
  try {
    return make();
  } catch (error) {
    if (error instanceof TooLarge) return refused(error.message);
    // What writes a value as text goes as deep as the value does.
    if (error instanceof RangeError)
      return refused(
        'Its values stand too deep inside one another. Keep the records you need, one level of fields each.',
      );
    throw error;
  }
}

/** Records as a table: a column for each field any of them has, fields of fields with a full stop between. */
function tableOf(name: string, records: readonly unknown[]): SheetRows {
  const rows = records.map((record) => {
    const fields: Fields = new Map();
    addFields(fields, '', record, 0);
    return fields;
  });
  const columns: string[] = [];
  const known = new Set<string>();
  for (const fields of rows) {
    for (const field of fields.keys()) {
      if (known.has(field)) continue;
      known.add(field);
      columns.push(field);
    }
    if (columns.length > MOST_COLUMNS || columns.length * rows.length > MOST_CELLS) throw new TooLarge(name);
  }
  return {
    name,
    rows: [columns, ...rows.map((fields) => columns.map((column) => fields.get(column) ?? ''))],
  };
}

/** Reads JSON: a list of records or texts, or an object that holds such lists; each list is a table to choose from. */
export function readJson(text: string): FileContent {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch (error) {
    return refused(
      `It is not valid JSON: ${error instanceof Error ? error.message : String(error)}. If each line is a record of its own, name it .jsonl.`,
    );
  }
  if (Array.isArray(parsed)) {
    const list: readonly unknown[] = parsed;
    return list.length === 0
      ? refused('The list in it is empty.')
      : tables(() => ({ kind: 'table', sheets: [tableOf('list', list)] }));
  }
  if (parsed === null || typeof parsed !== 'object') {
    return refused('It holds a single value and no list of records.');
  }
  const record: object = parsed;
  const lists = Object.entries(record).filter(
    (entry): entry is [string, unknown[]] => Array.isArray(entry[1]) && entry[1].length > 0,
  );
  return tables(() => ({
    kind: 'table',
    sheets:
      lists.length > 0 ? lists.map(([name, list]) => tableOf(name, list)) : [tableOf('record', [record])],
  }));
}

/** Reads JSON Lines: a record a line. A line that can't be read is counted and said. */
export function readJsonLines(text: string): FileContent {
  const records: unknown[] = [];
  let broken = 0;
  let firstBroken = 0;
  text.split('\n').forEach((line, i) => {
    if (line.trim() === '') return;
    try {
      records.push(JSON.parse(line));
    } catch {
      if (broken++ === 0) firstBroken = i + 1;
    }
  });
  if (records.length === 0) return refused('No line of it is valid JSON.');
  return tables(() => ({
    kind: 'table',
    sheets: [tableOf('lines', records)],
    ...(broken > 0
      ? {
          note: `${broken} lines are not valid JSON and were left out, the first of them line ${firstBroken}.`,
        }
      : {}),
  }));
}
