import { covarianceIn, presentIn, rateIn, unevenness, type Residuals } from './residuals.ts';
import type { Windows } from './windows.ts';

/** What one block says of the pairs of concepts that are in it, in lists side by side. */
export interface BlockSums {
  /** First concept × number of concepts + second, the first being the smaller. */
  readonly pair: Int32Array;
  /** Windows with both that chance makes there, and how much that number varies. */
  readonly within: Float64Array;
  readonly variance: Float64Array;
  /** Windows with both, those of them that do not overlap, and sources they are in. */
  readonly both: Int32Array;
  readonly meetings: Int32Array;
  readonly sources: Int32Array;
  /** Autocovariances of the block's concepts, concepts × (lags + 1). */
  readonly covariance: Float64Array;
  /** Of each concept, the variance its number of windows there has by its bursts. */
  readonly ofSum: Float64Array;
}

/** Adds up a block's pairs. The lists as long as all pairs, which it needs for it, are made once and handed on. */
export function blockSummer(residuals: Residuals, windows: Windows): (block: number) => BlockSums {
  const count = meetingCounter(residuals, windows);
  return (block) => {
    const present = presentIn(residuals, block);
    const { covariance, ofSum } = covarianceIn(residuals, block);
    const tally = count(block, present);
    const { within, variance } = chanceIn(residuals, block, present, covariance);
    return { ...tally, within, variance, covariance, ofSum };
  };
}

function chanceIn(
  residuals: Residuals,
  block: number,
  present: readonly number[],
  covariance: Float64Array,
): { within: Float64Array; variance: Float64Array } {
  const { blocks, blockFirst, squares, heldWeight, lags } = residuals;
  const windowCount = blockFirst[block + 1] - blockFirst[block];
  const uneven = unevenness(residuals, block);
  const pairs = (present.length * (present.length - 1)) / 2;
  const within = new Float64Array(pairs);
  const variance = new Float64Array(pairs);
  let at = 0;
  for (let x = 0; x < present.length; x++) {
    const i = present[x];
    const a = rateIn(residuals, i, block);
    const ofFirst = i * (lags + 1);
    for (let y = x + 1; y < present.length; y++, at++) {
      const j = present[y];
      const b = rateIn(residuals, j, block);
      within[at] =
        b * heldWeight[i * blocks + block] + a * heldWeight[j * blocks + block] - a * b * squares[block];
      if (windowCount < 2) continue;
      const ofSecond = j * (lags + 1);
      let sum = covariance[ofFirst] * covariance[ofSecond];
      for (let l = 1; l <= lags; l++) sum += 2 * covariance[ofFirst + l] * covariance[ofSecond + l];
      variance[at] = (Math.max(0, sum) / windowCount) * uneven;
    }
  }
  return { within, variance };
}

/** Counts a block's shared windows and separate meetings: a window counts where it begins after the last one that counted has ended. */
function meetingCounter(
  { size, blockFirst, windowFirst, inWindow, windowAt }: Residuals,
  windows: Windows,
): (block: number, present: readonly number[]) => Pick<BlockSums, 'pair' | 'both' | 'meetings' | 'sources'> {
  const both = new Int32Array(size * size);
  const meetings = new Int32Array(size * size);
  const sources = new Int32Array(size * size);
  const ended = new Int32Array(size * size).fill(-1);
  const lastSource = new Int32Array(size * size).fill(-1);
  return (block, present) => {
    for (let at = blockFirst[block]; at < blockFirst[block + 1]; at++) {
      const [from, to, w] = [windowFirst[at], windowFirst[at + 1], windowAt[at]];
      for (let k = from; k < to; k++) {
        for (let m = k + 1; m < to; m++) {
          const [i, j] = [inWindow[k], inWindow[m]];
          const pair = i < j ? i * size + j : j * size + i;
          both[pair]++;
          if (ended[pair] <= windows.first[w]) {
            meetings[pair]++;
            ended[pair] = windows.end[w];
          }
          if (lastSource[pair] !== windows.source[w]) {
            sources[pair]++;
            lastSource[pair] = windows.source[w];
          }
        }
      }
    }
    const pair = new Int32Array((present.length * (present.length - 1)) / 2);
    let at = 0;
    present.forEach((i, x) => {
      for (let y = x + 1; y < present.length; y++) pair[at++] = i * size + present[y];
    });
    const taken = (list: Int32Array): Int32Array => pair.map((each) => list[each]);
    const tally = { pair, both: taken(both), meetings: taken(meetings), sources: taken(sources) };
    for (const each of pair) {
      both[each] = meetings[each] = sources[each] = 0;
      ended[each] = lastSource[each] = -1;
    }
    return tally;
  };
}
