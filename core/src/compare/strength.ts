import { largest, least } from '../base/extent.ts';
import { Int32List } from '../base/int32-list.ts';
import { adjustForMany, wilsonInterval } from '../numeric/chance.ts';
import { seededRandom, shuffle } from '../numeric/random.ts';
import { studentQuantile } from '../numeric/special.ts';

/** How often each source speaks to each row: a theme, a concept, or a link. */
export interface SourceStrength {
  /** Stretches of each source; or its mentions of concepts, or itself, as the measure is. */
  readonly windows: Int32Array;
  /** Of those of source s, what speaks to row t, at s × rows + t. */
  readonly speaking: Int32Array;
  readonly rowCount: number;
  readonly overlap: number;
}

/** The strength of one theme in one group. */
export interface Strength {
  readonly share: number;
  /** 95 % interval. */
  readonly low: number;
  readonly high: number;
  /** Windows that speak to the theme, and sources that do. */
  readonly speaking: number;
  readonly sources: number;
  /** How many windows count as one, as those of a source hang together. */
  readonly effect: number;
}

export interface GroupStrength {
  readonly group: string;
  readonly sources: number;
  readonly windows: number;
  /** By theme. */
  readonly strengths: readonly Strength[];
  /** How the intervals were made: over sources, or, with one source, over its windows. */
  readonly interval: 'sources' | 'windows';
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
  /** The smallest p that any difference could have: with few sources no difference can be told from chance. */
  readonly smallestP: number;
  /** The difference between the two largest groups that would be found in four of five such studies, by theme. */
  readonly findable: readonly number[];
}

export const PERMUTATIONS = 999;
/** Below this number of arrangements all of them are tried. */
const EXACT_LIMIT = 10_000;

/**
 * Compares groups of sources: the share of each group's windows that speak to each theme, with Wilson's interval (1927) of
 * the windows divided by the design effect of their sources, and Student's t for the few sources; where a group has one
 * source, over its windows divided by their overlap; and a permutation test of the difference.
 *
 * @param groupOf group of each source, −1 for none
 */
export function compareGroups(
  bySource: SourceStrength,
  groupOf: ArrayLike<number>,
  groupNames: readonly string[],
  seed: number,
): Comparison {
  return compareEach([bySource], groupOf, groupNames, seed)[0];
}

/** Compares the same groups by several counts of the same sources; each comparison is what it would be by itself. */
export function compareEach(
  counts: readonly SourceStrength[],
  groupOf: ArrayLike<number>,
  groupNames: readonly string[],
  seed: number,
): Comparison[] {
  const members: number[][] = groupNames.map(() => []);
  for (let s = 0; s < groupOf.length; s++) if (groupOf[s] >= 0) members[groupOf[s]].push(s);
  const tests = testDifferences(counts, members, seed);
  return counts.map((bySource, i) => {
    const groups = members.map((sources, g) => groupStrength(bySource, sources, groupNames[g]));
    return describeGroups(bySource, members, groups, tests[i]);
  });
}

function describeGroups(
  bySource: SourceStrength,
  members: readonly (readonly number[])[],
  groups: readonly GroupStrength[],
  { p, exact }: { readonly p: Float64Array; readonly exact: boolean },
): Comparison {
  const total = sumOver(bySource, members.flat());
  const overall = Array.from({ length: bySource.rowCount }, (_, t) =>
    total.windows === 0 ? 0 : total.speaking[t] / total.windows,
  );
  const range = overall.map((_, t) => {
    const shares = groups.filter((g) => g.windows > 0).map((g) => g.strengths[t].share);
    return shares.length < 2 ? 0 : largest(shares) - least(shares);
  });
  const sizes = members.filter((sources) => sources.length > 0).map((sources) => sources.length);
  return {
    groups,
    overall,
    p,
    q: adjustForMany(p),
    range,
    exact,
    smallestP: smallestChance(sizes),
    findable: overall.map((share, t) => findableDifference(groups, share, t)),
  };
}

function sumOver(
  bySource: SourceStrength,
  sources: ArrayLike<number> & Iterable<number>,
): { windows: number; speaking: Int32Array } {
  const speaking = new Int32Array(bySource.rowCount);
  let windows = 0;
  for (const s of sources) {
    windows += bySource.windows[s];
    for (let t = 0; t < speaking.length; t++) speaking[t] += bySource.speaking[s * speaking.length + t];
  }
  return { windows, speaking };
}

