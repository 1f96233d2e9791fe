import { fisherExact } from '../numeric/chance.ts';
import { lowerGamma, studentTail, upperGamma } from '../numeric/special.ts';
import type { Counts } from './counts.ts';
import {
  covarianceIn,
  presentIn,
  rateIn,
  residualsOf,
  sharedByBlocks,
  spreadOver,
  unevenness,
} from './residuals.ts';
import type { Residuals, Spread } from './residuals.ts';
import type { Windows } from './windows.ts';

/** What pairs of concepts share, and would by chance; lists are size × size, filled where i < j. */
export interface Evidence {
  readonly size: number;
  /** Windows with both. */
  readonly together: Float64Array;
  /** Windows that would have both by chance. */
  readonly expected: Float64Array;
  /** How much that number varies, in times of its size: bursts and overlapping windows make it vary more. */
  readonly dispersion: Float64Array;
  /** Two-sided chance of so many windows with both, within sources. */
  readonly pWithin: Float64Array;
  /** Two-sided chance that the same sources hold both so much, or so little, as they do. */
  readonly pBetween: Float64Array;
  /** 1 where the same sources hold both more than chance has it. */
  readonly betweenUp: Uint8Array;
  /** Windows with both that do not overlap, and sources in which both share a window. */
  readonly meetings: Int32Array;
  readonly sources: Int32Array;
  readonly residuals: Residuals;
  readonly spread: Spread;
  /** The autocovariances of concepts by block (`covarianceIn`), where there are not too many to hold. */
  readonly covariances?: readonly Float64Array[];
}

const LOOKED_AT_AGAIN = 0.1;
/** Autocovariances held, in numbers; more are worked out again when they are needed. */
const MOST_HELD = 4_000_000;
/** Fewer sources than this say nothing of which of them hold both. */
const FEWEST_SOURCES = 4;
/**
 * A dispersion that is worked out from the same counts is a little too small: with this much more, 2 to 5 % of pairs
 * that have nothing to do with each other come below 0.05 (bench/nulls.ts), without it up to 5.6 %.
 */
const DISPERSION_MARGIN = 1.08;
/** A count never varies less than this share of what a Poisson count of its mean does. */
const LEAST_DISPERSION = 0.3;
/** Never less than a thousandth of a window is expected: a count of some is then as unlikely as can be. */
export const LEAST_EXPECTED = 1e-3;

/**
 * Tests every pair of concepts.
 *
 * Within sources: the windows with both against what two independent series of windows would share that hold each concept
 * as often, in windows as long, in bursts as long (variance of a cross-product of two autocorrelated series, Bartlett
 * 1946), as an overdispersed Poisson count. Where a concept is spread over the sources no more unevenly than its bursts
 * make it, the sources' own rates are noise and are drawn towards the rate over all (James & Stein 1961).
 *
 * Between sources: the correlation of both concepts' rates over the sources, with t.
 */
export function weighEvidence(counts: Counts, windows: Windows): Evidence {
  const residuals = residualsOf(counts, windows);
  const { size, blocks } = residuals;
  const together = new Float64Array(size * size);
  const within = new Float64Array(size * size);
  const variance = new Float64Array(size * size);
  const ofSum = new Float64Array(size * blocks);
  const covariances: Float64Array[] = [];
  for (let b = 0; b < blocks; b++) covariances.push(addBlock(residuals, b, { within, variance, ofSum }));
  const isHeld = size * blocks * (residuals.lags + 1) <= MOST_HELD;
  const spread = spreadOver(residuals, ofSum);
  const expected = new Float64Array(size * size);
  const dispersion = new Float64Array(size * size).fill(1);
  const pWithin = new Float64Array(size * size).fill(1);
  const pBetween = new Float64Array(size * size).fill(1);
  const betweenUp = new Uint8Array(size * size);
  for (let i = 0; i < size; i++) {
    for (let j = i + 1; j < size; j++) {
      const pair = i * size + j;
      together[pair] = counts.together[pair];
      const shared = sharedByBlocks(spread, residuals, i, j);
      const pooled = 1 - spread.ownShare[i] * spread.ownShare[j];
      expected[pair] = Math.max(within[pair] - pooled * shared, LEAST_EXPECTED);
      if (variance[pair] > 0 && within[pair] > 0) {
        dispersion[pair] = variance[pair] / within[pair];
        pWithin[pair] = chanceOfCount(together[pair], expected[pair], dispersion[pair]);
      }
      betweenUp[pair] = shared > 0 ? 1 : 0;
      pBetween[pair] = chanceBetween({ shared, lengths: spread.length[i] * spread.length[j], blocks }, () =>
        presenceTable(residuals, i, j),
      );
    }
  }
  return {
    size,
    together,
    expected,
    dispersion,
    pWithin,
    pBetween,
    betweenUp,
    ...countMeetings(counts, windows),
    residuals,
    spread,
    ...(isHeld ? { covariances } : {}),
  };
}

