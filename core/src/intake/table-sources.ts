import { counted, inFigures } from '../base/wording.ts';
import { baseName, type SheetRows } from '../formats/read/read-result.ts';
import { tidyText } from '../formats/read/text-file.ts';
import { commonWordsIn } from '../languages/detect.ts';
import { guessType, type AttributeType } from '../study/attributes.ts';
import { makeSource } from './sources.ts';
import type { StudySource } from '../study/study.ts';

/** How the rows of a table become sources. */
export interface TableChoice {
  /** Whether the first row names the columns. */
  readonly hasHead: boolean;
  /** Column that holds the text. */
  readonly textColumn: number;
  /** Column each value of which makes a source; −1 where each row is one. */
  readonly groupColumn: number;
  /** Columns that become attributes. */
  readonly attributes: readonly {
    readonly column: number;
    readonly name: string;
    readonly type: AttributeType;
  }[];
}

/** What is known of a column before anything is chosen. */
export interface TableColumn {
  readonly name: string;
  readonly filled: number;
  readonly different: number;
  /** Mean length of the cells that are filled, in characters. */
  readonly length: number;
  /** Words such as the, and, of in a cell, of those that are filled, on average: language has them, lists and records hardly. */
  readonly commonWords: number;
  readonly type: AttributeType;
}

/** A first choice, and why the text column was taken. */
export interface TableGuess {
  readonly choice: TableChoice;
  readonly why: string;
}

/** Rows looked at to guess; a table of millions is not read twice. */
const LOOKED_AT = 3000;
/** Cells of a column read for whether they are language. */
const CELLS_READ = 400;
/** A column with fewer common words in a cell is hardly language. */
const LANGUAGE_HAS = 0.5;
const MOST_GUESSED_ATTRIBUTES = 12;
const MOST_GUESSED_VALUES = 40;

/** Whether a first row looks like names of columns: short, different, and no numbers or dates. */
export function looksLikeHead(rows: SheetRows['rows']): boolean {
  const [head] = rows;
  if (rows.length < 2 || head.length === 0) return false;
  const cells = head.map((cell) => cell.trim());
  const filled = cells.filter((cell) => cell !== '');
  if (filled.length === 0 || new Set(filled).size !== filled.length) return false;
  return filled.every((cell) => cell.length <= 80 && guessType([cell]) === 'text');
}

const meanOf = (cells: readonly string[], count: (cell: string) => number): number =>
  cells.length === 0 ? 0 : cells.reduce((sum, cell) => sum + count(cell), 0) / cells.length;

/** The columns of a table with what their cells are like. */
export function columnsOf({ rows }: SheetRows, hasHead: boolean): TableColumn[] {
  const body = rows.slice(hasHead ? 1 : 0, LOOKED_AT);
  const width = rows.reduce((most, row) => Math.max(most, row.length), 0);
  const used = new Map<string, number>();
  return Array.from({ length: width }, (_, column) => {
    const cells = body.map((row) => (row[column] ?? '').trim()).filter((cell) => cell !== '');
    const given = hasHead ? (rows[0][column] ?? '').trim().replace(/\s+/g, ' ').slice(0, 120) : '';
    const name = given === '' ? `column ${column + 1}` : given;
    const seen = (used.get(name) ?? 0) + 1;
    used.set(name, seen);
    return {
      name: seen === 1 ? name : `${name} ${seen}`,
      filled: cells.length,
      different: new Set(cells).size,
      length: meanOf(cells, (cell) => cell.length),
      commonWords: meanOf(cells.slice(0, CELLS_READ), commonWordsIn),
      type: guessType(cells, name),
    };
  });
}

/** How much a column reads like what people said: common words in a cell, where the cells differ. */
const speech = ({ commonWords, different, filled }: TableColumn): number =>
  filled === 0 ? 0 : (commonWords * different) / filled;

