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

/** How many blocks there are, each as often as it counts. */
export const blocksCounted = ({ times }: Residuals): number => times.reduce((sum, each) => sum + each, 0);
