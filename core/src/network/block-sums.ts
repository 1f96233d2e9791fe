import { Int32List } from '../base/int32-list.ts';
import { taken } from '../base/taken.ts';
import { covarianceIn, unevenness } from './autocovariance.ts';
import { presentIn, rateIn, type Residuals } from './residuals.ts';
import type { Windows } from './windows.ts';

/**
 * What one block says of the pairs of concepts that are in it, in lists side by side. A pair is told as first concept ×
 * number of concepts + second, the first being the smaller.
 */
export interface BlockSums {
  /** All pairs that are in the block, and the windows with both that chance makes there. */
  readonly pair: Int32Array;
  readonly within: Float64Array;
  /** The product of the windows there with each, scaled as departures are (`spreadOver`). */
  readonly product: Float64Array;
  /** Those of them of which it was asked how much that number varies. */
  readonly varied: Int32Array;
  readonly variance: Float64Array;
  /** Pairs that share a window in the block: windows with both, those of them that do not overlap, and sources they are in. */
  readonly met: Int32Array;
  readonly both: Int32Array;
  readonly meetings: Int32Array;
  readonly sources: Int32Array;
  /** Autocovariances of the block's concepts, concepts × (lags + 1). */
  readonly covariance: Float64Array;
  /** Of each concept, the variance its number of windows there has by its bursts. */
  readonly ofSum: Float64Array;
}

/** What is asked of blocks. */
export interface BlockQuestion {
  /** Of which pairs it is asked how much the windows with both vary. */
  readonly isAsked: (pair: number) => boolean;
  /** Whether the lists of a block's pairs are kept; else they are good until the next block is asked for. */
  readonly isKept: boolean;
}

/** Adds up a block's pairs. The lists as long as all pairs, which it needs for it, are made once and handed on. */
export function blockSummer(
  residuals: Residuals,
  windows: Windows,
  { isAsked, isKept }: BlockQuestion,
): (block: number) => BlockSums {
  const count = meetingCounter(residuals, windows);
  const lists = pairLists(residuals);
  return (block) => {
    const present = presentIn(residuals, block);
    const { covariance, ofSum } = covarianceIn(residuals, block);
    const { pairs, asked } = chanceIn(residuals, block, { present, covariance, isAsked }, lists);
    const cut = <List extends Int32Array | Float64Array>(list: List, length: number): List =>
      (isKept ? list.slice(0, length) : list.subarray(0, length)) as List;
    const chances = {
      pair: cut(lists.pair, pairs),
      within: cut(lists.within, pairs),
      product: cut(lists.product, pairs),
      varied: cut(lists.varied, asked),
      variance: cut(lists.variance, asked),
    };
    return { ...count(block), ...chances, covariance, ofSum };
  };
}

type PairLists = Pick<BlockSums, 'pair' | 'within' | 'product' | 'varied' | 'variance'>;

/** Lists as long as the pairs of any block. */
function pairLists(residuals: Residuals): PairLists {
  let most = 0;
  for (let b = 0; b < residuals.blocks; b++) most = Math.max(most, presentIn(residuals, b).length);
  const pairs = (most * (most - 1)) / 2;
  return {
    pair: new Int32Array(pairs),
    within: new Float64Array(pairs),
    product: new Float64Array(pairs),
    varied: new Int32Array(pairs),
    variance: new Float64Array(pairs),
  };
}

