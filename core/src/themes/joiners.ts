import { byCodeUnits } from '../base/order.ts';
import type { Occurring } from '../concepts/renumbered.ts';
import type { Counts } from '../network/counts.ts';
import { logLikelihood, npmi } from '../network/measures.ts';
import type { Windows } from '../network/windows.ts';
import { adjustForMany, fisherExact } from '../numeric/chance.ts';
import { chiSquareTail } from '../numeric/special.ts';

/** A word that is no concept yet and keeps a theme's company. */
export interface Joiner {
  /** Its number among the candidates. */
  readonly thing: number;
  /** Stretches with it, and those of them that hold a concept of the theme. */
  readonly stretches: number;
  readonly both: number;
  /** Sources in which they meet. */
  readonly sources: number;
  readonly npmi: number;
  /** Chance of so many by themselves, adjusted for all words looked at (Benjamini & Hochberg 1995). */
  readonly q: number;
}

/** Fewest stretches, and sources, in which a word meets the theme. */
const FEWEST_MEETINGS = 3;
const FEWEST_SOURCES = 2;
/** Words are named up to this share of false ones; they are looked at one by one. */
const MOST_FALSE = 0.2;
/** Under this many expected stretches, chance is counted exactly. */
const FEW_EXPECTED = 5;

/**
 * Candidates whose company is a theme's beyond chance: by the stretches of text, which do not overlap, that hold both the word
 * and one of the theme's concepts. Surest first.
 *
 * @param isWanted whether a candidate is looked at
 * @param inTheme 1 for each concept of the theme
 */
export function joinersOf({
  candidates: { occurrence, occurrenceFirst, occurrenceEnd },
  keys,
  isWanted,
  stretches,
  spoken,
  inTheme,
}: {
  readonly candidates: Occurring;
  readonly keys: readonly string[];
  readonly isWanted: (thing: number) => boolean;
  readonly stretches: Windows;
  readonly spoken: Pick<Counts, 'windowFirst' | 'inWindow'>;
  readonly inTheme: Uint8Array;
}): Joiner[] {
  const speaks = new Uint8Array(stretches.count);
  let speaking = 0;
  for (let w = 0; w < stretches.count; w++) {
    for (let i = spoken.windowFirst[w]; i < spoken.windowFirst[w + 1]; i++)
      if (inTheme[spoken.inWindow[i]]) speaks[w] = 1;
    speaking += speaks[w];
  }
  const count = keys.length;
  const all = new Int32Array(count);
  const both = new Int32Array(count);
  const sources = new Int32Array(count);
  const lastStretch = new Int32Array(count).fill(-1);
  const lastSource = new Int32Array(count).fill(-1);
  let stretch = 0;
  for (let i = 0; i < occurrence.length; i++) {
    while (stretch < stretches.count && stretches.end[stretch] < occurrenceEnd[i]) stretch++;
    if (stretch === stretches.count) break;
    const thing = occurrence[i];
    if (occurrenceFirst[i] < stretches.first[stretch] || lastStretch[thing] === stretch) continue;
    lastStretch[thing] = stretch;
    all[thing]++;
    if (!speaks[stretch]) continue;
    both[thing]++;
    if (lastSource[thing] !== stretches.source[stretch]) sources[thing]++;
    lastSource[thing] = stretches.source[stretch];
  }
  const tried: number[] = [];
  const p: number[] = [];
  for (let thing = 0; thing < count; thing++) {
    if (both[thing] < FEWEST_MEETINGS || !isWanted(thing)) continue;
    tried.push(thing);
    p.push(chanceOf(both[thing], all[thing], speaking, stretches.count));
  }
  const q = adjustForMany(p);
  return tried
    .map((thing, i): Joiner => ({
      thing,
      stretches: all[thing],
      both: both[thing],
      sources: sources[thing],
      npmi: npmi(both[thing], all[thing], speaking, stretches.count),
      q: q[i],
    }))
    .filter((each) => each.q < MOST_FALSE && each.sources >= FEWEST_SOURCES)
    .sort((a, b) => a.q - b.q || b.npmi - a.npmi || byCodeUnits(keys[a.thing], keys[b.thing]));
}

/** The chance of so many stretches with both, or more, where neither seeks the other; 1 where they avoid each other. */
function chanceOf(both: number, withWord: number, withTheme: number, count: number): number {
  const expected = (withWord * withTheme) / count;
  if (both <= expected) return 1;
  if (expected < FEW_EXPECTED)
    return fisherExact(both, withWord - both, withTheme - both, count - withWord - withTheme + both);
  return chiSquareTail(logLikelihood(both, withWord, withTheme, count));
}
