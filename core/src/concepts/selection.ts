import { ranked } from '../base/order.ts';
import { remembered } from '../base/remembered.ts';
import type { Candidates } from './candidates.ts';
import { withWordsBack, type Occurring } from './renumbered.ts';

export interface SelectionSettings {
  /** How many concepts the starting selection keeps at most; 'auto' as many as stand out (`selectionRange`). */
  readonly size: number | 'auto';
  readonly minimumMentions: number;
  /** 'auto' by the number of sources. */
  readonly minimumSources: number | 'auto';
  /** Largest share of the sources that may mention a concept, from 0 to 1. */
  readonly maximumSourceShare: number;
  /** Fewest letters of a concept, spaces not counted. */
  readonly minimumLetters: number;
  /** Least pull of a concept, in nats. */
  readonly minimumPull: number;
  /** Keys the researcher always keeps. */
  readonly kept: readonly string[];
  /** Keys the researcher dropped. */
  readonly dropped: readonly string[];
}

/**
 * The fewest sources a concept is in: the number set, or by the size of the collection 2, 3 from twelve sources on, and 2 %
 * of them where there are very many, as a word of 20 in 2,000 is no concept of all.
 *
 * @example leastSources('auto', 500) // 10
 */
export const leastSources = (set: number | 'auto', sources: number): number =>
  set === 'auto' ? Math.max(sources < 12 ? 2 : 3, Math.floor(sources / 50)) : set;

/** Characters of a collection in which a concept needs three mentions, and four: about 2,000 and 10,000 words. */
const THREE_FROM = 12_000;
const FOUR_FROM = 60_000;

/**
 * The fewest mentions of a concept: the number set, or 2 to 4 by how much text there is.
 *
 * @example leastMentionsOf('auto', 20_000) // 3
 */
export const leastMentionsOf = (set: number | 'auto', characters: number): number =>
  set !== 'auto' ? set : characters < THREE_FROM ? 2 : characters < FOUR_FROM ? 3 : 4;

/** A map can hold so many with ease; a large collection has more to say. */
const READABLE = 80;
/**
 * In a small collection, of fewer characters than some 5,000 words have, only those are taken that stand out, and the next
 * where these are hardly any: each more is a test more for all the others (docs/method/concepts.md).
 */
const SMALL = 30_000;
const FEWEST = 30;

/** How large a collection is. */
export interface CollectionSize {
  /** Those of one person as one. */
  readonly sources: number;
  readonly characters: number;
}

/**
 * The most concepts of a selection: the number set, or as many as stand out, between what a map holds with ease and what a
 * collection of this size can fill.
 *
 * @example selectionRange('auto', { sources: 36, characters: 120_000 }) // [80, 120]
 */
export function selectionRange(
  set: number | 'auto',
  { sources, characters }: CollectionSize,
): [fewest: number, most: number] {
  if (set !== 'auto') return [set, set];
  const most = sources < 36 ? READABLE : sources < 150 ? 120 : sources < 600 ? 160 : 240;
  return [characters < SMALL ? FEWEST : READABLE, most];
}

/**
 * A concept stands out where it scores this share of what the best twenty do. In collections of 6 to 500 sources with 80
 * theme words (bench/known-themes.ts) that are 40, 57, 85, 80 and 79, nearly all of them theme words; of 160 and 240 theme
 * words in 100 sources 137 and 124.
 */
const STANDS_OUT = 0.05;
const BEST = 20;

/** How many of the ranked candidates are taken. */
function sizeOf(set: number | 'auto', collection: CollectionSize, scores: readonly number[]): number {
  const [fewest, most] = selectionRange(set, collection);
  if (fewest === most || scores.length <= BEST) return most;
  const standing = scores.filter((score) => score >= STANDS_OUT * scores[BEST - 1]).length;
  return Math.max(fewest, Math.min(most, standing));
}

/** The concepts chosen from the candidates, in order of their score, with where they occur. */
export interface Concepts extends Occurring {
  /** Candidate of each concept. */
  readonly candidate: Int32Array;
  readonly keys: readonly string[];
  readonly written: readonly string[];
  readonly mentions: Int32Array;
  /** How many sources mention it. */
  readonly sources: Int32Array;
}

/** Pull, in nats, at which a candidate counts for half: below it is mostly filler, far above it being more selective says no more. */
const SELECTIVE = 0.06;

