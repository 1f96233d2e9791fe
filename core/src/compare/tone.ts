import { firstAtLeast } from '../base/order.ts';
import { remembered } from '../base/remembered.ts';
import type { Windows } from '../network/windows.ts';
import type { Tokens } from '../text/tokens.ts';
import { TONE, type ToneEntry, type ToneList } from './tone-lists.ts';

/** One thing a list tells: that a passage is good, bad, or speaks of a category. */
export interface Aspect {
  /** As it is called: “positive”, “negative”, “fear”. */
  readonly name: string;
  readonly category: string;
  /** 1 where the category’s sum must be above 0, −1 where it must be below. */
  readonly sign: 1 | -1;
}

/** A word of a list where it stands in a text. */
export interface TonedWord {
  /** First token, and one past the last. */
  readonly first: number;
  readonly end: number;
  readonly entry: string;
  readonly category: number;
  /** Its weight there: turned by a negation, strengthened or weakened. */
  readonly weight: number;
}

/** A list made ready for the words of a collection. */
export interface ToneReader {
  readonly aspects: readonly Aspect[];
  readonly categories: readonly string[];
  /** The words of the list in some tokens. */
  readonly wordsIn: (first: number, end: number) => TonedWord[];
}

/** Words before which what follows is meant the other way round. */
const NEGATIONS = new Set(
  'not no never none nobody nothing neither nor nowhere without hardly barely scarcely rarely seldom cannot cant dont doesnt didnt isnt arent wasnt werent wont wouldnt couldnt shouldnt hasnt havent hadnt aint'.split(
    ' ',
  ),
);
/** How many words a negation reaches over. */
const NEGATION_REACH = 3;
/** What a negated word of a two-sided list still says, the other way round (Hutto & Gilbert 2014). */
const NEGATED = -0.74;
/** Words that strengthen or weaken the next one, with how much. */
const DEGREES = new Map<string, number>([
  ...'very really extremely absolutely completely totally incredibly especially so too terribly deeply highly particularly utterly'
    .split(' ')
    .map((word): [string, number] => [word, 1.3]),
  ...'slightly somewhat partly fairly little almost mildly marginally'
    .split(' ')
    .map((word): [string, number] => [word, 0.7]),
]);

const plain = (form: string): string => form.toLowerCase().replaceAll('’', "'");
const isNegation = (form: string): boolean => NEGATIONS.has(form.replaceAll("'", '')) || form.endsWith("n't");

/** On which sides of 0 a category has words. */
interface Sides {
  up: boolean;
  down: boolean;
}

/** What each category of a list is called where it is good or bad, or simply there. */
function aspectsOf(categories: readonly string[], sides: readonly Sides[]): Aspect[] {
  return categories.flatMap((category, c): Aspect[] => {
    const { up, down } = sides[c];
    const named = (side: 'positive' | 'negative'): string =>
      category === TONE ? side : up && down ? `${category}: ${side}` : category;
    return [
      ...(up ? [{ name: named('positive'), category, sign: 1 } as const] : []),
      ...(down ? [{ name: named('negative'), category, sign: -1 } as const] : []),
    ];
  });
}

const readerOf = remembered((tokens: Tokens) =>
  remembered((entries: readonly ToneEntry[]) => makeReader(tokens, entries)),
);

/**
 * Makes a list ready for a collection: every different word is looked up once. Phrases count before their words, the longest
 * first. A negation within three words before, in the same sentence, turns a word of a two-sided category round, weakened, and
 * takes one of a one-sided category out (“not afraid” is no fear); “very” and the like strengthen, “slightly” weakens.
 */
export const readTone = (tokens: Tokens, { entries }: ToneList): ToneReader => readerOf(tokens)(entries);

