import { refused, type FileContent, type SheetRows } from './read-result.ts';

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

/** Records as a table: a column for each field any of them has, fields of fields with a full stop between. */
function tableOf(name: string, records: readonly unknown[]): SheetRows {
  const rows = records.map((record) => {
    const fields: Fields = new Map();
    addFields(fields, '', record, 0);
    return fields;
  });
  const columns = [...new Set(rows.flatMap((fields) => [...fields.keys()]))];
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
    return parsed.length === 0
      ? refused('The list in it is empty.')
      : { kind: 'table', sheets: [tableOf('list', parsed)] };
  }
  if (parsed === null || typeof parsed !== 'object') {
    return refused('It holds a single value and no list of records.');
  }
  const lists = Object.entries(parsed).filter(
    (entry): entry is [string, unknown[]] => Array.isArray(entry[1]) && entry[1].length > 0,
  );
  const sheets =
    lists.length > 0 ? lists.map(([name, list]) => tableOf(name, list)) : [tableOf('record', [parsed])];
  return { kind: 'table', sheets };
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
  return {
    kind: 'table',
    sheets: [tableOf('lines', records)],
    ...(broken > 0
      ? {
          note: `${broken} lines are not valid JSON and were left out, the first of them line ${firstBroken}.`,
        }
      : {}),
  };
}
