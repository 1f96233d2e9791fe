import { adjustForMany } from '../numeric/chance.ts';
import { normalOf, studentQuantile, studentTail } from '../numeric/special.ts';

/** How strongly the words of the whole collection speak beside those of the two sides: a tenth of its words. */
const PRIOR_SHARE = 0.1;

/** What the sources of one side say. */
export interface Side {
  /** Mentions of each concept, the sum of their squares over the sources, and of mentions × words of the source. */
  readonly mentions: Float64Array;
  readonly squares: Float64Array;
  readonly byWords: Float64Array;
  words: number;
  wordSquares: number;
  sources: number;
}

export const emptySide = (concepts: number): Side => ({
  mentions: new Float64Array(concepts),
  squares: new Float64Array(concepts),
  byWords: new Float64Array(concepts),
  words: 0,
  wordSquares: 0,
  sources: 0,
});

/**
 * Adds sources to the sides they are on, those of one person on one side as one: how often each mentions the concepts it does.
 *
 * @param sides of each source; undefined where it is on neither
 * @param personOf number of who speaks in each source; null where each is somebody else's
 */
export function addSources(
  sides: readonly (Side | undefined)[],
  said: { readonly mentions: readonly ReadonlyMap<number, number>[]; readonly words: ArrayLike<number> },
  personOf: readonly number[] | null,
): void {
  const voices = new Map<string, { side: Side; mentions: Map<number, number>; words: number }>();
  const places = new Map([...new Set(sides)].map((side, place) => [side, place]));
  sides.forEach((side, s) => {
    if (!side) return;
    const name = `${personOf === null ? s : personOf[s]} ${places.get(side)}`;
    const voice = voices.get(name) ?? { side, mentions: new Map<number, number>(), words: 0 };
    voices.set(name, voice);
    voice.words += said.words[s];
    for (const [concept, count] of said.mentions[s])
      voice.mentions.set(concept, (voice.mentions.get(concept) ?? 0) + count);
  });
  for (const { side, mentions, words } of voices.values()) if (words > 0) addSource(side, mentions, words);
}

/** Adds a source: how often it mentions the concepts it does. */
export function addSource(side: Side, mentions: ReadonlyMap<number, number>, words: number): void {
  side.sources++;
  side.words += words;
  side.wordSquares += words * words;
  for (const [concept, count] of mentions) {
    side.mentions[concept] += count;
    side.squares[concept] += count * count;
    side.byWords[concept] += count * words;
  }
}

/** How far the mentions of a concept depart, source by source, from what each source's words make of its share: squares. */
function departures({ mentions, squares, byWords, words, wordSquares }: Side, concept: number): number {
  const share = mentions[concept] / words;
  return squares[concept] - 2 * share * byWords[concept] + share * share * wordSquares;
}

/**
 * How distinctive each concept is of a group against the rest: z of the log-odds ratio with an informative Dirichlet
 * prior (Monroe, Colaresi & Quinn 2008), the prior being the concept's share of the collection. Above 0 the group
 * mentions it more than the rest; beyond ±1.96 chance would do it in one of twenty concepts.
 *
 * Mentions of one source hang together, so the variance is multiplied by how much more they differ between the sources of
 * a side than independent mentions would (never less), and the t that comes of few sources is said as z. Of groups drawn
 * at random 1 to 3 % of concepts are beyond ±1.96, without it 7 to 43 % (bench/distinct.ts).
 *
 * @returns z of each concept; 0 where one side has no words, or where both have one source: nothing is known of how they differ
 */
export function distinctiveness(group: Side, rest: Side): Float64Array {
  return contrastSides(group, rest).z;
}

/** How the mentions of each concept differ between two sides; lists by concept. */
export interface Contrast {
  /** Log-odds ratio, natural logarithm: above 0 where the first side mentions it more. Not drawn to the middle, as `z` is. */
  readonly logOdds: Float64Array;
  /** 95 % interval of it (`varianceOf`). */
  readonly low: Float64Array;
  readonly high: Float64Array;
  readonly z: Float64Array;
  /** Chance of a z as large where nothing sets the sides apart, adjusted for all that is looked at (Benjamini & Hochberg 1995). */
  readonly q: Float64Array;
}

