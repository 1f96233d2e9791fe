import type { Residuals } from './residuals.ts';

/** How unequal the weights of a block's windows are: 1 where they are all the same. */
export const unevenness = ({ blockFirst, sums, squares }: Residuals, block: number): number =>
  ((blockFirst[block + 1] - blockFirst[block]) * squares[block]) / sums[block] ** 2;

/**
 * Concepts of a block × (lags + 1): autocovariances of each one's residuals there, summed over windows, and, for each, the
 * variance its number of windows there has by its bursts.
 */
export function covarianceIn(
  residuals: Residuals,
  block: number,
): { covariance: Float64Array; ofSum: Float64Array } {
  const { blockFirst, sums, presentFirst, presentHeld, weight, lags, products } = residuals;
  const [from, to] = [blockFirst[block], blockFirst[block + 1]];
  const [first, end] = [presentFirst[block], presentFirst[block + 1]];
  const covariance = new Float64Array((end - first) * (lags + 1));
  const ofSum = new Float64Array(end - first);
  const { start, places } = placesByConcept(residuals, block);
  const has = new Float64Array(to - from);
  const weights = weight.subarray(from, to);
  for (let k = 0; k < end - first; k++) {
    const own = covariance.subarray(k * (lags + 1), (k + 1) * (lags + 1));
    const series = { held: has, rate: sums[block] > 0 ? presentHeld[first + k] / sums[block] : 0, weights };
    const filled = places.subarray(start[k], start[k + 1]);
    for (let at = 0; at < filled.length; at++) has[filled[at]] = 1;
    for (let l = 0; l <= lags; l++) own[l] = laggedSum(series, filled, l, products[block * (lags + 1) + l]);
    for (let at = 0; at < filled.length; at++) has[filled[at]] = 0;
    ofSum[k] = unbias(own, to - from);
  }
  return { covariance, ofSum };
}

/** Of each concept of a block, the windows there that hold it, from the block's first on. */
function placesByConcept(
  { size, blockFirst, windowFirst, inWindow, presentFirst, present, presentHeld }: Residuals,
  block: number,
): { readonly start: Int32Array; readonly places: Int32Array } {
  const [from, to] = [blockFirst[block], blockFirst[block + 1]];
  const [first, end] = [presentFirst[block], presentFirst[block + 1]];
  const start = new Int32Array(end - first + 1);
  // Where the next place of each concept goes.
  const next = new Int32Array(size);
  for (let k = 0; k < end - first; k++) {
    next[present[first + k]] = start[k];
    start[k + 1] = start[k] + presentHeld[first + k];
  }
  const places = new Int32Array(start[end - first]);
  for (let w = from; w < to; w++)
    for (let at = windowFirst[w]; at < windowFirst[w + 1]; at++) places[next[inWindow[at]]++] = w - from;
  return { start, places };
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
  const { blocks, blockFirst, windowFirst, inWindow, weight, lags, products } = residuals;
  const { sums, presentFirst, present, presentHeld } = residuals;
  let longest = 0;
  for (let b = 0; b < blocks; b++) longest = Math.max(longest, blockFirst[b + 1] - blockFirst[b]);
  const rates = new Float64Array(groups);
  // Most windows hold nothing of a group, so only those that do are gone through: how many of its concepts each holds.
  const held = Array.from({ length: groups }, () => new Float64Array(longest));
  const places = Array.from({ length: groups }, () => new Int32Array(longest));
  const placed = new Int32Array(groups);
  const covariance = new Float64Array(groups * (lags + 1));
  return (block) => {
    const [from, to] = [blockFirst[block], blockFirst[block + 1]];
    const count = to - from;
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
        if (group >= 0 && held[group][w - from]++ === 0) places[group][placed[group]++] = w - from;
      }
    }
    for (let g = 0; g < groups; g++) {
      if (placed[g] === 0) continue;
      const own = held[g];
      const ofGroup = covariance.subarray(g * (lags + 1), (g + 1) * (lags + 1));
      const series = { held: own, rate: rates[g], weights: weight.subarray(from, to) };
      const filled = places[g].subarray(0, placed[g]);
      for (let l = 0; l <= lags; l++)
        ofGroup[l] = laggedSum(series, filled, l, products[block * (lags + 1) + l]);
      for (const w of filled) own[w] = 0;
      unbias(ofGroup, count);
    }
    return covariance;
  };
}

/**
 * The sum over windows of a series' departure times that of the window so many further on, from what it is where nothing is held.
 * Apart, as the machine makes a short function quicker than a loop within another's closure.
 */
function laggedSum(
  { held, rate, weights }: { held: Float64Array; rate: number; weights: Float64Array },
  places: Int32Array,
  lag: number,
  ofWeights: number,
): number {
  let sum = rate * rate * ofWeights;
  for (let k = 0; k < places.length; k++) {
    const w = places[k];
    const count = held[w];
    if (w + lag < weights.length) sum += count * (held[w + lag] - rate * weights[w + lag]);
    if (w >= lag) sum -= count * rate * weights[w - lag];
  }
  return sum;
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
