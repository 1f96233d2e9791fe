import type { Counts } from '../network/counts.ts';
import type { Windows } from '../network/windows.ts';
import type { StrengthMeasure } from './measures.ts';
import type { SourceStrength } from './source-strength.ts';

/** What all rows of a comparison are. */
export type RowKind = 'themes' | 'concepts' | 'links';

/** What a strength is of: a stretch speaks to it that holds so many of these concepts; one for a concept, two for a link. */
export interface Row {
  readonly concepts: readonly number[];
  readonly fewest: number;
}

/** What rows are counted in. */
export interface Spoken {
  /** The concepts of each stretch. */
  readonly spoken: Pick<Counts, 'windowFirst' | 'inWindow'>;
  readonly stretches: Windows;
  readonly sources: number;
}

/** The mentions that count, in the order of the text. */
export interface CountedMentions {
  readonly occurrence: Int32Array;
  /** First word of each. */
  readonly occurrenceFirst: Int32Array;
}

/** The rows each concept is in: a few for most, so that a stretch looks at its own alone. */
function rowsOfConcepts(rows: readonly Row[]): Map<number, number[]> {
  const of = new Map<number, number[]>();
  rows.forEach(({ concepts }, row) => {
    for (const concept of concepts) {
      const list = of.get(concept);
      if (list) list.push(row);
      else of.set(concept, [row]);
    }
  });
  return of;
}

/** Visits every stretch with each row it speaks to. */
export function eachRowSpoken(
  { windowFirst, inWindow }: Spoken['spoken'],
  rows: readonly Row[],
  visit: (stretch: number, row: number) => void,
): void {
  const of = rowsOfConcepts(rows);
  const held = new Int32Array(rows.length);
  const touched: number[] = [];
  for (let w = 0; w + 1 < windowFirst.length; w++) {
    for (let i = windowFirst[w]; i < windowFirst[w + 1]; i++) {
      for (const row of of.get(inWindow[i]) ?? []) if (held[row]++ === 0) touched.push(row);
    }
    for (const row of touched) {
      if (held[row] >= rows[row].fewest) visit(w, row);
      held[row] = 0;
    }
    touched.length = 0;
  }
}

/** Counts, source by source, the stretches that speak to each row. */
export function strengthOfRows({ spoken, stretches, sources }: Spoken, rows: readonly Row[]): SourceStrength {
  const windows = new Int32Array(sources);
  for (let w = 0; w < stretches.count; w++) windows[stretches.source[w]]++;
  const speaking = new Int32Array(sources * rows.length);
  eachRowSpoken(spoken, rows, (w, row) => speaking[stretches.source[w] * rows.length + row]++);
  return { windows, speaking, rowCount: rows.length, overlap: stretches.overlap };
}

/** Sources instead of stretches: each is one, and speaks to a row if any stretch of it does. */
export const bySources = ({ windows, speaking, rowCount }: SourceStrength): SourceStrength => ({
  windows: windows.map((count) => Math.min(1, count)),
  speaking: speaking.map((count) => Math.min(1, count)),
  rowCount,
  overlap: 1,
});

/** Mentions instead of stretches: those of a row’s concepts among those of all concepts. */
export function byMentions(
  { stretches, sources }: Spoken,
  rows: readonly Row[],
  { occurrence, occurrenceFirst }: CountedMentions,
): SourceStrength {
  const of = rowsOfConcepts(rows);
  const windows = new Int32Array(sources);
  const speaking = new Int32Array(sources * rows.length);
  let w = 0;
  for (let i = 0; i < occurrence.length && stretches.count > 0; i++) {
    // Stretches follow each other in the order of the text; what stands in none, between two, counts for the next source.
    while (w < stretches.count - 1 && stretches.end[w] <= occurrenceFirst[i]) w++;
    const source = stretches.source[w];
    windows[source]++;
    for (const row of of.get(occurrence[i]) ?? []) speaking[source * rows.length + row]++;
  }
  return { windows, speaking, rowCount: rows.length, overlap: 1 };
}

/** Counts rows as a measure has it. A link has no mentions of its own, so of links stretches are counted. */
export function measureRows(
  counted: Spoken,
  rows: readonly Row[],
  { of, measure }: { readonly of: RowKind; readonly measure: StrengthMeasure },
  mentions: () => CountedMentions,
): SourceStrength {
  if (measure === 'mentions' && of !== 'links') return byMentions(counted, rows, mentions());
  const strength = strengthOfRows(counted, rows);
  return measure === 'sources' ? bySources(strength) : strength;
}