/**
 * What candidates are ranked by: how surely they are selective, pull² / (pull² + 0.06²), × √(effective sources × mentions). So
 * neither frequent fillers nor rare oddities nor the words of a single source win, and what is selective beyond doubt is ranked by
 * how much and how widely it is said, which another half of the texts would say too (docs/method/concepts.md has what was tried).
 */
export function scoreOf({ pull, effectiveSources, mentions }: Ranked, index: number): number {
  const squared = pull[index] ** 2;
  return (squared / (squared + SELECTIVE ** 2)) * Math.sqrt(effectiveSources[index] * mentions[index]);
}

/** What is known of candidates where they are chosen from. */
export type Ranked = Pick<Candidates, 'keys' | 'mentions' | 'persons' | 'effectiveSources' | 'pull'>;

/** The candidates from the best to the least, whatever is chosen of them. */
const byScore = remembered((candidates: Ranked): readonly number[] =>
  ranked(candidates.keys.length, (i) => scoreOf(candidates, i)),
);

/** The candidates that are chosen, the best first: all that are kept by hand, then the best by score that pass the limits. */
export function chooseConcepts(
  candidates: Ranked,
  collection: CollectionSize,
  settings: SelectionSettings,
): number[] {
  const sourceCount = collection.sources;
  const kept = new Set(settings.kept);
  const dropped = new Set(settings.dropped);
  // With one source every word is in all of them, so the limits on sources say nothing.
  const limited = sourceCount > 1;
  const fewestSources = leastSources(settings.minimumSources, sourceCount);
  const mostSources = Math.max(1, settings.maximumSourceShare * sourceCount);
  const passes = (i: number): boolean =>
    !dropped.has(candidates.keys[i]) &&
    (kept.has(candidates.keys[i]) ||
      (candidates.mentions[i] >= settings.minimumMentions &&
        candidates.pull[i] >= settings.minimumPull &&
        (!limited || (candidates.persons[i] >= fewestSources && candidates.persons[i] <= mostSources)) &&
        candidates.keys[i].replaceAll(' ', '').length >= settings.minimumLetters));
  const order = byScore(candidates).filter(passes);
  const size = sizeOf(
    settings.size,
    collection,
    order.map((i) => scoreOf(candidates, i)),
  );
  const byHand = order.filter((i) => kept.has(candidates.keys[i])).length;
  let room = Math.max(0, size - byHand);
  return order.filter((i) => kept.has(candidates.keys[i]) || room-- > 0);
}

/** Picks the concepts (`chooseConcepts`), with where they occur. */
export function selectConcepts(
  candidates: Candidates,
  collection: CollectionSize,
  settings: SelectionSettings,
): Concepts {
  const chosen = chooseConcepts(candidates, collection, settings);
  return conceptsOf(candidates, chosen);
}

/**
 * Some candidates as concepts, in this order. What a phrase that is none of them took from its words goes back to those that are: who
 * drops _street light_ has _street_ and _light_ said as often as they are.
 */
export function conceptsOf(candidates: Candidates, chosen: readonly number[]): Concepts {
  const conceptOf = new Int32Array(candidates.keys.length).fill(-1);
  chosen.forEach((candidate, concept) => (conceptOf[candidate] = concept));
  const back = candidates.words.map((words, candidate) =>
    conceptOf[candidate] >= 0 || !words.some((word) => word >= 0 && conceptOf[word] >= 0)
      ? undefined
      : words.map((word) => (word < 0 ? -1 : conceptOf[word])),
  );
  const occurring = withWordsBack(candidates, conceptOf, back);
  return {
    candidate: Int32Array.from(chosen),
    keys: chosen.map((i) => candidates.keys[i]),
    written: chosen.map((i) => candidates.written[i]),
    ...countedIn(occurring, candidates.sourceStart, chosen.length),
    ...occurring,
  };
}

/** Mentions of each concept, and the sources that mention it. */
function countedIn(
  { occurrence, occurrenceFirst }: Occurring,
  sourceStart: Int32Array,
  concepts: number,
): Pick<Concepts, 'mentions' | 'sources'> {
  const [mentions, sources] = [new Int32Array(concepts), new Int32Array(concepts)];
  const last = new Int32Array(concepts).fill(-1);
  let source = 0;
  for (let i = 0; i < occurrence.length; i++) {
    while (source + 1 < sourceStart.length && sourceStart[source + 1] <= occurrenceFirst[i]) source++;
    const concept = occurrence[i];
    mentions[concept]++;
    if (last[concept] !== source) sources[concept]++;
    last[concept] = source;
  }
  return { mentions, sources };
}
