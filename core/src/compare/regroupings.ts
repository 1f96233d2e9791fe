import { Int32List } from '../base/int32-list.ts';
import { largest } from '../base/extent.ts';
import { seededRandom, shuffle } from '../numeric/random.ts';
import { sumOver, type SourceStrength } from './source-strength.ts';

const PERMUTATIONS = 999;
/** Below this number of arrangements all of them are tried. */
const EXACT_LIMIT = 10_000;

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
export function testDifferences(
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
export function smallestChance(sizes: readonly number[]): number {
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