/** Added to each count where it is shown as a ratio, so that none is 0 (Haldane 1956, Anscombe 1956). */
const HALF = 0.5;

/**
 * How much the rates of a concept vary between the sources of a side, as the square of their coefficient of variation, from both
 * sides together by moments: what departs beyond what independent mentions would, by the squares of what is expected. Below 0 where
 * they are more alike than chance; 0 is taken then.
 */
function variationOf(sides: readonly Side[], concept: number): number {
  let [beyond, expected] = [0, 0];
  for (const side of sides) {
    const share = side.mentions[concept] / side.words;
    if (share === 0 || side.sources < 2) continue;
    const spread = (side.sources / (side.sources - 1)) * departures(side, concept);
    beyond += (spread - side.mentions[concept]) / (share * share);
    expected += side.wordSquares;
  }
  return expected === 0 ? 0 : Math.max(0, beyond / expected);
}

/**
 * Variance of a concept's log-odds ratio. Sources may differ by so much more than independent mentions (a common dispersion), or
 * each by a share of its own rate (a common variation): the larger of both is taken, as which it is few sources can't tell. With t,
 * intervals hold 93 % and more where groups of 3 to 30 sources say a thing as often as the others or four times as often, and each
 * alone 86 (bench/distinct.ts).
 */
function varianceOf(group: Side, rest: Side, concept: number, dispersion: number): number {
  const counts = 1 / (group.mentions[concept] + HALF) + 1 / (rest.mentions[concept] + HALF);
  const sizes = group.wordSquares / group.words ** 2 + rest.wordSquares / rest.words ** 2;
  return Math.max(dispersion * counts, counts + variationOf([group, rest], concept) * sizes);
}

const oddsOf = ({ mentions, words }: Side, concept: number): number =>
  Math.log((mentions[concept] + HALF) / (words - mentions[concept] + HALF));

/** The log-odds ratio of each concept between two sides with its interval, and z (`distinctiveness`), by which it is ranked. */
export function contrastSides(group: Side, rest: Side): Contrast {
  const size = group.mentions.length;
  const [z, logOdds] = [new Float64Array(size), new Float64Array(size)];
  const [low, high] = [new Float64Array(size).fill(-Infinity), new Float64Array(size).fill(Infinity)];
  const degrees = group.sources + rest.sources - 2;
  const p = new Float64Array(size).fill(1);
  if (group.words === 0 || rest.words === 0 || degrees < 1) return { logOdds, low, high, z, q: p };
  const reach = studentQuantile(0.05, degrees);
  const words = group.words + rest.words;
  const prior = PRIOR_SHARE * words;
  for (let i = 0; i < size; i++) {
    const mentions = group.mentions[i] + rest.mentions[i];
    const own = (prior * mentions) / words;
    if (own === 0) continue;
    const a = group.mentions[i] + own;
    const b = rest.mentions[i] + own;
    const logOddsOf = (count: number, all: number): number => Math.log(count / (all + prior - count));
    const spread = ((degrees + 2) / degrees) * (departures(group, i) + departures(rest, i));
    const dispersion = Math.max(1, spread / mentions);
    logOdds[i] = oddsOf(group, i) - oddsOf(rest, i);
    const error = Math.sqrt(varianceOf(group, rest, i, dispersion));
    [low[i], high[i]] = [logOdds[i] - reach * error, logOdds[i] + reach * error];
    const drawnIn = logOddsOf(a, group.words) - logOddsOf(b, rest.words);
    const t = drawnIn / Math.sqrt(dispersion * (1 / a + 1 / b));
    p[i] = studentTail(t, degrees);
    z[i] = Math.sign(t) * normalOf(p[i]);
  }
  return { logOdds, low, high, z, q: adjustForMany(p) };
}

/**
 * tf-idf of a concept over the collection: mentions × ln(sources of all / sources with it) (Spärck Jones 1972). 0 where
 * every source mentions it.
 */
export function tfIdf(mentions: number, sourcesWith: number, sources: number): number {
  return sourcesWith === 0 ? 0 : mentions * Math.log(sources / sourcesWith);
}
