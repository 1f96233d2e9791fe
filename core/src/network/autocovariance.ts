import type { Residuals } from './residuals.ts';

/** How unequal the weights of a cluster's windows are: 1 where they are all the same. */
export const unevenness = ({ clusterFirst, sums, squares }: Residuals, cluster: number): number =>
  ((clusterFirst[cluster + 1] - clusterFirst[cluster]) * squares[cluster]) / sums[cluster] ** 2;

/** How a cluster's concepts vary. */
export interface ClusterSeries {
  /** Concepts of the cluster × (lags + 1): autocovariances of each one's residuals there, summed over windows. */
  readonly covariance: Float64Array;
  /** Of each of them, the variance its number of windows there has by its bursts. */
  readonly ofSum: Float64Array;
}

/** Lists in which series are laid out, one cluster after the other. */
interface Series {
  /** How often the windows of a cluster hold each thing, with as many places of 0 after them as windows are looked ahead. */
  readonly held: Float64Array;
  /** The windows that hold it, counted from the cluster's first. */
  readonly places: Int32Array;
  /** The weights of the cluster's windows, with as many places of 0 before and after them. */
  readonly weights: Float64Array;
}

/** Tells of clusters how their concepts vary. The lists it works in are made once. */
export function seriesIn(residuals: Residuals): (cluster: number) => ClusterSeries {
  const { size, clusterFirst, windowFirst, sums, presentFirst, presentHeld, lags } = residuals;
  const longest = longestCluster(residuals);
  let mostHeld = 0;
  for (let b = 0; b < residuals.clusters; b++)
    mostHeld = Math.max(mostHeld, windowFirst[clusterFirst[b + 1]] - windowFirst[clusterFirst[b]]);
  const [held, places] = [new Float64Array(longest + lags), new Int32Array(mostHeld)];
  const weights = new Float64Array(longest + 2 * lags);
  const series = { held, places, weights };
  const next = new Int32Array(size);
  return (cluster) => {
    const windows = clusterFirst[cluster + 1] - clusterFirst[cluster];
    const [first, end] = [presentFirst[cluster], presentFirst[cluster + 1]];
    const covariance = new Float64Array((end - first) * (lags + 1));
    const ofSum = new Float64Array(end - first);
    placeByConcept(residuals, cluster, places, next);
    layWeights(residuals, cluster, weights);
    let from = 0;
    for (let k = 0; k < end - first; k++) {
      const rate = sums[cluster] > 0 ? presentHeld[first + k] / sums[cluster] : 0;
      const to = from + presentHeld[first + k];
      const at = k * (lags + 1);
      for (let place = from; place < to; place++) held[places[place]] = 1;
      addEmpty(residuals, cluster, rate, covariance, at);
      addHeld(series, { heldAt: 0, from, to, rate, lags }, covariance, at);
      for (let place = from; place < to; place++) held[places[place]] = 0;
      ofSum[k] = unbias(covariance, at, lags, windows);
      from = to;
    }
    return { covariance, ofSum };
  };
}

function longestCluster({ clusters, clusterFirst }: Residuals): number {
  let longest = 0;
  for (let b = 0; b < clusters; b++) longest = Math.max(longest, clusterFirst[b + 1] - clusterFirst[b]);
  return longest;
}

function layWeights({ clusterFirst, weight, lags }: Residuals, cluster: number, padded: Float64Array): void {
  const [from, to] = [clusterFirst[cluster], clusterFirst[cluster + 1]];
  padded.set(weight.subarray(from, to), lags);
  padded.fill(0, lags + to - from, 2 * lags + to - from);
}

/**
 * Lists the windows of a cluster that hold its concepts, concept after concept.
 *
 * @param next a list to work in, of as many as there are concepts
 */
