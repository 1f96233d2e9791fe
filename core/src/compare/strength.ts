import { largest, least } from '../base/extent.ts';
import type { Counts } from '../network/counts.ts';
import type { Windows } from '../network/windows.ts';
import { adjustForMany, quantile, wilsonInterval } from '../numeric/chance.ts';
import { randomInteger, seededRandom, shuffle } from '../numeric/random.ts';
import { eachSpeaking } from '../themes/themes.ts';

/** How often each source speaks to each theme. */
export interface SourceStrength {
  /** Windows of each source. */
  readonly windows: Int32Array;
  /** Windows of source s that speak to theme t, at s × themes + t. */
  readonly speaking: Int32Array;
  readonly themeCount: number;
  readonly overlap: number;
}

/** The strength of one theme in one group. */
export interface Strength {
  readonly share: number;
  /** 95 % interval. */
  readonly low: number;
  readonly high: number;
  /** Windows that speak to the theme. */
  readonly speaking: number;
}

export interface GroupStrength {
  readonly group: string;
  readonly sources: number;
  readonly windows: number;
  /** By theme. */
  readonly strengths: readonly Strength[];
  /** How the intervals were made: over sources, or, with one source, over its windows. */
  readonly interval: 'bootstrap' | 'wilson';
}

export interface Comparison {
  readonly groups: readonly GroupStrength[];
  /** Share over all sources that have a group, by theme. */
  readonly overall: readonly number[];
  /** Chance of groups as unlike as these if sources had been dealt to them blindly, by theme. */
  readonly p: Float64Array;
  /** p adjusted over the themes (Benjamini & Hochberg 1995). */
  readonly q: Float64Array;
  /** Largest less smallest share, by theme. */
  readonly range: readonly number[];
  /** Whether every arrangement of the sources was tried, or a sample. */
  readonly exact: boolean;
}

export const BOOTSTRAP_SAMPLES = 999;
export const PERMUTATIONS = 999;
/** Below this number of arrangements all of them are tried. */
const EXACT_LIMIT = 10_000;

/** Counts, source by source, the windows that speak to each theme. */
export function strengthBySource(
  counts: Counts,
  windows: Windows,
  sourceCount: number,
  themeOf: Int32Array,
  themeCount: number,
  fewest: number,
): SourceStrength {
  const perSource = new Int32Array(sourceCount);
  for (let w = 0; w < windows.count; w++) perSource[windows.source[w]]++;
  const speaking = new Int32Array(sourceCount * themeCount);
  eachSpeaking(counts, themeOf, themeCount, fewest, (w, theme) => {
    speaking[windows.source[w] * themeCount + theme]++;
  });
  return { windows: perSource, speaking, themeCount, overlap: windows.overlap };
}

/**
 * Compares groups of sources: the share of each group's windows that speak to each theme, with a percentile bootstrap
 * interval over its sources (Efron 1979; windows of one source hang together) or, where it has one source, the Wilson
 * interval over its windows divided by their overlap; and a permutation test of the difference.
 *
 * @param groupOf group of each source, −1 for none
 */
export function compareGroups(
  bySource: SourceStrength,
  groupOf: Int32Array,
  groupNames: readonly string[],
  seed: number,
): Comparison {
  const { themeCount } = bySource;
  const members = groupNames.map((_, g) => Array.from(groupOf.keys()).filter((s) => groupOf[s] === g));
  const groups = members.map((sources, g) => groupStrength(bySource, sources, groupNames[g], seed, g));
  const all = members.flat();
  const total = sumOver(bySource, all);
  const overall = Array.from({ length: themeCount }, (_, t) =>
    total.windows === 0 ? 0 : total.speaking[t] / total.windows,
  );
  const { p, exact } = testDifference(bySource, members, seed);
  const range = overall.map((_, t) => {
    const shares = groups.filter((g) => g.windows > 0).map((g) => g.strengths[t].share);
    return shares.length < 2 ? 0 : largest(shares) - least(shares);
  });
  return { groups, overall, p, q: adjustForMany(p), range, exact };
}

function sumOver(
  bySource: SourceStrength,
  sources: readonly number[],
): { windows: number; speaking: Int32Array } {
  const speaking = new Int32Array(bySource.themeCount);
  let windows = 0;
  for (const s of sources) {
    windows += bySource.windows[s];
    for (let t = 0; t < speaking.length; t++) speaking[t] += bySource.speaking[s * speaking.length + t];
  }
  return { windows, speaking };
}

function groupStrength(
  bySource: SourceStrength,
  sources: readonly number[],
  group: string,
  seed: number,
  stream: number,
): GroupStrength {
  const { themeCount, overlap } = bySource;
  const { windows, speaking } = sumOver(bySource, sources);
  const voiced = sources.filter((s) => bySource.windows[s] > 0);
  const single = voiced.length < 2;
  const samples = single ? [] : bootstrap(bySource, voiced, seed, stream);
  const strengths = Array.from({ length: themeCount }, (_, t): Strength => {
    const share = windows === 0 ? 0 : speaking[t] / windows;
    if (single) {
      const [low, high] = wilsonInterval(speaking[t] / overlap, windows / overlap);
      return { share, low, high, speaking: speaking[t] };
    }
    const sorted = samples[t];
    return { share, low: quantile(sorted, 0.025), high: quantile(sorted, 0.975), speaking: speaking[t] };
  });
  return { group, sources: sources.length, windows, strengths, interval: single ? 'wilson' : 'bootstrap' };
}

