import { ranked } from '../base/order.ts';
import type { Counts } from '../network/counts.ts';
import type { Occurring } from '../concepts/renumbered.ts';
import type { Windows } from '../network/windows.ts';
import { eachSpeaking } from './themes.ts';

/** 1 for each stretch that speaks to some theme. */
export function reachedByThemes(
  spoken: Pick<Counts, 'windowFirst' | 'inWindow'>,
  themeOf: Int32Array,
  themeCount: number,
  fewest: number,
): Uint8Array {
  const reached = new Uint8Array(spoken.windowFirst.length - 1);
  eachSpeaking(spoken, themeOf, themeCount, fewest, (stretch) => (reached[stretch] = 1));
  return reached;
}

/** The share of all stretches that hold each concept; 0 where there are none. */
export function sharesOfStretches(
  { windowFirst, inWindow }: Pick<Counts, 'windowFirst' | 'inWindow'>,
  concepts: number,
): Float64Array {
  const stretches = windowFirst.length - 1;
  const share = new Float64Array(concepts);
  for (let at = 0; at < inWindow.length; at++) share[inWindow[at]] += 1 / stretches;
  return share;
}

/** Fewest mentions, where no theme reaches, of a word that is named. */
const FEWEST_MISSED = 2;

/**
 * The things that are said where no theme reaches, oftener than their mentions in all make likely: by the log-likelihood
 * of so many, mentions × ln(mentions / expected), largest first (Dunning 1993, its first term).
 *
 * @param count how many things there are
 */
export function wordsMissed(
  { occurrence, occurrenceFirst, occurrenceEnd }: Occurring,
  count: number,
  stretches: Windows,
  reached: Uint8Array,
  most: number,
): { thing: number; missed: number; all: number }[] {
  const all = new Int32Array(count);
  const missed = new Int32Array(count);
  let stretch = 0;
  let [inAll, inMissed] = [0, 0];
  for (let i = 0; i < occurrence.length; i++) {
    while (stretch < stretches.count && stretches.end[stretch] < occurrenceEnd[i]) stretch++;
    if (stretch === stretches.count) break;
    if (occurrenceFirst[i] < stretches.first[stretch]) continue;
    all[occurrence[i]]++;
    inAll++;
    if (reached[stretch] === 1) continue;
    missed[occurrence[i]]++;
    inMissed++;
  }
  const score = (thing: number): number => {
    const expected = (all[thing] * inMissed) / Math.max(1, inAll);
    return missed[thing] < FEWEST_MISSED || missed[thing] <= expected
      ? 0
      : missed[thing] * Math.log(missed[thing] / expected);
  };
  return ranked(count, score)
    .slice(0, most)
    .filter((thing) => score(thing) > 0)
    .map((thing) => ({ thing, missed: missed[thing], all: all[thing] }));
}
