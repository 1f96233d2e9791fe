import { unevenness } from './autocovariance.ts';
import type { Residuals } from './residuals.ts';

/**
 * What chance makes of pairs, added up over clusters: four numbers for each of size × size pairs, filled where the first concept is the
 * smaller. They stand beside each other as they are added to together.
 */
export type ChanceSums = Float64Array;
export const CHANCE_NUMBERS = 4;

/**
 * The first of a pair's numbers: the rate of each times the weights of the windows with the other. Less the second it is the windows
 * with both that chance makes.
 */
export const CROSSED = 0;
/** The product of the windows with each, scaled as departures are (`spreadAdder`). */
export const PRODUCT = 1;
/** How much the windows with both vary, of pairs it is asked of. */
export const VARIANCE = 2;
/** Clusters that hold both. */
export const CLUSTERS = 3;

/** A cluster as its pairs are gone through: lists of its concepts, and what is the same for all of them. */
interface Here {
  readonly concepts: Int32Array;
  readonly rates: Float64Array;
  readonly weights: Float64Array;
  /** Concepts × (lags + 1). */
  readonly covariance: Float64Array;
  readonly lags: number;
  readonly square: number;
  /** What the product of two autocovariances is of how much the windows with both vary; 0 where a single window tells nothing of it. */
  readonly varying: number;
  readonly often: number;
}

/** Autocovariances that clusters are waiting with, in numbers, before their pairs are gone through. */
const MOST_WAITING = 4_000_000;

/**
 * Adds what chance makes of the pairs of clusters that are handed to it one by one. Many are gone through at once, by concept, so
 * that the sums it adds to are near each other.
 *
 * @param asked size × size: 1 for the pairs of which it is asked how much they vary
 */
export function chanceAdder(residuals: Residuals, asked: Uint8Array, sums: ChanceSums) {
  let waiting: Here[] = [];
  let numbers = 0;
  const finish = (): void => {
    addByConcept(residuals.size, residuals.lags, waiting, asked, sums);
    waiting = [];
    numbers = 0;
  };
  return {
    /** @param often how often the cluster counts */
    add(cluster: number, covariance: Float64Array, often: number): void {
      waiting.push(hereIn(residuals, cluster, covariance, often));
      numbers += covariance.length;
      if (numbers > MOST_WAITING) finish();
    },
    finish,
  };
}

function hereIn(residuals: Residuals, cluster: number, covariance: Float64Array, often: number): Here {
  const { clusterFirst, squares, lags, presentFirst, present, presentHeld, presentWeight } = residuals;
  const [first, end] = [presentFirst[cluster], presentFirst[cluster + 1]];
  const whole = residuals.sums[cluster];
  const windows = clusterFirst[cluster + 1] - clusterFirst[cluster];
  const rates = new Float64Array(end - first);
  if (whole > 0) for (let x = 0; x < rates.length; x++) rates[x] = presentHeld[first + x] / whole;
  return {
    concepts: present.subarray(first, end),
    rates,
    weights: presentWeight.subarray(first, end),
    covariance,
    lags,
    square: squares[cluster],
    varying: windows > 1 ? unevenness(residuals, cluster) / windows : 0,
    often,
  };
}

/** Concepts of many clusters, one cluster's after the other's. */
interface Laid {
  readonly concept: Int32Array;
  readonly rate: Float64Array;
  readonly weight: Float64Array;
  readonly covariance: Float64Array;
  readonly steps: number;
  /** By cluster: one past its last concept, and what is the same for all of them. */
  readonly end: Int32Array;
  readonly square: Float64Array;
  readonly varying: Float64Array;
  readonly often: Float64Array;
}

/** Goes through the pairs of some clusters: of each concept, cluster after cluster. */
function addByConcept(
  size: number,
  lags: number,
  clusters: readonly Here[],
  asked: Uint8Array,
  sums: ChanceSums,
): void {
  const laid = layOut(lags, clusters);
  // The places of each concept, in the order of the clusters.
  const first = new Int32Array(size + 1);
  for (let at = 0; at < laid.concept.length; at++) first[laid.concept[at] + 1]++;
  for (let i = 0; i < size; i++) first[i + 1] += first[i];
  const [places, clusterOf] = [new Int32Array(first[size]), new Int32Array(first[size])];
  const next = first.slice(0, size);
  let at = 0;
  for (let b = 0; b < clusters.length; b++) {
    for (; at < laid.end[b]; at++) {
      const to = next[laid.concept[at]]++;
      places[to] = at;
      clusterOf[to] = b;
    }
  }
  for (let i = 0; i < size; i++)
    addPairsOf(
      laid,
      {
        places: places.subarray(first[i], first[i + 1]),
        clusterOf: clusterOf.subarray(first[i], first[i + 1]),
      },
      i * size,
      asked,
      sums,
    );
}

function layOut(lags: number, clusters: readonly Here[]): Laid {
  const steps = lags + 1;
  const length = clusters.reduce((sum, { concepts }) => sum + concepts.length, 0);
  const laid = {
    concept: new Int32Array(length),
    rate: new Float64Array(length),
    weight: new Float64Array(length),
    covariance: new Float64Array(length * steps),
    end: new Int32Array(clusters.length),
  };
  let at = 0;
  for (let b = 0; b < clusters.length; b++) {
    const { concepts, rates, weights, covariance } = clusters[b];
    laid.concept.set(concepts, at);
    laid.rate.set(rates, at);
    laid.weight.set(weights, at);
    laid.covariance.set(covariance, at * steps);
    laid.end[b] = at += concepts.length;
  }
  const ofClusters = (of: (here: Here) => number): Float64Array => Float64Array.from(clusters, of);
  return {
    ...laid,
    steps,
    square: ofClusters(({ square }) => square),
    varying: ofClusters(({ varying }) => varying),
    often: ofClusters(({ often }) => often),
  };
}