/**
 * The two-sided chance that sources hold two things alike: their correlation over sources with t, and where either is in
 * few sources no less than Fisher's exact test of which sources have each, as a few sources alone make a high correlation.
 */
export function chanceBetween(
  { shared, lengths, blocks }: { readonly shared: number; readonly lengths: number; readonly blocks: number },
  presence: () => Presence,
): number {
  if (blocks < FEWEST_SOURCES || !(lengths > 0)) return 1;
  const r = Math.max(-1, Math.min(1, shared / Math.sqrt(lengths)));
  const byRate = studentTail(r * Math.sqrt((blocks - 2) / Math.max(1e-12, 1 - r * r)), blocks - 2);
  // A chance that is large already needs no second look.
  if (byRate > LOOKED_AT_AGAIN) return byRate;
  const { both, first, second } = presence();
  if (Math.min(first, second) > blocks / 2) return byRate;
  return Math.max(byRate, fisherExact(both, first - both, second - both, blocks - first - second + both));
}

/** Sources that have either or both of two things. */
export interface Presence {
  readonly both: number;
  readonly first: number;
  readonly second: number;
}

function presenceTable({ held, blocks }: Residuals, i: number, j: number): Presence {
  let [both, first, second] = [0, 0, 0];
  for (let b = 0; b < blocks; b++) {
    const [a, c] = [held[i * blocks + b] > 0, held[j * blocks + b] > 0];
    if (a) first++;
    if (c) second++;
    if (a && c) both++;
  }
  return { both, first, second };
}

/** Adds what a block says of every pair that is in it; returns the autocovariances of its concepts. */
function addBlock(
  residuals: Residuals,
  block: number,
  sums: { within: Float64Array; variance: Float64Array; ofSum: Float64Array },
): Float64Array {
  const { size, blocks, blockFirst, squares, heldWeight, lags } = residuals;
  const windowCount = blockFirst[block + 1] - blockFirst[block];
  const present = presentIn(residuals, block);
  const { covariance, ofSum } = covarianceIn(residuals, block);
  const uneven = unevenness(residuals, block);
  for (const i of present) sums.ofSum[i * blocks + block] = ofSum[i];
  for (let x = 0; x < present.length; x++) {
    const i = present[x];
    const a = rateIn(residuals, i, block);
    const ofFirst = i * (lags + 1);
    for (let y = x + 1; y < present.length; y++) {
      const j = present[y];
      const b = rateIn(residuals, j, block);
      const pair = i * size + j;
      sums.within[pair] +=
        b * heldWeight[i * blocks + block] + a * heldWeight[j * blocks + block] - a * b * squares[block];
      if (windowCount < 2) continue;
      const ofSecond = j * (lags + 1);
      let sum = covariance[ofFirst] * covariance[ofSecond];
      for (let l = 1; l <= lags; l++) sum += 2 * covariance[ofFirst + l] * covariance[ofSecond + l];
      sums.variance[pair] += (Math.max(0, sum) / windowCount) * uneven;
    }
  }
  return covariance;
}

/**
 * The two-sided chance of a count whose variance is `dispersion` times its mean: of count / dispersion as a Poisson
 * count of mean / dispersion, between whole numbers by the incomplete gamma function.
 *
 * @example chanceOfCount(3, 0.5, 1 / 1.08) // 0.0288, twice the chance of 3 or more of a Poisson count of mean 0.5
 */
export function chanceOfCount(count: number, mean: number, dispersion: number): number {
  const scale = Math.max(DISPERSION_MARGIN * dispersion, LEAST_DISPERSION);
  const up = count > 0 ? lowerGamma(count / scale, mean / scale) : 1;
  const down = upperGamma(count / scale + 1, mean / scale);
  return Math.min(1, 2 * Math.min(up, down));
}

/** Counts separate meetings in one pass: a window counts where it begins after the last one that counted has ended. */
export function countMeetings(
  counts: Counts,
  windows: Windows,
): { meetings: Int32Array; sources: Int32Array } {
  const size = counts.windowsWith.length;
  const meetings = new Int32Array(size * size);
  const sources = new Int32Array(size * size);
  const ended = new Int32Array(size * size).fill(-1);
  const lastSource = new Int32Array(size * size).fill(-1);
  for (let w = 0; w < windows.count; w++) {
    const [from, to] = [counts.windowFirst[w], counts.windowFirst[w + 1]];
    for (let k = from; k < to; k++) {
      for (let m = k + 1; m < to; m++) {
        const i = counts.inWindow[k];
        const j = counts.inWindow[m];
        const pair = i < j ? i * size + j : j * size + i;
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
  return { meetings, sources };
}
