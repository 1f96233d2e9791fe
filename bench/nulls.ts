import { seededRandom, shuffle, type Random } from '../core/src/numeric/random.ts';
import { gamma } from './deviates.ts';
import { asSentence, someNouns } from './known-themes.ts';

/** Collections in which no word belongs to any other: what is found in them is chance. */
export const NULL_KINDS = [
  'dealt',
  'long and short sentences',
  'long and short paragraphs',
  'favourite words',
  'bursts',
  'mails',
  'unlike density',
  'fixed questions',
] as const;
export type NullKind = (typeof NULL_KINDS)[number];

const NOUNS = 80;
/** Share of the words of a sentence that are nouns. */
const NOUN_SHARE = 0.22;

/** Draws by weights. */
function drawer(random: Random, weights: readonly number[]): () => number {
  const sums = new Float64Array(weights.length);
  let sum = 0;
  weights.forEach((weight, i) => (sums[i] = sum += weight));
  return () => {
    const wanted = random() * sum;
    let at = 0;
    while (at < sums.length - 1 && sums[at] < wanted) at++;
    return at;
  };
}

/**
 * Forty sources of 1,200 words with eighty nouns that have nothing to do with each other.
 *
 * `bursts`: a noun that was said is said again soon, by itself. `favourite words`: each source has its own. `mails`: half
 * of the sources are of two lines, some are very long. `unlike density`: some passages are full of nouns, some nearly
 * without. `fixed questions`: everybody is asked the same eight questions, which stand in the text as sentences.
 */
export function nullCollection(kind: NullKind, seed: number, sources = 40, wordsPerSource = 1200): string[] {
  const random = seededRandom(seed, 99);
  const nouns = someNouns(random, NOUNS);
  const usual = nouns.map((_, i) => 1 / (i + 8));
  const questions = Array.from({ length: 8 }, (_, q) =>
    asSentence(['what', 'of', 'the', ...nouns.slice(q * 5, q * 5 + 5), 'then']),
  );
  return Array.from({ length: sources }, (_, s) => {
    const weights = kind === 'favourite words' ? usual.map((weight) => weight * gamma(random, 0.4)) : usual;
    const draw = drawer(random, weights);
    const size =
      kind === 'mails' ? (s % 2 === 0 ? 60 : 300 + Math.floor(2400 * random() ** 2)) : wordsPerSource;
    let last: string[] = [];
    // Some passages are thick with things, some thin: a passage's share of nouns is drawn for it.
    let share = NOUN_SHARE;
    const noun = (): string => {
      if (kind === 'bursts' && last.length > 0 && random() < 0.45)
        return last[Math.floor(random() * last.length)];
      const next = nouns[draw()];
      if (kind === 'bursts') last = [next, ...last].slice(0, 1);
      return next;
    };
    const paragraphs: string[] = [];
    let written = 0;
    let asked = 0;
    while (written < size) {
      const sentences =
        kind === 'long and short paragraphs' || kind === 'mails'
          ? random() < 0.5
            ? 1
            : 4 + Math.floor(random() * 14)
          : 3 + Math.floor(random() * 4);
      if (kind === 'unlike density') share = Math.min(0.8, (NOUN_SHARE * gamma(random, 2)) / 2);
      const made = Array.from({ length: sentences }, () => {
        const length =
          kind === 'long and short sentences'
            ? 2 + Math.floor(39 * random() ** 2)
            : 8 + Math.floor(random() * 8);
        const words: string[] = [];
        for (let i = 0; i < length; i++)
          words.push(random() < share ? noun() : ['the', 'of', 'and', 'with'][Math.floor(random() * 4)]);
        return asSentence(words);
      });
      if (kind === 'fixed questions' && asked < questions.length) made.unshift(questions[asked++]);
      paragraphs.push(made.join(' '));
      written += made.join(' ').split(' ').length;
    }
    return paragraphs.join('\n\n');
  });
}

/** The nouns of each source dealt anew over its places: what is left is which source says which. */
export function shuffledWithin(
  texts: readonly string[],
  isNoun: (word: string) => boolean,
  seed: number,
): string[] {
  const random = seededRandom(seed, 98);
  return texts.map((text) => {
    const parts = text.split(/([A-Za-z]+)/);
    const places = parts.map((_, i) => i).filter((i) => isNoun(parts[i].toLowerCase()));
    const order = places.map((_, i) => i);
    shuffle(order, random);
    const words = places.map((at) => parts[at]);
    places.forEach((at, i) => (parts[at] = words[order[i]]));
    return parts.join('');
  });
}