function makeReader(tokens: Tokens, entries: readonly ToneEntry[]): ToneReader {
  const categories = [...new Set(entries.map(([, category]) => category))];
  const numberOf = new Map(categories.map((category, c) => [category, c]));
  const sides = categories.map((): Sides => ({ up: false, down: false }));
  // A plain object would answer to "constructor"; a map does not.
  const phrases = new Map<string, { words: string[]; category: number; weight: number; entry: string }[]>();
  for (const [entry, category, weight] of entries) {
    const words = entry.split(' ');
    const c = numberOf.get(category) ?? 0;
    if (weight > 0) sides[c].up = true;
    else sides[c].down = true;
    const list = phrases.get(words[0]);
    const made = { words, category: c, weight, entry };
    if (list) list.push(made);
    else phrases.set(words[0], [made]);
  }
  const twoSided = sides.map(({ up, down }) => up && down);
  const forms = tokens.forms.map(plain);
  const startsAt = forms.map((form) => phrases.get(form)?.sort((a, b) => b.words.length - a.words.length));
  const negates = forms.map(isNegation);
  const degree = forms.map((form) => DEGREES.get(form) ?? 1);
  const { type, sentenceFirst } = tokens;
  const wordsIn = (first: number, end: number): TonedWord[] => {
    const found: TonedWord[] = [];
    let sentence = firstAtLeast(sentenceFirst, first + 1) - 1;
    for (let t = first; t < end; t++) {
      while (sentenceFirst[sentence + 1] <= t) sentence++;
      const from = sentenceFirst[sentence];
      const limit = Math.min(end, sentenceFirst[sentence + 1]);
      const starting = startsAt[type[t]];
      if (!starting) continue;
      const here = starting.filter(
        ({ words }) =>
          t + words.length <= limit && words.every((word, k) => k === 0 || forms[type[t + k]] === word),
      );
      if (here.length === 0) continue;
      const length = here[0].words.length;
      let isNegated = false;
      for (let k = Math.max(from, t - NEGATION_REACH); k < t; k++) isNegated ||= negates[type[k]];
      const by = t > from ? degree[type[t - 1]] : 1;
      for (const { words, category, weight, entry } of here) {
        if (words.length < length || (isNegated && !twoSided[category])) continue;
        found.push({
          first: t,
          end: t + words.length,
          entry,
          category,
          weight: weight * by * (isNegated ? NEGATED : 1),
        });
      }
      t += length - 1;
    }
    return found;
  };
  return { aspects: aspectsOf(categories, sides), categories, wordsIn };
}

/** Which aspects a run of words has: the sum of a category’s weights is on the aspect’s side. */
export function aspectsIn(reader: ToneReader, words: readonly TonedWord[]): boolean[] {
  const sums = new Float64Array(reader.categories.length);
  for (const { category, weight } of words) sums[category] += weight;
  const of = new Map(reader.categories.map((category, c) => [category, sums[c]]));
  return reader.aspects.map(({ category, sign }) => sign * (of.get(category) ?? 0) > 1e-9);
}

/** The aspects of every stretch, stretches × aspects: 1 where it has one. */
export function toneOfStretches(reader: ToneReader, stretches: Windows): Uint8Array {
  const width = reader.aspects.length;
  const has = new Uint8Array(stretches.count * width);
  for (let w = 0; w < stretches.count; w++) {
    const words = reader.wordsIn(stretches.first[w], stretches.end[w]);
    if (words.length === 0) continue;
    aspectsIn(reader, words).forEach((is, a) => {
      if (is) has[w * width + a] = 1;
    });
  }
  return has;
}

const toneOfText = remembered((tokens: Tokens) =>
  remembered((stretches: Windows) =>
    remembered((entries: readonly ToneEntry[]) => toneOfStretches(readerOf(tokens)(entries), stretches)),
  ),
);

/** What every stretch sounds like by a list, worked out once for the same text and list. */
export const toneBy = (tokens: Tokens, stretches: Windows, { entries }: ToneList): Uint8Array =>
  toneOfText(tokens)(stretches)(entries);
