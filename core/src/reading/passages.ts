import { firstAtLeast } from '../base/order.ts';
import type { Concepts } from '../concepts/selection.ts';
import type { Counts } from '../network/counts.ts';
import type { Windows } from '../network/windows.ts';
import { sentenceAt, type Tokens } from '../text/tokens.ts';

/** What passages are asked for; concepts and themes by number. */
export type PassageQuery =
  /** Windows with all of these concepts, or any: one for a concept, two for a link. */
  | {
      readonly kind: 'concepts';
      readonly concepts: readonly number[];
      /** One will do. */
      readonly any?: boolean;
      readonly sources?: ReadonlySet<number>;
    }
  /** Stretches picked out one by one; the concepts are those that are marked in them. */
  | {
      readonly kind: 'stretches';
      readonly concepts: readonly number[];
      /** 1 for each that is wanted. */
      readonly wanted: Uint8Array;
      readonly sources?: ReadonlySet<number>;
    }
  /** Windows with at least `fewest` concepts of a theme, in all sources or some. */
  | {
      readonly kind: 'theme';
      readonly concepts: readonly number[];
      readonly fewest: number;
      readonly sources?: ReadonlySet<number>;
    };

export interface Mark {
  /** Characters of the original. */
  readonly start: number;
  readonly end: number;
  readonly concept: number;
}

/** One window of text, or several that overlap, in the original words. */
export interface Passage {
  readonly source: number;
  /** Paragraph number in its source, from 1. */
  readonly paragraph: number;
  /** Characters of the original. */
  readonly start: number;
  readonly end: number;
  /** How many windows it joins. */
  readonly windows: number;
  readonly marks: readonly Mark[];
  /** Whether only the beginning of a long window is shown. */
  readonly shortened: boolean;
}

export interface Passages {
  /** Windows that answer the query: the number that was clicked. */
  readonly windows: number;
  /** Passages they join to. */
  readonly total: number;
  readonly sources: number;
  readonly windowsPerSource: Int32Array;
  readonly passages: readonly Passage[];
}

/** A passage longer than this, in sentences, is cut to what stands around its first mark. */
const LONGEST_SHOWN = 8;

/** Which windows answer a query, in the order of the text. */
export function findWindows(
  counts: Pick<Counts, 'windowFirst' | 'inWindow'>,
  windows: Windows,
  query: PassageQuery,
): number[] {
  const asked = new Set(query.concepts);
  const found: number[] = [];
  if (query.kind === 'stretches') {
    for (let w = 0; w < windows.count; w++) {
      if (query.wanted[w] === 1 && (query.sources?.has(windows.source[w]) ?? true)) found.push(w);
    }
    return found;
  }
  const fewest = query.kind === 'theme' ? query.fewest : query.any ? 1 : asked.size;
  if (asked.size === 0) return found;
  for (let w = 0; w < windows.count; w++) {
    if (query.sources && !query.sources.has(windows.source[w])) continue;
    let held = 0;
    for (let i = counts.windowFirst[w]; i < counts.windowFirst[w + 1]; i++) {
      if (asked.has(counts.inWindow[i])) held++;
    }
    if (held >= fewest) found.push(w);
  }
  return found;
}

/** Texts as passages are found in them. */
export interface ReadTexts {
  readonly tokens: Tokens;
  readonly concepts: Concepts;
  readonly counts: Pick<Counts, 'windowFirst' | 'inWindow'>;
  readonly windows: Windows;
}

/** Which passages are given, and in which order. */
export interface PassageOrder {
  readonly from?: number;
  readonly limit?: number;
  readonly order?: 'text' | 'marks';
  readonly ranks?: readonly number[];
}

/**
 * The passages behind a number: windows that overlap are joined, so that nothing is read twice, and the count of
 * windows is kept.
 *
 * @param order 'text': as they stand; 'marks': those with the most different concepts first
 * @param ranks by source: its place where sources are shown; as they stand where it is left out
 * @param limit at most this many passages are returned, from `from` on
 */