/** Guesses the text column (the one that reads like language) and the attributes, and says why; the head too where it is not given. */
export function guessTable(sheet: SheetRows, hasHead = looksLikeHead(sheet.rows)): TableGuess {
  const columns = columnsOf(sheet, hasHead);
  const bySpeech = columns.map((_, i) => i).sort((a, b) => speech(columns[b]) - speech(columns[a]) || a - b);
  const byLength = columns.map((_, i) => i).sort((a, b) => columns[b].length - columns[a].length || a - b);
  // Answers of a word or two have no common words, nor have scripts whose words are not known here.
  const isLanguage = columns.length > 0 && speech(columns[bySpeech[0]]) >= LANGUAGE_HAS;
  const [textColumn = 0, next] = isLanguage ? bySpeech : byLength;
  const attributes = columns.flatMap(({ name, type, different, filled }, column) => {
    const tells = different >= 1 && (type !== 'text' || different <= MOST_GUESSED_VALUES) && filled > 0;
    return column !== textColumn && tells ? [{ column, name, type }] : [];
  });
  const named = (column: number): string => `“${columns[column].name}”`;
  const characters = (column: number): string => `${Math.round(columns[column].length)} characters`;
  const common = (column: number): string => columns[column].commonWords.toFixed(1);
  const why =
    columns.length === 1
      ? 'It is the only column.'
      : isLanguage
        ? `${named(textColumn)} reads like language: its cells have ${common(textColumn)} words such as the, and, of on average, and differ; next comes ${named(next)} with ${common(next)}.`
        : `No column reads like language; ${named(textColumn)} has the longest cells, ${characters(textColumn)} on average; next comes ${named(next)} with ${characters(next)}.`;
  return {
    choice: {
      hasHead,
      textColumn,
      groupColumn: -1,
      attributes: attributes.slice(0, MOST_GUESSED_ATTRIBUTES),
    },
    why,
  };
}

/** The sources a table gives, and how many of its rows had no text. */
export interface TableSources {
  readonly added: readonly { readonly source: StudySource; readonly text: string }[];
  readonly rows: number;
  readonly empty: number;
  /** One sentence: what came of how many rows. */
  readonly note: string;
  readonly types: Readonly<Record<string, AttributeType>>;
}

/** Makes sources of a table's rows, or of the rows that share a value. */
export function tableSources(file: string, sheet: SheetRows, choice: TableChoice): TableSources {
  const body = sheet.rows.slice(choice.hasHead ? 1 : 0);
  const stem = baseName(file).replace(/\.[^.]+$/, '');
  const digits = String(body.length).length;
  const columns = columnsOf(sheet, choice.hasHead);
  const groups = new Map<string, { texts: string[]; values: Set<string>[] }>();
  let empty = 0;
  let rows = 0;
  body.forEach((row, i) => {
    if (row.every((cell) => cell.trim() === '')) return;
    rows++;
    const text = tidyText(row[choice.textColumn] ?? '').trim();
    if (text === '') {
      empty++;
      return;
    }
    const value = choice.groupColumn < 0 ? '' : (row[choice.groupColumn] ?? '').trim();
    const name =
      choice.groupColumn < 0
        ? `${stem} ${String(i + 1).padStart(digits, '0')}`
        : `${stem}: ${value === '' ? 'no value' : value}`;
    const group = groups.get(name) ?? { texts: [], values: choice.attributes.map(() => new Set<string>()) };
    groups.set(name, group);
    group.texts.push(text);
    choice.attributes.forEach(({ column }, a) => {
      const cell = (row[column] ?? '').trim();
      if (cell !== '') group.values[a].add(cell);
    });
  });
  const added = Array.from(groups, ([name, { texts, values }]) => {
    const text = `${texts.join('\n\n')}\n`;
    const attributes = Object.fromEntries(
      choice.attributes.map(({ name: attribute }, a) => [attribute, [...values[a]].join('; ')]),
    );
    return { source: makeSource(name, text, attributes), text };
  });
  const column = columns[choice.textColumn]?.name ?? 'the text column';
  const made = counted(added.length, 'source');
  const note =
    empty === 0
      ? `All ${inFigures(rows)} rows of ${baseName(file)} have text in “${column}”: ${made}.`
      : `${inFigures(empty)} of ${inFigures(rows)} rows of ${baseName(file)} ${empty === 1 ? 'has' : 'have'} no text in “${column}”; the others make ${made}.`;
  return {
    added,
    rows,
    empty,
    note,
    types: Object.fromEntries(choice.attributes.map(({ name, type }) => [name, type])),
  };
}