/** The strength of every row in some sources. */
export function groupStrength(
  bySource: SourceStrength,
  sources: readonly number[],
  group: string,
): GroupStrength {
  const { rowCount, overlap } = bySource;
  const { windows, speaking } = sumOver(bySource, sources);
  const voiced = sources.filter((s) => bySource.windows[s] > 0);
  const single = voiced.length < 2;
  const { effects, degrees } = designEffects(bySource, voiced, { windows, speaking });
  const strengths = Array.from({ length: rowCount }, (_, t): Strength => {
    const share = windows === 0 ? 0 : speaking[t] / windows;
    const effect = single ? overlap : effects[t];
    const [low, high] = wilsonInterval(
      speaking[t] / effect,
      windows / effect,
      single ? undefined : studentQuantile(0.05, degrees),
    );
    const from = voiced.filter((s) => bySource.speaking[s * rowCount + t] > 0).length;
    return { share, low, high, speaking: speaking[t], sources: from, effect };
  });
  return { group, sources: sources.length, windows, strengths, interval: single ? 'windows' : 'sources' };
}

/** The mean design effect of a group's themes counts as so many sources more, where there are more themes than that. */
const PRIOR_SOURCES = 6;

/**
 * By how much more a share varies than if its windows were drawn one by one: sources differ, and windows of one source
 * hang together (design effect, Kish 1965; variance of a ratio over clusters). A few sources tell it badly, so each theme's
 * is drawn towards the mean of all themes'; that is worth some degrees of freedom.
 *
 * Measured (bench/intervals.ts): 95 % intervals hold the true share in 94 to 98 % from 2 to 30 sources.
 */
function designEffects(
  bySource: SourceStrength,
  voiced: readonly number[],
  { windows, speaking }: { readonly windows: number; readonly speaking: Int32Array },
): { effects: number[]; degrees: number } {
  const clusters = voiced.length;
  const themes = bySource.rowCount;
  if (clusters < 2) return { effects: new Array<number>(themes).fill(1), degrees: 1 };
  const drawn = (t: number): number => {
    const share = speaking[t] / windows;
    return (share * (1 - share)) / windows;
  };
  const clustered = (t: number): number => {
    const share = speaking[t] / windows;
    let sum = 0;
    for (const s of voiced) sum += (bySource.speaking[s * themes + t] - share * bySource.windows[s]) ** 2;
    return ((clusters / (clusters - 1)) * sum) / windows ** 2;
  };
  const all = Array.from({ length: themes }, (_, t) => ({ drawn: drawn(t), clustered: clustered(t) }));
  const total = all.reduce((sum, each) => sum + each.drawn, 0);
  const mean = total > 0 ? Math.max(1, all.reduce((sum, each) => sum + each.clustered, 0) / total) : 1;
  const prior = Math.min(PRIOR_SOURCES, themes - 1);
  const effects = all.map((each) => {
    const own = each.drawn > 0 ? each.clustered / each.drawn : mean;
    return Math.max(1, ((clusters - 1) * own + prior * mean) / (clusters - 1 + prior));
  });
  return { effects, degrees: clusters - 1 + prior / 2 };
}

/** What some counts hold of each source, row by row, as most rows are spoken to by few; the windows are a row of their own. */
interface Entries {
  /** Where the entries of the k-th source begin, and one past the last. */
  readonly start: Int32Array;
  readonly row: Int32Array;
  readonly times: Int32Array;
  /** The row in which the windows of each count stand; its own rows follow. */
  readonly windowsRow: readonly number[];
  readonly rows: number;
}

function entriesOf(counts: readonly SourceStrength[], sources: Int32Array): Entries {
  const windowsRow: number[] = [];
  let rows = 0;
  for (const { rowCount } of counts) {
    windowsRow.push(rows);
    rows += 1 + rowCount;
  }
  const start = new Int32Array(sources.length + 1);
  const row = new Int32List();
  const times = new Int32List();
  const enter = (at: number, count: number): void => {
    if (count === 0) return;
    row.push(at);
    times.push(count);
  };
  sources.forEach((s, k) => {
    counts.forEach(({ windows, speaking, rowCount }, c) => {
      enter(windowsRow[c], windows[s]);
      for (let t = 0; t < rowCount; t++) enter(windowsRow[c] + 1 + t, speaking[s * rowCount + t]);
    });
    start[k + 1] = row.length;
  });
  return { start, row: row.done(), times: times.done(), windowsRow, rows };
}

/**
 * Adds up what each group holds, groups × rows. One group, best the largest, is what the others leave of all.
 *
 * A function of its own, as what it reads is then known to stay the same: in the closure that calls it, it took five times as
 * long.
 */
function addUp(
  { start, row, times, rows }: Entries,
  {
    sources,
    groupOf,
    rest,
    all,
  }: { sources: Int32Array; groupOf: Int32Array; rest: number; all: Int32Array },
  held: Int32Array,
): void {
  held.fill(0);
  for (let k = 0; k < sources.length; k++) {
    const group = groupOf[sources[k]];
    if (group === rest) continue;
    const from = group * rows;
    const end = start[k + 1];
    for (let e = start[k]; e < end; e++) held[from + row[e]] += times[e];
  }
  const left = held.subarray(rest * rows, (rest + 1) * rows);
  left.set(all);
  for (let from = 0; from < held.length; from += rows) {
    if (from === rest * rows) continue;
    for (let r = 0; r < rows; r++) left[r] -= held[from + r];
  }
}

