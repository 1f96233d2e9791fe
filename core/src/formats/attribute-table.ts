import type { StudySource } from '../study/study.ts';
import { readCsv } from './csv.ts';

/** Attributes by file name, read from a table whose first column is the file's name. */
export interface AttributeTable {
  readonly attributes: readonly string[];
  readonly byFile: ReadonlyMap<string, Readonly<Record<string, string>>>;
}

/** Reads a table of attributes; throws an Error that says what is wrong with it. */
export function readAttributeTable(text: string): AttributeTable {
  const { header, rows } = readCsv(text);
  if (header.length < 2) {
    throw new Error(
      'The table of attributes needs a column of file names and at least one attribute beside it.',
    );
  }
  const attributes = header.slice(1);
  const byFile = new Map(
    rows.map((row) => [
      row[0].trim(),
      Object.fromEntries(attributes.map((name, i) => [name, (row[i + 1] ?? '').trim()])),
    ]),
  );
  return { attributes, byFile };
}

/** Gives sources the attributes of their file names. */
export function withAttributes(
  sources: readonly StudySource[],
  table: AttributeTable,
): { sources: StudySource[]; unmatched: string[] } {
  const names = new Set(sources.map((source) => source.name));
  return {
    sources: sources.map((source) => ({
      ...source,
      attributes: { ...source.attributes, ...table.byFile.get(source.name) },
    })),
    unmatched: [...table.byFile.keys()].filter((name) => !names.has(name)),
  };
}
