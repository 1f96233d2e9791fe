import type { Residuals } from './residuals.ts';

/** How unequal the weights of a block's windows are: 1 where they are all the same. */
export const unevenness = ({ blockFirst, sums, squares }: Residuals, block: number): number =>
  ((blockFirst[block + 1] - blockFirst[block]) * squares[block]) / sums[block] ** 2;

/** How a block's concepts vary. */
export interface BlockSeries {
  /** Concepts of the block × (lags + 1): autocovariances of each one's residuals there, summed over windows. */
  readonly covariance: Float64Array;
  /** Of each of them, the variance its number of windows there has by its bursts. */
  readonly ofSum: Float64Array;
}

/** Tells of blocks how their concepts vary. The lists it works in are made once. */
export function seriesIn(residuals: Residuals): (block: number) => BlockSeries {
  const { size, blockFirst, windowFirst, sums, presentFirst, presentHeld, lags } = residuals;
  const longest = longestBlock(residuals);
  const held = new Float64Array(longest + 2 * lags);
  const weights = new Float64Array(longest + 2 * lags);
  const next = new Int32Array(size);
  let mostHeld = 0;
  for (let b = 0; b < residuals.blocks; b++)
    mostHeld = Math.max(mostHeld, windowFirst[blockFirst[b + 1]] - windowFirst[blockFirst[b]]);
  const places = new Int32Array(mostHeld);
  return (block) => {
    const windows = blockFirst[block + 1] - blockFirst[block];
    const [first, end] = [presentFirst[block], presentFirst[block + 1]];
    const covariance = new Float64Array((end - first) * (lags + 1));
    const ofSum = new Float64Array(end - first);
    placeByConcept(residuals, block, places, next);
    layWeights(residuals, block, weights);
    let from = 0;
    for (let k = 0; k < end - first; k++) {
      const rate = sums[block] > 0 ? presentHeld[first + k] / sums[block] : 0;
      const to = from + presentHeld[first + k];
      const at = k * (lags + 1);
      for (let place = from; place < to; place++) held[lags + places[place]] = 1;
      addLagged(residuals, block, { held, places, from, to }, { rate, weights, covariance, at });
      for (let place = from; place < to; place++) held[lags + places[place]] = 0;
      ofSum[k] = unbias(covariance, at, lags, windows);
      from = to;
    }
    return { covariance, ofSum };
  };
}

function longestBlock({ blocks, blockFirst }: Residuals): number {
  let longest = 0;
  for (let b = 0; b < blocks; b++) longest = Math.max(longest, blockFirst[b + 1] - blockFirst[b]);
  return longest;
}

/** Lays the weights of a block's windows, with as many places of 0 before and after them as windows are looked ahead. */
function layWeights({ blockFirst, weight, lags }: Residuals, block: number, padded: Float64Array): void {
  const [from, to] = [blockFirst[block], blockFirst[block + 1]];
  padded.set(weight.subarray(from, to), lags);
  padded.fill(0, lags + to - from, 2 * lags + to - from);
}

/**
 * Lists the windows of a block that hold its concepts, concept after concept.
 *
 * @param next a list to work in, of as many as there are concepts
 */
function placeByConcept(
  { blockFirst, windowFirst, inWindow, presentFirst, present, presentHeld }: Residuals,
  block: number,
  places: Int32Array,
  next: Int32Array,
): void {
  let start = 0;
  for (let k = presentFirst[block]; k < presentFirst[block + 1]; k++) {
    next[present[k]] = start;
    start += presentHeld[k];
  }
  const from = blockFirst[block];
  for (let w = from; w < blockFirst[block + 1]; w++)
    for (let at = windowFirst[w]; at < windowFirst[w + 1]; at++) places[next[inWindow[at]]++] = w - from;
}

/**
 * Gives of a block, groups × (lags + 1), the same of the summed residuals of each group's concepts. The list is the same
 * for every block that is asked for.
 */