/** Adds what a cluster makes of a pair, whose numbers stand from `at` on. */
function addMeans(sums: ChanceSums, at: number, often: number, crossed: number, product: number): void {
  sums[at + CROSSED] += often * crossed;
  sums[at + PRODUCT] += often * product;
  sums[at + CLUSTERS] += often;
}

/** How much the product of two series varies by the autocovariances of each from the given places on: never less than not at all. */
function productOfSeries(covariance: Float64Array, first: number, second: number, steps: number): number {
  let sum = covariance[first] * covariance[second];
  for (let l = 1; l < steps; l++) sum += 2 * covariance[first + l] * covariance[second + l];
  return sum > 0 ? sum : 0;
}

/**
 * Adds the pairs of a concept with those after it, in each cluster that holds it. All stands in lists of numbers, as this is where most
 * of the time goes.
 *
 * @param standing where it stands among all that is laid out, and in which cluster
 * @param row where the concept's pairs begin
 */
function addPairsOf(
  { concept, rate, weight, covariance, steps, end, square, varying, often }: Laid,
  { places, clusterOf }: { readonly places: Int32Array; readonly clusterOf: Int32Array },
  row: number,
  asked: Uint8Array,
  sums: ChanceSums,
): void {
  for (let k = 0; k < places.length; k++) {
    const [x, cluster] = [places[k], clusterOf[k]];
    const [rateOfX, weightOfX, times] = [rate[x], weight[x], often[cluster]];
    const [squared, varies] = [square[cluster] * rateOfX, varying[cluster]];
    const to = end[cluster];
    const ofX = x * steps;
    for (let y = x + 1; y < to; y++) {
      const pair = row + concept[y];
      const at = CHANCE_NUMBERS * pair;
      addMeans(sums, at, times, rateOfX * weight[y] + weightOfX * rate[y], squared * rate[y]);
      if (asked[pair] === 1)
        sums[at + VARIANCE] += times * (productOfSeries(covariance, ofX, y * steps, steps) * varies);
    }
  }
}

/**
 * How what chance makes of pairs is added up, as `chanceAdder` does it.
 *
 * @param among 1 for each concept whose pairs are asked of: those of others may be left out
 */
export type ChanceAdding = (
  ...given: [...Parameters<typeof chanceAdder>, among?: Uint8Array]
) => ReturnType<typeof chanceAdder>;

/** Pairs by cluster of which it is kept how much they vary, 8 bytes each. */
const MOST_KEPT = 4_000_000;

/**
 * The same of clusters that are added again and again, to other sums each time: how much pairs vary in each is worked out once. Where
 * they are too many to keep, they are gone through as if they were added once. Sums are the same to the last digit.
 */
export function chancesAgain(residuals: Residuals, asked: Uint8Array): ChanceAdding {
  const { size, clusters, presentFirst } = residuals;
  const firstPair = new Float64Array(clusters + 1);
  for (let b = 0; b < clusters; b++) {
    const number = presentFirst[b + 1] - presentFirst[b];
    firstPair[b + 1] = firstPair[b] + (number * (number - 1)) / 2;
  }
  if (firstPair[clusters] > MOST_KEPT) return chanceAdder;
  const known: Here[] = [];
  const variances = new Float64Array(firstPair[clusters]);
  const all = new Uint8Array(size).fill(1);
  return (_, __, sums, among = all) => ({
    add(cluster, covariance, often) {
      if (!(cluster in known)) {
        known[cluster] = hereIn(residuals, cluster, covariance, 1);
        fillVariances(known[cluster], size, asked, variances.subarray(firstPair[cluster]));
      }
      addKnown(known[cluster], { size, among, often }, variances.subarray(firstPair[cluster]), sums);
    },
    finish() {
      // Nothing waits.
    },
  });
}

/** Fills in how much the pairs of a cluster vary, pair after pair. */
function fillVariances(
  { concepts, covariance, lags, varying }: Here,
  size: number,
  asked: Uint8Array,
  variances: Float64Array,
): void {
  const steps = lags + 1;
  let k = 0;
  for (let x = 0; x < concepts.length; x++) {
    for (let y = x + 1; y < concepts.length; y++, k++) {
      if (asked[concepts[x] * size + concepts[y]] === 1)
        variances[k] = productOfSeries(covariance, x * steps, y * steps, steps) * varying;
    }
  }
}

/** Adds the pairs of a cluster of which it is known how much they vary, pair after pair; of those concepts alone that are meant. */
function addKnown(
  { concepts, rates, weights, square }: Here,
  { size, among, often }: { readonly size: number; readonly among: Uint8Array; readonly often: number },
  variances: Float64Array,
  sums: ChanceSums,
): void {
  const number = concepts.length;
  /** Where the pairs of a concept begin in the list of variances, less the place of the second. */
  let before = -1;
  for (let x = 0; x < number; before += number - 2 - x, x++) {
    if (among[concepts[x]] === 0) continue;
    const [row, rateOfX, weightOfX] = [concepts[x] * size, rates[x], weights[x]];
    const squared = square * rateOfX;
    for (let y = x + 1; y < number; y++) {
      if (among[concepts[y]] === 0) continue;
      const at = CHANCE_NUMBERS * (row + concepts[y]);
      addMeans(sums, at, often, rateOfX * weights[y] + weightOfX * rates[y], squared * rates[y]);
      sums[at + VARIANCE] += often * variances[before + y];
    }
  }
}
