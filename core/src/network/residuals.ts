import type { Counts } from './counts.ts';
import type { Windows } from './windows.ts';

/** Windows are laid in so many strata by their length, each with as many windows. */
const STRATA = 20;
/** Fewest windows over which a concept's presence is followed, so that bursts are seen; longer where windows overlap more. */
const FEWEST_LAGS = 4;
const MOST_LAGS = 64;
/**
 * Sources of fewer windows, such as short answers, are taken together as one block: what a single answer holds says all
 * there is to say of who keeps company with whom.
 */
const SHORT_SOURCE = 8;

/**
 * How the windows that hold concepts differ from what their lengths make likely. Windows stand by blocks, within which
 * company is judged: a source each, and the short sources together as the last.
 */
export interface Residuals {
  readonly size: number;
  readonly blocks: number;
  /** How often each block counts: once, or as often as its source is drawn. */
  readonly times: Float64Array;
  /** First window of each block; one more than there are blocks. */
  readonly blockFirst: Int32Array;
  /** Concepts of window w: `inWindow[windowFirst[w] … windowFirst[w + 1])`. */
  readonly windowFirst: Int32Array;
  readonly inWindow: Int32Array;
  /** Where window w stands among the collection's. */
  readonly windowAt: Int32Array;
  /** How many concepts windows as long hold on average: a long window holds more of everything. */
  readonly weight: Float64Array;
  /** Windows ahead that are looked at. */
  readonly lags: number;
  /** blocks × (lags + 1): sums of the products of the weights of windows so far apart. */
  readonly products: Float64Array;
  /** Sum of the weights of each block's windows, and of their squares. */
  readonly sums: Float64Array;
  readonly squares: Float64Array;
  /** size × blocks: windows of a block that hold a concept, and the sum of their weights. */
  readonly held: Float64Array;
  readonly heldWeight: Float64Array;
}

/** The weight of each window, by strata of length. */
export function windowWeights(counts: Counts, windows: Windows): Float64Array {
  const length = Int32Array.from({ length: windows.count }, (_, w) => windows.end[w] - windows.first[w]);
  const sorted = length.slice().sort();
  const cuts: number[] = [];
  for (let k = 1; k < STRATA; k++) {
    const cut = sorted[Math.floor((k * windows.count) / STRATA)];
    if (cut > (cuts.at(-1) ?? sorted[0])) cuts.push(cut);
  }
  const stratumOf = length.map((each) => {
    let stratum = 0;
    while (stratum < cuts.length && each >= cuts[stratum]) stratum++;
    return stratum;
  });
  const held = new Float64Array(cuts.length + 1);
  const number = new Float64Array(cuts.length + 1);
  for (let w = 0; w < windows.count; w++) {
    held[stratumOf[w]] += counts.windowFirst[w + 1] - counts.windowFirst[w];
    number[stratumOf[w]]++;
  }
  // A stratum without any concept still has some weight, so that nothing is divided by 0.
  return Float64Array.from(stratumOf, (stratum) => Math.max(held[stratum] / number[stratum], 1e-3));
}

/** The windows of each source that has any, in the order of the text. */
export function windowsBySource(windows: Windows): number[][] {
  const lists: number[][] = [];
  for (let w = 0; w < windows.count; w++) (lists[windows.source[w]] ??= []).push(w);
  return lists.filter((list) => list !== undefined);
}

/** Whether the windows of a source are a block of their own. */
export const isBlock = (windowsOfSource: readonly number[]): boolean =>
  windowsOfSource.length >= SHORT_SOURCE;

/** The windows of each block, in the order of the text. */
function blocksOf(windows: Windows): number[][] {
  const present = windowsBySource(windows);
  const short = present.filter((list) => !isBlock(list)).flat();
  const blocks = present.filter(isBlock);
  return short.length > 0 ? [...blocks, short] : blocks;
}

/**
 * Works out what the residuals of a collection's windows are found from.
 *
 * @param weights of each window, where they are known
 */
