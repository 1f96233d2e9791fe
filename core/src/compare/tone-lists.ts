import { ownValue } from '../base/records.ts';

/** An entry of a tone list: a word or phrase, what it speaks of, and how much (below 0: against it). */
export type ToneEntry = readonly [word: string, category: string, weight: number];

/** A list of words with what each speaks of and how much. */
export interface ToneList {
  readonly name: string;
  readonly entries: readonly ToneEntry[];
}

/** The category of lists that only tell good from bad. */
export const TONE = 'tone';

/** The two published lists, by the columns of core/lexicon/tone.txt. */
export const PUBLISHED_LISTS = ['AFINN', 'VADER'] as const;

/** Reads core/lexicon/tone.txt, whose form the script that makes it describes. */
export function parseToneLists(text: string): ToneList[] {
  const rows = text
    .split('\n')
    .filter((line) => line !== '')
    .map((line) => line.split('\t'));
  return PUBLISHED_LISTS.map((name, column) => ({
    name,
    entries: rows
      .filter((row) => row[column + 1] !== '')
      .map((row): ToneEntry => [row[0], TONE, Number(row[column + 1])]),
  }));
}

/** All lists there are: the published ones, and those of the researcher’s own. */
export const allLists = (
  published: readonly ToneList[],
  own: Readonly<Record<string, readonly ToneEntry[]>>,
): ToneList[] => [
  ...published.filter(({ name }) => ownValue(own, name) === undefined),
  ...Object.entries(own).map(([name, entries]) => ({ name, entries })),
];

/** A tone list as it was read from a table, with what was wrong with it. */
export interface ReadToneList {
  readonly entries: readonly ToneEntry[];
  /** One sentence for each kind of fault, with how often and the first place. */
  readonly faults: readonly string[];
}

const MOST_ENTRIES = 200_000;
const LARGEST_WEIGHT = 1000;
const LONGEST_WORD = 200;

/**
 * Reads a tone list from the rows of a table: a word or phrase, a category (left out: good and bad), a weight (left out: 1).
 * Columns are told apart by what is in them: the weight is the column of numbers.
 */
export function readToneList(rows: readonly (readonly string[])[]): ReadToneList {
  const filled = rows.filter((row) => row.some((cell) => cell.trim() !== ''));
  const isNumber = (text: string): boolean => /^\s*[-+−]?\d+(?:[.,]\d+)?\s*$/.test(text);
  const width = filled.reduce((most, row) => Math.max(most, row.length), 0);
  const weightColumn = [...Array(width).keys()].slice(1).find((column) => {
    const cells = filled.slice(1).map((row) => row[column] ?? '');
    return cells.length > 0 && cells.filter(isNumber).length > cells.length / 2;
  });
  const categoryColumn = [...Array(width).keys()].slice(1).find((column) => column !== weightColumn);
  const first = filled[0] ?? [];
  const hasHead =
    filled.length > 1 &&
    (weightColumn !== undefined
      ? !isNumber(first[weightColumn] ?? '')
      : /^(?:word|term|phrase|entry)s?$/i.test((first[0] ?? '').trim()));
  const entries = new Map<string, ToneEntry>();
  const faults = new Map<string, { count: number; first: string }>();
  const fault = (what: string, where: string): void => {
    const known = faults.get(what);
    if (known) known.count++;
    else faults.set(what, { count: 1, first: where });
  };
  filled.slice(hasHead ? 1 : 0).forEach((row, i) => {
    const line = i + (hasHead ? 2 : 1);
    const word = (row[0] ?? '')
      .normalize('NFC')
      .trim()
      .toLowerCase()
      .replaceAll('’', "'")
      .replace(/\s+/g, ' ');
    const category =
      categoryColumn === undefined ? TONE : (row[categoryColumn] ?? '').normalize('NFC').trim() || TONE;
    const given = weightColumn === undefined ? '1' : (row[weightColumn] ?? '').trim();
    if (word === '') return fault('have no word', `line ${line}`);
    if (word.includes('\ufffd'))
      return fault('have characters that can’t be read; is the file in UTF-8?', word);
    if (word.length > LONGEST_WORD || category.length > LONGEST_WORD)
      return fault('are too long', `line ${line}`);
    if (!isNumber(given)) return fault('have a weight that is no number', `${word}: ${given || 'nothing'}`);
    const weight = Number(given.replace('−', '-').replace(',', '.'));
    if (weight === 0) return fault('weigh nothing', word);
    if (Math.abs(weight) > LARGEST_WEIGHT) return fault(`weigh more than ${LARGEST_WEIGHT}`, word);
    const key = `${word}\t${category}`;
    if (entries.has(key)) return fault('are there already; the first one counts', word);
    if (entries.size >= MOST_ENTRIES) return fault(`are beyond the first ${MOST_ENTRIES} words`, word);
    entries.set(key, [word, category, weight]);
  });
  return {
    entries: [...entries.values()],
    faults: [...faults].map(
      ([what, { count, first }]) =>
        `${count} ${count === 1 ? 'line' : 'lines'} left out that ${what} (first: ${first}).`,
    ),
  };
}
