import { sentenceAt, type Tokens } from '../text/tokens.ts';
import type { Passage } from './passages.ts';

/** Places of a collection as runs of tokens [first, end), in the order of the text. */
export interface Hits {
  readonly first: Int32Array;
  readonly end: Int32Array;
}

export const NO_HITS: Hits = { first: new Int32Array(0), end: new Int32Array(0) };

/** The places where something occurs that is among those asked for. */
export function hitsOf(
  occurrence: Int32Array,
  occurrenceFirst: Int32Array,
  occurrenceEnd: Int32Array,
  isAsked: (item: number) => boolean,
): Hits {
  const at: number[] = [];
  for (let i = 0; i < occurrence.length; i++) if (isAsked(occurrence[i])) at.push(i);
  return {
    first: Int32Array.from(at, (i) => occurrenceFirst[i]),
    end: Int32Array.from(at, (i) => occurrenceEnd[i]),
  };
}

/** The source of each hit. */
export function sourcesOfHits(tokens: Tokens, hits: Hits): Int32Array {
  return hits.first.map((token) => tokens.sentenceSource[sentenceAt(tokens, token)]);
}

/**
 * Hits source by source in the order the sources are shown in, and within each as they stand.
 *
 * @param ranks by source: its place among those shown
 */
export function hitsAsShown(tokens: Tokens, hits: Hits, ranks: readonly number[]): Hits {
  const sources = sourcesOfHits(tokens, hits);
  const order = Array.from(hits.first.keys()).sort((a, b) => ranks[sources[a]] - ranks[sources[b]] || a - b);
  return {
    first: Int32Array.from(order, (i) => hits.first[i]),
    end: Int32Array.from(order, (i) => hits.end[i]),
  };
}

/** The hits in some sources. */
export function hitsIn(tokens: Tokens, hits: Hits, isMeant: (source: number) => boolean): Hits {
  const sources = sourcesOfHits(tokens, hits);
  const kept = Array.from(hits.first.keys()).filter((i) => isMeant(sources[i]));
  return {
    first: Int32Array.from(kept, (i) => hits.first[i]),
    end: Int32Array.from(kept, (i) => hits.end[i]),
  };
}

/** Passages round hits: the sentence of each with one on either side in its paragraph; those that touch are joined. */
export function passagesOfHits(
  tokens: Tokens,
  hits: Hits,
  limit: number,
  order: 'text' | 'marks' = 'text',
): { passages: Passage[]; total: number } {
  const spans: { first: number; last: number; from: number; to: number }[] = [];
  const sameBlock = (a: number, b: number): boolean =>
    tokens.sentenceSource[a] === tokens.sentenceSource[b] &&
    tokens.sentenceParagraph[a] === tokens.sentenceParagraph[b] &&
    tokens.sentenceTurn[a] === tokens.sentenceTurn[b];
  const sentences = tokens.sentenceStart.length;
  for (let i = 0; i < hits.first.length; i++) {
    const sentence = sentenceAt(tokens, hits.first[i]);
    const first = sentence > 0 && sameBlock(sentence - 1, sentence) ? sentence - 1 : sentence;
    const last = sentence + 1 < sentences && sameBlock(sentence + 1, sentence) ? sentence + 1 : sentence;
    const before = spans[spans.length - 1];
    if (before && first <= before.last && sameBlock(before.last, first)) {
      before.last = Math.max(before.last, last);
      before.to = i + 1;
    } else spans.push({ first, last, from: i, to: i + 1 });
  }
  // Stable: passages with as many hits stay as they stand.
  if (order === 'marks') spans.sort((a, b) => b.to - b.from - (a.to - a.from));
  const passages = spans.slice(0, limit).map(({ first, last, from, to }): Passage => ({
    source: tokens.sentenceSource[first],
    paragraph: tokens.sentenceParagraph[first],
    start: tokens.sentenceStart[first],
    end: tokens.sentenceEnd[last],
    windows: to - from,
    shortened: false,
    marks: Array.from({ length: to - from }, (_, i) => ({
      start: tokens.start[hits.first[from + i]],
      end: tokens.end[hits.end[from + i] - 1],
      concept: -1,
    })),
  }));
  return { passages, total: spans.length };
}