export function residualsOf(
  counts: Counts,
  windows: Windows,
  weights = windowWeights(counts, windows),
): Residuals {
  const size = counts.windowsWith.length;
  const lists = blocksOf(windows);
  const blocks = lists.length;
  const blockFirst = new Int32Array(blocks + 1);
  const windowFirst = new Int32Array(windows.count + 1);
  const inWindow = new Int32Array(counts.inWindow.length);
  const windowAt = Int32Array.from(lists.flat());
  const weight = new Float64Array(windows.count);
  const times = new Float64Array(blocks).fill(1);
  const sums = new Float64Array(blocks);
  const squares = new Float64Array(blocks);
  const held = new Float64Array(size * blocks);
  const heldWeight = new Float64Array(size * blocks);
  let at = 0;
  let w = 0;
  lists.forEach((list, b) => {
    for (const from of list) {
      weight[w] = weights[from];
      sums[b] += weight[w];
      squares[b] += weight[w] * weight[w];
      for (let k = counts.windowFirst[from]; k < counts.windowFirst[from + 1]; k++) {
        const concept = counts.inWindow[k];
        inWindow[at++] = concept;
        held[concept * blocks + b]++;
        heldWeight[concept * blocks + b] += weight[w];
      }
      windowFirst[++w] = at;
    }
    blockFirst[b + 1] = w;
  });
  const lags = Math.min(MOST_LAGS, Math.max(FEWEST_LAGS, Math.ceil(windows.overlap) + 1));
  const products = new Float64Array(blocks * (lags + 1));
  for (let b = 0; b < blocks; b++) {
    for (let l = 0; l <= lags; l++) {
      let sum = 0;
      for (let at = blockFirst[b]; at + l < blockFirst[b + 1]; at++) sum += weight[at] * weight[at + l];
      products[b * (lags + 1) + l] = sum;
    }
  }
  return {
    size,
    blocks,
    times,
    blockFirst,
    windowFirst,
    inWindow,
    windowAt,
    weight,
    lags,
    products,
    sums,
    squares,
    held,
    heldWeight,
  };
}

/** Residuals with another last block: the only one of others that have one. */
export function withLastBlock(residuals: Residuals, last: Residuals): Residuals {
  const { size, blocks, blockFirst, windowFirst, lags } = residuals;
  const at = blocks - 1;
  const windows = blockFirst[at];
  const mentions = windowFirst[windows];
  const put = (list: Float64Array, by: Float64Array): Float64Array => {
    const copy = list.slice();
    for (let i = 0; i < size; i++) copy[i * blocks + at] = by[i];
    return copy;
  };
  const joined = <List extends Int32Array | Float64Array>(list: List, head: number, tail: List): List => {
    const whole = new (list.constructor as new (length: number) => List)(head + tail.length);
    whole.set(list.subarray(0, head));
    whole.set(tail, head);
    return whole;
  };
  return {
    size,
    blocks,
    times: residuals.times,
    blockFirst: joined(blockFirst, blocks, Int32Array.of(windows + last.blockFirst[1])),
    windowFirst: joined(
      windowFirst,
      windows,
      last.windowFirst.map((place) => place + mentions),
    ),
    inWindow: joined(residuals.inWindow, mentions, last.inWindow),
    windowAt: joined(residuals.windowAt, windows, last.windowAt),
    weight: joined(residuals.weight, windows, last.weight),
    lags,
    products: joined(residuals.products, at * (lags + 1), last.products),
    sums: joined(residuals.sums, at, last.sums),
    squares: joined(residuals.squares, at, last.squares),
    held: put(residuals.held, last.held),
    heldWeight: put(residuals.heldWeight, last.heldWeight),
  };
}

/** Windows of a block with a concept per unit of weight. */
export const rateIn = ({ held, sums, blocks }: Residuals, concept: number, block: number): number =>
  sums[block] > 0 ? held[concept * blocks + block] / sums[block] : 0;

/** Concepts that are in a block, in their order. */
export function presentIn({ size, blocks, held }: Residuals, block: number): number[] {
  const present: number[] = [];
  for (let i = 0; i < size; i++) if (held[i * blocks + block] > 0) present.push(i);
  return present;
}

/** How unequal the weights of a block's windows are: 1 where they are all the same. */
export const unevenness = ({ blockFirst, sums, squares }: Residuals, block: number): number =>
  ((blockFirst[block + 1] - blockFirst[block]) * squares[block]) / sums[block] ** 2;