/**
 * What the permutation test compares: the sum over groups of windows × (share − overall share)², by row of each of the counts,
 * for sources dealt to groups of such sizes.
 *
 * @param sources those that take part
 * @returns a function of the group of each source
 */
function unlikenessOf(
  counts: readonly SourceStrength[],
  sources: Int32Array,
  sizes: readonly number[],
): (groupOf: Int32Array) => Float64Array[] {
  const entries = entriesOf(counts, sources);
  const { windowsRow, rows } = entries;
  const means = counts.map((bySource) => {
    const { windows, speaking } = sumOver(bySource, sources);
    return Float64Array.from(speaking, (count) => count / windows);
  });
  const held = new Int32Array(sizes.length * rows);
  const rest = sizes.indexOf(largest(sizes));
  const all = new Int32Array(rows);
  entries.row.forEach((r, e) => (all[r] += entries.times[e]));
  return (groupOf) => {
    addUp(entries, { sources, groupOf, rest, all }, held);
    return means.map((mean, c) => {
      const result = new Float64Array(mean.length);
      for (let g = 0; g < sizes.length; g++) {
        const at = g * rows + windowsRow[c];
        const own = held[at];
        if (own === 0) continue;
        for (let t = 0; t < mean.length; t++) result[t] += own * (held[at + 1 + t] / own - mean[t]) ** 2;
      }
      return result;
    });
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

/** Tests the differences of several counts of the same sources in the same groups, with the same regroupings. */
function testDifferences(
  counts: readonly SourceStrength[],
  members: readonly (readonly number[])[],
  seed: number,
): { p: Float64Array; exact: boolean }[] {
  const filled = members.filter((sources) => sources.length > 0);
  if (filled.length < 2) {
    return counts.map(({ rowCount }) => ({ p: new Float64Array(rowCount).fill(1), exact: true }));
  }
  const sources = filled.flat();
  const sizes = filled.map((own) => own.length);
  const groupOf = new Int32Array(counts[0].windows.length).fill(-1);
  const deal = (order: ArrayLike<number>): void => {
    let from = 0;
    sizes.forEach((size, g) => {
      for (let i = from; i < from + size; i++) groupOf[order[i]] = g;
      from += size;
    });
  };
  deal(sources);
  const unlikeness = unlikenessOf(counts, Int32Array.from(sources), sizes);
  const observed = unlikeness(groupOf);
  const asExtreme = counts.map(({ rowCount }) => new Float64Array(rowCount));
  let tried = 0;
  const tryOne = (order: ArrayLike<number>): void => {
    tried++;
    deal(order);
    unlikeness(groupOf).forEach((value, c) => {
      for (let t = 0; t < value.length; t++) if (value[t] >= observed[c][t] * (1 - 1e-9)) asExtreme[c][t]++;
    });
  };
  const exact = arrangements(sizes) < EXACT_LIMIT;
  if (exact) eachArrangement(sources, sizes, tryOne);
  else {
    const order = Int32Array.from(sources);
    const random = seededRandom(seed, 5000);
    for (let i = 0; i < PERMUTATIONS; i++) tryOne(shuffle(order, random));
  }
  // Of a sample, the arrangement that was met counts as one of those tried.
  const more = exact ? 0 : 1;
  return asExtreme.map((times) => ({
    p: times.map((count) => (count + more) / (tried + more)),
    exact,
  }));
}

/** The chance of the most unlike arrangement: groups of one size may be told apart by name only. */
function smallestChance(sizes: readonly number[]): number {
  if (sizes.length < 2) return 1;
  const alike = new Map<number, number>();
  let same = 1;
  for (const size of sizes) {
    const times = (alike.get(size) ?? 0) + 1;
    alike.set(size, times);
    same *= times;
  }
  return Math.min(1, Math.max(same / arrangements(sizes), 1 / (PERMUTATIONS + 1)));
}

/** The sum of the normal quantiles of a two-sided 5 % test and of a power of 80 %. */
const FOUND_IN_FOUR_OF_FIVE = 1.96 + 0.84;

function findableDifference(groups: readonly GroupStrength[], share: number, theme: number): number {
  const [first, second] = [...groups]
    .filter((group) => group.windows > 0)
    .sort((a, b) => b.windows - a.windows);
  if (!second) return 1;
  const varianceOf = ({ windows, strengths }: GroupStrength): number =>
    (share * (1 - share) * strengths[theme].effect) / windows;
  return Math.min(1, FOUND_IN_FOUR_OF_FIVE * Math.sqrt(varianceOf(first) + varianceOf(second)));
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
