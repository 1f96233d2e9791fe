import { bareForm } from './bare-form.ts';

/**
 * What the words around a word tell of its part of speech: weights of a multinomial logistic regression (Berger, Della Pietra & Della
 * Pietra 1996), four a feature in the order of `PARTS_OF_SPEECH`, in tenths of a natural logarithm. Learned by
 * scripts/make-neighbours.ts from the examples WordNet gives of its senses, each of which has a word whose part is known.
 */
export type Neighbours = ReadonlyMap<string, readonly number[]>;

/** How often a form is met as each part of speech counts so much against what stands around it. */
export const WEIGHT_OF_SENSES = 0.6;

/** The places beside a word, by the letter with which their features begin: what stands there follows. */
export const PLACES = { before: 'p', beforeThat: 'q', after: 'n', afterThat: 'o' } as const;
/** The two next to it count once more for a word whose ending tells something; a letter and the ending, then what stands there. */
export const ENDED = { before: 'b', after: 'c' } as const;
/** What the word itself is. */
export const SELF = 'm';

/** Endings that tell something of a form. */
export const ENDINGS = ['', 'g', 'd', 'l', 's'] as const;
export type Ending = (typeof ENDINGS)[number];
export const endingOf = (form: string): Ending =>
  form.endsWith('ing')
    ? 'g'
    : form.endsWith('ed')
      ? 'd'
      : form.endsWith('ly')
        ? 'l'
        : /[^s]s$/.test(form)
          ? 's'
          : '';

const PART_LETTERS = 'NVAR';
/** A form that is a part of speech in fewer of its uses tells nothing by it. */
const AT_TIMES = 0.15;

/**
 * What a form tells as a neighbour: itself where it is a word of grammar, else what it may be.
 *
 * @param senses how often it was met as each part of speech, −1 where it is none
 * @param isGrammar whether a form in small letters is a word of grammar
 */
export function asNeighbour(
  form: string,
  senses: readonly number[],
  isGrammar: (form: string) => boolean,
): string {
  const small = form.toLowerCase().replaceAll('’', "'");
  if (isGrammar(small)) return small;
  if (/^\p{N}/u.test(small)) return '#';
  const all = senses.reduce((sum, met) => (met < 0 ? sum : sum + met + 0.5), 0);
  if (all === 0) return '?';
  const may = Array.from(PART_LETTERS).filter(
    (_, part) => senses[part] >= 0 && senses[part] + 0.5 >= AT_TIMES * all,
  );
  return `=${may.join('')}${endingOf(bareForm(form))}`;
}

/** What a form is by itself: its ending and the parts it may be. */
export const asItself = (form: string, senses: readonly number[]): string =>
  `${SELF}${endingOf(bareForm(form))} ${Array.from(PART_LETTERS)
    .filter((_, part) => senses[part] >= 0)
    .join('')}`;

/** Reads the lines of neighbours: a feature and its four weights, spaces between them. */
export function parseNeighbours(lines: readonly string[]): Neighbours {
  return new Map(
    lines.map((line) => {
      const parts = line.split(' ');
      return [parts.slice(0, -4).join(' '), parts.slice(-4).map(Number)];
    }),
  );
}

/** What stands before the senses of a form in the sum of weights: as often as it was met, or nothing where it can't be. */
export function weightsOfSenses(senses: readonly number[]): number[] {
  const uses = senses.reduce((sum, met) => sum + Math.max(0, met), 0);
  if (senses.every((met) => met < 0)) return [0, 0, 0, 0];
  return senses.map((met) =>
    met < 0 ? -Infinity : 10 * WEIGHT_OF_SENSES * Math.log((met + 1) / (uses + 2)),
  );
}