function placeByConcept(
  { clusterFirst, windowFirst, inWindow, presentFirst, present, presentHeld }: Residuals,
  cluster: number,
  places: Int32Array,
  next: Int32Array,
): void {
  let start = 0;
  for (let k = presentFirst[cluster]; k < presentFirst[cluster + 1]; k++) {
    next[present[k]] = start;
    start += presentHeld[k];
  }
  const from = clusterFirst[cluster];
  for (let w = from; w < clusterFirst[cluster + 1]; w++)
    for (let at = windowFirst[w]; at < windowFirst[w + 1]; at++) places[next[inWindow[at]]++] = w - from;
}

/**
 * Gives of a cluster, groups × (lags + 1), the same of the summed residuals of each group's concepts. The list is the same
 * for every cluster that is asked for.
 */
export function covariancesOfGroups(
  residuals: Residuals,
  groupOf: ArrayLike<number>,
  groups: number,
): (cluster: number) => Float64Array {
  const { clusterFirst, windowFirst, inWindow, lags } = residuals;
  const { sums, presentFirst, present, presentHeld } = residuals;
  const groupOfConcept = Int32Array.from(groupOf);
  // Most windows hold nothing of a group, so only those that do are gone through: how many of its concepts each holds.
  const stride = longestCluster(residuals) + lags;
  const [held, places] = [new Float64Array(groups * stride), new Int32Array(groups * stride)];
  const weights = new Float64Array(stride + lags);
  const series = { held, places, weights };
  const rates = new Float64Array(groups);
  const placed = new Int32Array(groups);
  const covariance = new Float64Array(groups * (lags + 1));
  return (cluster) => {
    const [from, to] = [clusterFirst[cluster], clusterFirst[cluster + 1]];
    rates.fill(0);
    placed.fill(0);
    covariance.fill(0);
    for (let k = presentFirst[cluster]; k < presentFirst[cluster + 1]; k++) {
      const group = groupOfConcept[present[k]];
      if (group >= 0 && sums[cluster] > 0) rates[group] += presentHeld[k] / sums[cluster];
    }
    for (let w = from; w < to; w++) {
      for (let k = windowFirst[w]; k < windowFirst[w + 1]; k++) {
        const group = groupOfConcept[inWindow[k]];
        if (group < 0) continue;
        if (held[group * stride + w - from]++ === 0) places[group * stride + placed[group]++] = w - from;
      }
    }
    layWeights(residuals, cluster, weights);
    for (let g = 0; g < groups; g++) {
      if (placed[g] === 0) continue;
      const [heldAt, at, rate] = [g * stride, g * (lags + 1), rates[g]];
      addEmpty(residuals, cluster, rate, covariance, at);
      addHeld(series, { heldAt, from: heldAt, to: heldAt + placed[g], rate, lags }, covariance, at);
      for (let k = heldAt; k < heldAt + placed[g]; k++) held[heldAt + places[k]] = 0;
      unbias(covariance, at, lags, to - from);
    }
    return covariance;
  };
}

/**
 * Adds, for each lag, the sum over a cluster's windows of a series' departure times that of the window so many further on, as it is where
 * nothing is held.
 *
 * @param at where in `covariance` the series stands
 */
function addEmpty(
  { lags, products }: Residuals,
  cluster: number,
  rate: number,
  covariance: Float64Array,
  at: number,
): void {
  const ofWeights = cluster * (lags + 1);
  for (let l = 0; l <= lags; l++) covariance[at + l] += rate * rate * products[ofWeights + l];
}

/** What the windows that hold something, `places[from … to)`, make it more or less. */
function addHeld(
  { held, places, weights }: Series,
  {
    heldAt,
    from,
    to,
    rate,
    lags,
  }: {
    readonly heldAt: number;
    readonly from: number;
    readonly to: number;
    readonly rate: number;
    readonly lags: number;
  },
  covariance: Float64Array,
  at: number,
): void {
  for (let k = from; k < to; k++) {
    const here = heldAt + places[k];
    const weighed = lags + places[k];
    const count = held[here];
    for (let l = 0; l <= lags; l++)
      covariance[at + l] += count * (held[here + l] - rate * (weights[weighed + l] + weights[weighed - l]));
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