export function findPassages(
  { tokens, concepts, counts, windows }: ReadTexts,
  query: PassageQuery,
  { from = 0, limit = 50, order = 'text', ranks }: PassageOrder = {},
): Passages {
  const found = findWindows(counts, windows, query);
  const windowsPerSource = new Int32Array(tokens.sourceFirst.length - 1);
  const spans: { rank: number; first: number; end: number; windows: number; different: number }[] = [];
  const asked = new Set(query.concepts);
  for (const w of found) {
    windowsPerSource[windows.source[w]]++;
    const last = spans[spans.length - 1];
    let held = 0;
    for (let i = counts.windowFirst[w]; i < counts.windowFirst[w + 1]; i++) {
      if (asked.has(counts.inWindow[i])) held++;
    }
    if (last && windows.first[w] < last.end) {
      last.end = windows.end[w];
      last.windows++;
      last.different = Math.max(last.different, held);
    } else {
      const rank = ranks?.[windows.source[w]] ?? 0;
      spans.push({ rank, first: windows.first[w], end: windows.end[w], windows: 1, different: held });
    }
  }
  const asShown = (a: { rank: number; first: number }, b: { rank: number; first: number }): number =>
    a.rank - b.rank || a.first - b.first;
  if (order === 'marks') spans.sort((a, b) => b.different - a.different || asShown(a, b));
  else if (ranks) spans.sort(asShown);
  const passages = spans.slice(from, from + limit).map((span) => makePassage(tokens, concepts, span, asked));
  return {
    windows: found.length,
    total: spans.length,
    sources: windowsPerSource.filter((count) => count > 0).length,
    windowsPerSource,
    passages,
  };
}

function makePassage(
  tokens: Tokens,
  concepts: Concepts,
  span: { first: number; end: number; windows: number },
  asked: ReadonlySet<number>,
): Passage {
  let firstSentence = sentenceAt(tokens, span.first);
  let lastSentence = sentenceAt(tokens, span.end - 1);
  const from = firstAtLeast(concepts.occurrenceFirst, span.first);
  const shortened = lastSentence - firstSentence + 1 > LONGEST_SHOWN;
  if (shortened) {
    let firstMark = from;
    while (firstMark < concepts.occurrence.length && !asked.has(concepts.occurrence[firstMark])) firstMark++;
    firstSentence = Math.max(firstSentence, sentenceAt(tokens, concepts.occurrenceFirst[firstMark]) - 1);
    lastSentence = Math.min(lastSentence, firstSentence + LONGEST_SHOWN - 1);
  }
  const endToken = Math.min(span.end, tokens.sentenceFirst[lastSentence + 1]);
  const marks: Mark[] = [];
  for (let i = from; i < concepts.occurrence.length && concepts.occurrenceFirst[i] < endToken; i++) {
    if (
      !asked.has(concepts.occurrence[i]) ||
      concepts.occurrenceFirst[i] < tokens.sentenceFirst[firstSentence]
    )
      continue;
    marks.push({
      start: tokens.start[concepts.occurrenceFirst[i]],
      end: tokens.end[concepts.occurrenceEnd[i] - 1],
      concept: concepts.occurrence[i],
    });
  }
  return {
    source: tokens.sentenceSource[firstSentence],
    paragraph: tokens.sentenceParagraph[firstSentence],
    start: tokens.sentenceStart[firstSentence],
    end: tokens.sentenceEnd[lastSentence],
    windows: span.windows,
    marks,
    shortened,
  };
}

/** All mentions of some concepts in one source, in its original. */
export function marksInSource(
  tokens: Tokens,
  concepts: Concepts,
  source: number,
  asked: ReadonlySet<number>,
): Mark[] {
  const first = tokens.sentenceFirst[tokens.sourceFirst[source]];
  const end = tokens.sentenceFirst[tokens.sourceFirst[source + 1]];
  const marks: Mark[] = [];
  const from = firstAtLeast(concepts.occurrenceFirst, first);
  for (let i = from; i < concepts.occurrence.length && concepts.occurrenceFirst[i] < end; i++) {
    if (!asked.has(concepts.occurrence[i])) continue;
    marks.push({
      start: tokens.start[concepts.occurrenceFirst[i]],
      end: tokens.end[concepts.occurrenceEnd[i] - 1],
      concept: concepts.occurrence[i],
    });
  }
  return marks;
}