/**
 * size × (lags + 1): autocovariances of each concept's residuals in a block, summed over windows, and, for each concept,
 * the variance its number of windows there has by its bursts.
 */
export function covarianceIn(
  residuals: Residuals,
  block: number,
): { covariance: Float64Array; ofSum: Float64Array } {
  const { size, blockFirst, weight, lags, products } = residuals;
  const [from, to] = [blockFirst[block], blockFirst[block + 1]];
  const covariance = new Float64Array(size * (lags + 1));
  const ofSum = new Float64Array(size);
  const has = new Uint8Array(to - from);
  for (const [i, list] of windowsByConcept(residuals, block)) {
    const a = rateIn(residuals, i, block);
    for (const w of list) has[w - from] = 1;
    const own = covariance.subarray(i * (lags + 1), (i + 1) * (lags + 1));
    for (let l = 0; l <= lags; l++) {
      let sum = a * a * products[block * (lags + 1) + l];
      for (const w of list) {
        if (w + l < to) sum += has[w + l - from] - a * weight[w + l];
        if (w - l >= from) sum -= a * weight[w - l];
      }
      own[l] = sum;
    }
    for (const w of list) has[w - from] = 0;
    ofSum[i] = unbias(own, to - from);
  }
  return { covariance, ofSum };
}

/** groups × (lags + 1): the same of the summed residuals of each group's concepts. */
export function covarianceOfGroups(
  residuals: Residuals,
  block: number,
  groupOf: ArrayLike<number>,
  groups: number,
): Float64Array {
  const { size, blockFirst, windowFirst, inWindow, weight, lags, products } = residuals;
  const [from, to] = [blockFirst[block], blockFirst[block + 1]];
  const rates = new Float64Array(groups);
  for (let i = 0; i < size; i++) if (groupOf[i] >= 0) rates[groupOf[i]] += rateIn(residuals, i, block);
  // Most windows hold nothing of a group, so only those that do are gone through: how many of its concepts each holds.
  const held = Array.from({ length: groups }, () => new Float64Array(to - from));
  const at: number[][] = Array.from({ length: groups }, () => []);
  for (let w = from; w < to; w++) {
    for (let k = windowFirst[w]; k < windowFirst[w + 1]; k++) {
      const group = groupOf[inWindow[k]];
      if (group >= 0 && held[group][w - from]++ === 0) at[group].push(w);
    }
  }
  const covariance = new Float64Array(groups * (lags + 1));
  for (let g = 0; g < groups; g++) {
    const own = held[g];
    const rate = rates[g];
    const ofGroup = covariance.subarray(g * (lags + 1), (g + 1) * (lags + 1));
    for (let l = 0; l <= lags; l++) {
      let sum = rate * rate * products[block * (lags + 1) + l];
      for (const w of at[g]) {
        const count = own[w - from];
        if (w + l < to) sum += count * (own[w + l - from] - rate * weight[w + l]);
        if (w - l >= from) sum -= count * rate * weight[w - l];
      }
      ofGroup[l] = sum;
    }
    unbias(ofGroup, to - from);
  }
  return covariance;
}

function windowsByConcept(
  { blockFirst, windowFirst, inWindow }: Residuals,
  block: number,
): Map<number, number[]> {
  const lists = new Map<number, number[]>();
  for (let w = blockFirst[block]; w < blockFirst[block + 1]; w++) {
    for (let k = windowFirst[w]; k < windowFirst[w + 1]; k++) {
      const list = lists.get(inWindow[k]);
      if (list) list.push(w);
      else lists.set(inWindow[k], [w]);
    }
  }
  return lists;
}

/**
 * Autocovariances about a mean that was taken from the same few windows are too small, each by the variance of that mean;
 * puts that back (in place) and returns the variance of the sum.
 */
function unbias(covariance: Float64Array, windows: number): number {
  const lags = covariance.length - 1;
  let sum = covariance[0];
  for (let l = 1; l <= lags; l++) sum += 2 * covariance[l];
  sum = Math.max(0, sum);
  const ofMean = (sum / windows ** 2) * (1 + (2 * lags + 1) / windows);
  for (let l = 0; l <= lags; l++) covariance[l] += Math.max(0, windows - l) * ofMean;
  return sum;
}