/** Fills the lists of a block's pairs; tells how many there are, and of how many it is asked how much they vary. */
function chanceIn(
  residuals: Residuals,
  block: number,
  {
    present,
    covariance,
    isAsked,
  }: {
    readonly present: readonly number[];
    readonly covariance: Float64Array;
    readonly isAsked: BlockQuestion['isAsked'];
  },
  { pair, within, product, varied, variance }: PairLists,
): { readonly pairs: number; readonly asked: number } {
  const { size, blocks, blockFirst, sums, squares, held, heldWeight, lags } = residuals;
  const windowCount = blockFirst[block + 1] - blockFirst[block];
  const uneven = unevenness(residuals, block);
  // Every concept is in many pairs: what is needed of it is looked up once.
  const rate = Float64Array.from(present, (i) => rateIn(residuals, i, block));
  const weightOf = Float64Array.from(present, (i) => heldWeight[i * blocks + block]);
  const square = squares[block];
  const scale = sums[block] > 0 ? square / sums[block] ** 2 : 0;
  const windowsOf = Float64Array.from(present, (i) => held[i * blocks + block]);
  let at = 0;
  let asked = 0;
  for (let x = 0; x < present.length; x++) {
    const i = present[x];
    const a = rate[x];
    const weight = weightOf[x];
    const scaled = scale * windowsOf[x];
    const ofFirst = i * (lags + 1);
    for (let y = x + 1; y < present.length; y++, at++) {
      const j = present[y];
      const b = rate[y];
      pair[at] = i * size + j;
      within[at] = b * weight + a * weightOf[y] - a * b * square;
      product[at] = scaled * windowsOf[y];
      if (windowCount < 2 || !isAsked(pair[at])) continue;
      const ofSecond = j * (lags + 1);
      let sum = covariance[ofFirst] * covariance[ofSecond];
      for (let l = 1; l <= lags; l++) sum += 2 * covariance[ofFirst + l] * covariance[ofSecond + l];
      varied[asked] = pair[at];
      variance[asked++] = (Math.max(0, sum) / windowCount) * uneven;
    }
  }
  return { pairs: at, asked };
}

/** Of each pair, size × size: windows with both, those that do not overlap, sources, and where and in which the last one was. */
interface Meetings {
  readonly both: Int32Array;
  readonly meetings: Int32Array;
  readonly sources: Int32Array;
  readonly ended: Int32Array;
  readonly lastSource: Int32Array;
}

/** Counts a block's shared windows and separate meetings. */
function meetingCounter(
  residuals: Residuals,
  windows: Windows,
): (block: number) => Pick<BlockSums, 'met' | 'both' | 'meetings' | 'sources'> {
  const pairs = residuals.size ** 2;
  const counted: Meetings = {
    both: new Int32Array(pairs),
    meetings: new Int32Array(pairs),
    sources: new Int32Array(pairs),
    ended: new Int32Array(pairs).fill(-1),
    lastSource: new Int32Array(pairs).fill(-1),
  };
  const { both, meetings, sources, ended, lastSource } = counted;
  return (block) => {
    const met = countMeetings(residuals, windows, block, counted);
    const tally = {
      met,
      both: taken(both, met),
      meetings: taken(meetings, met),
      sources: taken(sources, met),
    };
    for (const pair of met) {
      both[pair] = meetings[pair] = sources[pair] = 0;
      ended[pair] = lastSource[pair] = -1;
    }
    return tally;
  };
}

/**
 * Counts those of one block: a window counts as a meeting where it begins after the last one that counted has ended. Apart, as
 * what a function is handed is known to the machine to stay what it is.
 *
 * @returns the pairs that met
 */
function countMeetings(
  { size, blockFirst, windowFirst, inWindow, windowAt }: Residuals,
  { first, end, source }: Windows,
  block: number,
  { both, meetings, sources, ended, lastSource }: Meetings,
): Int32Array {
  const seen = new Int32List();
  const last = blockFirst[block + 1];
  for (let at = blockFirst[block]; at < last; at++) {
    const to = windowFirst[at + 1];
    const w = windowAt[at];
    const begins = first[w];
    const ends = end[w];
    const from = source[w];
    for (let k = windowFirst[at]; k < to; k++) {
      const i = inWindow[k];
      for (let m = k + 1; m < to; m++) {
        const j = inWindow[m];
        const pair = i < j ? i * size + j : j * size + i;
        if (both[pair]++ === 0) seen.push(pair);
        if (ended[pair] <= begins) {
          meetings[pair]++;
          ended[pair] = ends;
        }
        if (lastSource[pair] !== from) {
          sources[pair]++;
          lastSource[pair] = from;
        }
      }
    }
  }
  return seen.done();
}
