import { ranked } from '../base/order.ts';
import type { Candidates } from './candidates.ts';
import { renumbered, type Occurring } from './renumbered.ts';

export interface SelectionSettings {
  /** How many concepts the starting selection keeps at most; 'auto' by the number of sources. */
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

/**
 * The most concepts of a selection: the number set, or as many as a map can hold, with more where the collection is large.
 *
 * @example selectionSize('auto', 36) // 80
 */
export const selectionSize = (set: number | 'auto', sources: number): number =>
  set === 'auto' ? (sources < 150 ? 80 : sources < 600 ? 120 : 160) : set;

/** The concepts chosen from the candidates, in order of their score, with where they occur. */
export interface Concepts extends Occurring {
  /** Candidate of each concept. */
  readonly candidate: Int32Array;
  readonly keys: readonly string[];
  readonly mentions: Int32Array;
}

/**
 * What candidates are ranked by: pull × √effective sources, which neither frequent fillers nor rare oddities nor the words
 * of a single source win.
 */
export function scoreOf(candidates: Candidates, index: number): number {
  return candidates.pull[index] * Math.sqrt(candidates.effectiveSources[index]);
}

/** Picks the concepts: all that are kept by hand, then the best by score that pass the limits. */
export function selectConcepts(
  candidates: Candidates,
  sourceCount: number,
  settings: SelectionSettings,
): Concepts {
  const kept = new Set(settings.kept);
  const dropped = new Set(settings.dropped);
  // With one source every word is in all of them, so the limits on sources say nothing.
  const limited = sourceCount > 1;
  const passes = (i: number): boolean =>
    !dropped.has(candidates.keys[i]) &&
    (kept.has(candidates.keys[i]) ||
      (candidates.mentions[i] >= settings.minimumMentions &&
        candidates.pull[i] >= settings.minimumPull &&
        candidates.keys[i].replaceAll(' ', '').length >= settings.minimumLetters &&
        (!limited ||
          (candidates.sources[i] >= leastSources(settings.minimumSources, sourceCount) &&
            candidates.sources[i] <= Math.max(1, settings.maximumSourceShare * sourceCount)))));
  const order = ranked(candidates.keys.length, (i) => scoreOf(candidates, i)).filter(passes);
  const size = selectionSize(settings.size, sourceCount);
  const byHand = order.filter((i) => kept.has(candidates.keys[i])).length;
  let room = Math.max(0, size - byHand);
  const chosen = order.filter((i) => kept.has(candidates.keys[i]) || room-- > 0);
  const conceptOf = new Int32Array(candidates.keys.length).fill(-1);
  chosen.forEach((candidate, concept) => (conceptOf[candidate] = concept));
  const mentions = Int32Array.from(chosen, (i) => candidates.mentions[i]);
  return {
    candidate: Int32Array.from(chosen),
    keys: chosen.map((i) => candidates.keys[i]),
    mentions,
    ...renumbered(candidates, conceptOf, mentions),
  };
}