export function covariancesOfGroups(
  residuals: Residuals,
  groupOf: ArrayLike<number>,
  groups: number,
): (block: number) => Float64Array {
  const { blockFirst, windowFirst, inWindow, lags } = residuals;
  const { sums, presentFirst, present, presentHeld } = residuals;
  const longest = longestBlock(residuals);
  const weights = new Float64Array(longest + 2 * lags);
  const rates = new Float64Array(groups);
  // Most windows hold nothing of a group, so only those that do are gone through: how many of its concepts each holds.
  const heldBy = Array.from({ length: groups }, () => new Float64Array(longest + 2 * lags));
  const placesOf = Array.from({ length: groups }, () => new Int32Array(longest));
  const placed = new Int32Array(groups);
  const covariance = new Float64Array(groups * (lags + 1));
  return (block) => {
    const [from, to] = [blockFirst[block], blockFirst[block + 1]];
    rates.fill(0);
    placed.fill(0);
    covariance.fill(0);
    for (let k = presentFirst[block]; k < presentFirst[block + 1]; k++) {
      const group = groupOf[present[k]];
      if (group >= 0 && sums[block] > 0) rates[group] += presentHeld[k] / sums[block];
    }
    for (let w = from; w < to; w++) {
      for (let k = windowFirst[w]; k < windowFirst[w + 1]; k++) {
        const group = groupOf[inWindow[k]];
        if (group >= 0 && heldBy[group][lags + w - from]++ === 0) placesOf[group][placed[group]++] = w - from;
      }
    }
    layWeights(residuals, block, weights);
    for (let g = 0; g < groups; g++) {
      if (placed[g] === 0) continue;
      const [held, places, at] = [heldBy[g], placesOf[g], g * (lags + 1)];
      const filled = { held, places, from: 0, to: placed[g] };
      addLagged(residuals, block, filled, { rate: rates[g], weights, covariance, at });
      for (let k = 0; k < placed[g]; k++) held[lags + places[k]] = 0;
      unbias(covariance, at, lags, to - from);
    }
    return covariance;
  };
}

/** How often a thing is held by a block's windows. */
interface Filled {
  /** Padded as weights are. */
  readonly held: Float64Array;
  /** The windows that hold it: `places[from … to)`. */
  readonly places: Int32Array;
  readonly from: number;
  readonly to: number;
}

/**
 * Adds, for each lag, the sum over a block's windows of a series' departure times that of the window so many further on: what it
 * is where nothing is held, and what the windows that hold something make it more or less.
 *
 * @param at where in `covariance` the series stands
 */
function addLagged(
  { lags, products }: Residuals,
  block: number,
  { held, places, from, to }: Filled,
  {
    rate,
    weights,
    covariance,
    at,
  }: {
    readonly rate: number;
    readonly weights: Float64Array;
    readonly covariance: Float64Array;
    readonly at: number;
  },
): void {
  const ofWeights = block * (lags + 1);
  for (let l = 0; l <= lags; l++) covariance[at + l] += rate * rate * products[ofWeights + l];
  for (let k = from; k < to; k++) {
    const w = lags + places[k];
    const count = held[w];
    for (let l = 0; l <= lags; l++)
      covariance[at + l] += count * (held[w + l] - rate * (weights[w + l] + weights[w - l]));
  }
}

/**
 * Autocovariances about a mean that was taken from the same few windows are too small, each by the variance of that mean;
 * puts that back (in place, from `at` on) and returns the variance of the sum.
 */
function unbias(covariance: Float64Array, at: number, lags: number, windows: number): number {
  let sum = covariance[at];
  for (let l = 1; l <= lags; l++) sum += 2 * covariance[at + l];
  sum = Math.max(0, sum);
  const ofMean = (sum / windows ** 2) * (1 + (2 * lags + 1) / windows);
  for (let l = 0; l <= lags; l++) covariance[at + l] += Math.max(0, windows - l) * ofMean;
  return sum;
}