/** How concepts are spread over the blocks. */
export interface Spread {
  /** size × blocks: windows that hold a concept beyond what its rate over all blocks makes of it, scaled. */
  readonly departures: Float64Array;
  /** Squared length of each concept's departures. */
  readonly length: Float64Array;
  /** The share of a concept's departures that is the blocks' own and not its bursts', from 0 to 1 (James & Stein 1961). */
  readonly ownShare: Float64Array;
}

/** @param ofSum of each block: the variance each concept's number of windows has by bursts */
export function spreadOver(
  { size, blocks, times, sums, squares, held }: Residuals,
  ofSum: (block: number) => ArrayLike<number>,
): Spread {
  let whole = 0;
  let number = 0;
  for (let b = 0; b < blocks; b++) {
    whole += times[b] * sums[b];
    number += times[b];
  }
  const departures = new Float64Array(size * blocks);
  const length = new Float64Array(size);
  const ownShare = new Float64Array(size);
  for (let i = 0; i < size; i++) {
    let all = 0;
    for (let b = 0; b < blocks; b++) all += times[b] * held[i * blocks + b];
    const rate = whole > 0 ? all / whole : 0;
    let byChance = 0;
    for (let b = 0; b < blocks; b++) {
      if (sums[b] === 0 || times[b] === 0) continue;
      const scale = Math.sqrt(squares[b]) / sums[b];
      const departure = (held[i * blocks + b] - rate * sums[b]) * scale;
      departures[i * blocks + b] = departure;
      length[i] += times[b] * departure * departure;
      byChance += times[b] * ofSum(b)[i] * scale * scale;
    }
    byChance *= number > 1 ? (number - 1) / number : 0;
    ownShare[i] = length[i] > byChance ? 1 - byChance / length[i] : 0;
  }
  return { departures, length, ownShare };
}

/**
 * Of a concept: the windows it shares with each concept after it because the same blocks hold both, size numbers of which
 * those up to its own are 0. The list is the same for every concept that is asked for.
 */
export function sharedByBlocks(
  { departures, length }: Spread,
  { blocks, times }: Residuals,
): (first: number) => Float64Array {
  const size = length.length;
  // Blocks that do not count are passed over, which a draw leaves a third of.
  const counting = Int32Array.from({ length: blocks }, (_, b) => b).filter((b) => times[b] > 0);
  const count = counting.length;
  const own = new Float64Array((size + 3) * count);
  for (let i = 0, at = 0; i < size; i++)
    for (const block of counting) own[at++] = departures[i * blocks + block];
  const weighed = new Float64Array(count);
  const shared = new Float64Array(size);
  return (first) => {
    for (let s = 0; s < count; s++) weighed[s] = times[counting[s]] * own[first * count + s];
    multiplyRows(own, weighed, first + 1, shared);
    shared.fill(0, 0, first + 1);
    return shared;
  };
}

/**
 * Puts the product of each row from `from` on with `by`, a row itself, into `products`. Four rows at once, as the machine
 * adds four sums in the time of one; so past the last there must be three more.
 */
function multiplyRows(rows: Float64Array, by: Float64Array, from: number, products: Float64Array): void {
  const width = by.length;
  const size = products.length;
  for (let row = from; row < size; row += 4) {
    let a = 0;
    let b = 0;
    let c = 0;
    let d = 0;
    const second = (row + 1) * width;
    const third = second + width;
    const fourth = third + width;
    for (let s = 0, at = row * width; s < width; s++, at++) {
      const each = by[s];
      a += each * rows[at];
      b += each * rows[second + s];
      c += each * rows[third + s];
      d += each * rows[fourth + s];
    }
    products[row] = a;
    if (row + 1 < size) products[row + 1] = b;
    if (row + 2 < size) products[row + 2] = c;
    if (row + 3 < size) products[row + 3] = d;
  }
}

/** How many blocks there are, each as often as it counts. */
export const blocksCounted = ({ times }: Residuals): number => times.reduce((sum, each) => sum + each, 0);
