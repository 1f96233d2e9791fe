import type { Concepts } from '../concepts/selection.ts';
import type { Tokens } from '../text/tokens.ts';
import type { Hits } from './hits.ts';

/** The most words that may stand between concepts that are near each other. */
export const NEAR_WORDS = 10;

/**
 * Places where all of some concepts stand near each other: runs of one source from the first to the last of them that
 * hold each at least once, with at most `most` words that belong to none of them. Runs do not overlap; of those that
 * could be made from a mention on, the shortest is.
 */
export function nearHits(
  tokens: Tokens,
  sentenceOf: Int32Array,
  {
    occurrence,
    occurrenceFirst,
    occurrenceEnd,
  }: Pick<Concepts, 'occurrence' | 'occurrenceFirst' | 'occurrenceEnd'>,
  asked: ReadonlySet<number>,
  most = NEAR_WORDS,
): Hits {
  const at: number[] = [];
  for (let i = 0; i < occurrence.length; i++) if (asked.has(occurrence[i])) at.push(i);
  const sourceOf = (i: number): number => tokens.sentenceSource[sentenceOf[occurrenceFirst[i]]];
  const first: number[] = [];
  const end: number[] = [];
  for (let from = 0; from < at.length;) {
    const to = shortestFrom(from);
    if (to < 0) {
      from++;
      continue;
    }
    first.push(occurrenceFirst[at[from]]);
    end.push(occurrenceEnd[at[to]]);
    from = to + 1;
  }
  return { first: Int32Array.from(first), end: Int32Array.from(end) };

  /** The last mention of the shortest run from a mention on, or −1 where there is none. */
  function shortestFrom(from: number): number {
    const missing = new Set(asked);
    let between = 0;
    for (let i = from; i < at.length; i++) {
      if (sourceOf(at[i]) !== sourceOf(at[from])) return -1;
      if (i > from) between += occurrenceFirst[at[i]] - occurrenceEnd[at[i - 1]];
      if (between > most) return -1;
      missing.delete(occurrence[at[i]]);
      if (missing.size === 0) return i;
    }
    return -1;
  }
}
