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
  /**
   * Concepts of block b, in their order: `present[presentFirst[b] … presentFirst[b + 1])`; most blocks hold few. Of each,
   * the windows that hold it, and the sum of their weights.
   */
  readonly presentFirst: Int32Array;
  readonly present: Int32Array;
  readonly presentHeld: Float64Array;
  readonly presentWeight: Float64Array;
}

/** The weight of each window, by strata of length. */
export function windowWeights(counts: Counts, windows: Windows): Float64Array {
  const length = windows.end.map((end, w) => end - windows.first[w]);
  const sorted = length.slice().sort();
  const cuts: number[] = [];
  for (let k = 1; k < STRATA; k++) {
    const cut = sorted[Math.floor((k * windows.count) / STRATA)];
    if (cut > (cuts.at(-1) ?? sorted[0])) cuts.push(cut);
  }
  // Lengths are few: each has its stratum found once.
  const stratumOf = new Uint8Array((sorted.at(-1) ?? 0) + 1);
  for (let each = 0, stratum = 0; each < stratumOf.length; each++) {
    while (stratum < cuts.length && each >= cuts[stratum]) stratum++;
    stratumOf[each] = stratum;
  }
  const held = new Float64Array(cuts.length + 1);
  const number = new Float64Array(cuts.length + 1);
  for (let w = 0; w < windows.count; w++) {
    held[stratumOf[length[w]]] += counts.windowFirst[w + 1] - counts.windowFirst[w];
    number[stratumOf[length[w]]]++;
  }
  // A stratum without any concept still has some weight, so that nothing is divided by 0.
  const weights = held.map((each, stratum) => Math.max(each / number[stratum], 1e-3));
  const weightOf = new Float64Array(windows.count);
  for (let w = 0; w < windows.count; w++) weightOf[w] = weights[stratumOf[length[w]]];
  return weightOf;
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

/** The windows, block by block, and where each block begins: those of a source follow each other in the text. */
function blocksOf({ count, source }: Windows): {
  readonly windowAt: Int32Array;
  readonly blockFirst: Int32Array;
} {
  const windowAt = new Int32Array(count);
  const short: number[] = [];
  const blockFirst: number[] = [0];
  let at = 0;
  for (let from = 0, to = 0; from < count; from = to) {
    while (to < count && source[to] === source[from]) to++;
    if (to - from < SHORT_SOURCE) {
      for (let w = from; w < to; w++) short.push(w);
      continue;
    }
    for (let w = from; w < to; w++) windowAt[at++] = w;
    blockFirst.push(at);
  }
  windowAt.set(short, at);
  if (short.length > 0) blockFirst.push(count);
  return { windowAt, blockFirst: Int32Array.from(blockFirst) };
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
  const { windowAt, blockFirst } = blocksOf(windows);
  const blocks = blockFirst.length - 1;
  const windowFirst = new Int32Array(windows.count + 1);
  const inWindow = new Int32Array(counts.inWindow.length);
  const weight = new Float64Array(windows.count);
  const times = new Float64Array(blocks).fill(1);
  const sums = new Float64Array(blocks);
  const squares = new Float64Array(blocks);
  const presentFirst = new Int32Array(blocks + 1);
  // No block has more concepts than its windows hold.
  const present = new Int32Array(inWindow.length);
  const presentHeld = new Float64Array(inWindow.length);
  const presentWeight = new Float64Array(inWindow.length);
  const heldHere = new Float64Array(size);
  const weightHere = new Float64Array(size);
  let at = 0;
  let presences = 0;
  for (let b = 0; b < blocks; b++) {
    for (let w = blockFirst[b]; w < blockFirst[b + 1]; w++) {
      const from = windowAt[w];
      const own = weights[from];
      weight[w] = own;
      sums[b] += own;
      squares[b] += own * own;
      for (let k = counts.windowFirst[from]; k < counts.windowFirst[from + 1]; k++) {
        const concept = counts.inWindow[k];
        inWindow[at++] = concept;
        heldHere[concept]++;
        weightHere[concept] += own;
      }
      windowFirst[w + 1] = at;
    }
    for (let i = 0; i < size; i++) {
      if (heldHere[i] === 0) continue;
      present[presences] = i;
      presentHeld[presences] = heldHere[i];
      presentWeight[presences++] = weightHere[i];
      heldHere[i] = weightHere[i] = 0;
    }
    presentFirst[b + 1] = presences;
  }
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
    presentFirst,
    present: present.slice(0, presences),
    presentHeld: presentHeld.slice(0, presences),
    presentWeight: presentWeight.slice(0, presences),
  };
}

/** Residuals with another last block: the only one of others that have one. */
export function withLastBlock(residuals: Residuals, last: Residuals): Residuals {
  const { size, blocks, blockFirst, windowFirst, presentFirst, lags } = residuals;
  const at = blocks - 1;
  const windows = blockFirst[at];
  const mentions = windowFirst[windows];
  const presences = presentFirst[at];
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
    presentFirst: joined(presentFirst, blocks, Int32Array.of(presences + last.presentFirst[1])),
    present: joined(residuals.present, presences, last.present),
    presentHeld: joined(residuals.presentHeld, presences, last.presentHeld),
    presentWeight: joined(residuals.presentWeight, presences, last.presentWeight),
  };
}

/** size × blocks: windows of a block that hold a concept. */
export function heldByBlock({ size, blocks, presentFirst, present, presentHeld }: Residuals): Float64Array {
  const held = new Float64Array(size * blocks);
  for (let b = 0; b < blocks; b++)
    for (let k = presentFirst[b]; k < presentFirst[b + 1]; k++)
      held[present[k] * blocks + b] = presentHeld[k];
  return held;
}

/** How many blocks there are, each as often as it counts. */
export const blocksCounted = ({ times }: Residuals): number => times.reduce((sum, each) => sum + each, 0);