/** A sum over some sources: the sum of column[chosen[i]] for i from `from` to before `to`. */
function sumChosen(column: Int32Array, chosen: Int32Array, from: number, to: number): number {
  // Whole numbers add up four times as fast as floating ones.
  let sum = 0;
  for (let i = from; i < to; i++) sum = (sum + column[chosen[i]]) | 0;
  return sum;
}

/** Windows, and speaking windows by theme, as columns over the sources: sums run down them without a jump. */
function columnsOf(bySource: SourceStrength): { windows: Int32Array; speaking: Int32Array[] } {
  const { themeCount, windows, speaking } = bySource;
  return {
    windows,
    speaking: Array.from({ length: themeCount }, (_, t) =>
      Int32Array.from(windows, (_count, s) => speaking[s * themeCount + t]),
    ),
  };
}

/** The sorted shares of each theme in samples of the sources, drawn with replacement. */
function bootstrap(
  bySource: SourceStrength,
  sources: readonly number[],
  seed: number,
  stream: number,
): Float64Array[] {
  const random = seededRandom(seed, 1000 + stream);
  const { windows, speaking } = columnsOf(bySource);
  const shares = speaking.map(() => new Float64Array(BOOTSTRAP_SAMPLES));
  const members = Int32Array.from(sources);
  const drawn = new Int32Array(members.length);
  for (let sample = 0; sample < BOOTSTRAP_SAMPLES; sample++) {
    for (let i = 0; i < drawn.length; i++) drawn[i] = members[randomInteger(random, members.length)];
    const all = sumChosen(windows, drawn, 0, drawn.length);
    speaking.forEach((column, t) => (shares[t][sample] = sumChosen(column, drawn, 0, drawn.length) / all));
  }
  return shares.map((values) => values.sort());
}

/**
 * What the permutation test compares: the sum over groups of windows × (share − overall share)², by theme, for sources
 * in an order of which each group takes its size.
 */
function unlikenessOf(
  bySource: SourceStrength,
  sources: readonly number[],
  sizes: readonly number[],
): (order: Int32Array) => Float64Array {
  const { windows, speaking } = columnsOf(bySource);
  const everyone = Int32Array.from(sources);
  const all = sumChosen(windows, everyone, 0, everyone.length);
  const means = speaking.map((column) => sumChosen(column, everyone, 0, everyone.length) / all);
  return (order) => {
    const result = new Float64Array(speaking.length);
    let from = 0;
    for (const size of sizes) {
      const own = sumChosen(windows, order, from, from + size);
      for (let t = 0; t < speaking.length && own > 0; t++) {
        result[t] += own * (sumChosen(speaking[t], order, from, from + size) / own - means[t]) ** 2;
      }
      from += size;
    }
    return result;
  };
}

/** How many ways there are to deal sources to groups of these sizes, as far as the limit. */
function arrangements(sizes: readonly number[]): number {
  let count = 1;
  let dealt = 0;
  for (const size of sizes) {
    for (let i = 1; i <= size; i++) {
      dealt++;
      count = (count * dealt) / i;
      if (count > EXACT_LIMIT * 100) return Infinity;
    }
  }
  return Math.round(count);
}

function testDifference(
  bySource: SourceStrength,
  members: readonly (readonly number[])[],
  seed: number,
): { p: Float64Array; exact: boolean } {
  const filled = members.filter((sources) => sources.length > 0);
  const p = new Float64Array(bySource.themeCount).fill(1);
  if (filled.length < 2) return { p, exact: true };
  const sources = filled.flat();
  const sizes = filled.map((own) => own.length);
  const unlikeness = unlikenessOf(bySource, sources, sizes);
  const order = Int32Array.from(sources);
  const observed = unlikeness(order);
  const asExtreme = new Float64Array(p.length);
  let tried = 0;
  const tryOne = (dealt: Int32Array): void => {
    tried++;
    const value = unlikeness(dealt);
    for (let t = 0; t < p.length; t++) if (value[t] >= observed[t] * (1 - 1e-9)) asExtreme[t]++;
  };
  const exact = arrangements(sizes) < EXACT_LIMIT;
  if (exact) {
    eachArrangement(sources, sizes, tryOne);
    return { p: asExtreme.map((count) => count / tried), exact };
  }
  const random = seededRandom(seed, 5000);
  for (let i = 0; i < PERMUTATIONS; i++) tryOne(shuffle(order, random));
  // The arrangement that was met counts as one of those tried.
  return { p: asExtreme.map((count) => (count + 1) / (tried + 1)), exact };
}

/** Visits every way to deal sources to groups of the sizes given, as an order of which each group takes its size. */
function eachArrangement(
  sources: readonly number[],
  sizes: readonly number[],
  visit: (order: Int32Array) => void,
): void {
  const next = sizes.map((_, g) => sizes.slice(0, g).reduce((a, b) => a + b, 0));
  const ends = next.map((from, g) => from + sizes[g]);
  const order = new Int32Array(sources.length);
  const deal = (i: number): void => {
    if (i === sources.length) {
      visit(order);
      return;
    }
    for (let g = 0; g < sizes.length; g++) {
      if (next[g] === ends[g]) continue;
      order[next[g]++] = sources[i];
      deal(i + 1);
      next[g]--;
    }
  };
  deal(0);
}
