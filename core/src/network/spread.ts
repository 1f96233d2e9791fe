import { heldByCluster, type Residuals } from './residuals.ts';

/** How concepts are spread over the clusters. */
export interface Spread {
  /** Windows with each concept. */
  readonly windowsWith: Float64Array;
  /** Clusters that hold each. */
  readonly clustersWith: Float64Array;
  /** Windows with each per unit of weight. */
  readonly rate: Float64Array;
  /** Squared length of each concept's departures. */
  readonly length: Float64Array;
  /** The share of a concept's departures that is the clusters' own and not its bursts', from 0 to 1 (James & Stein 1961). */
  readonly ownShare: Float64Array;
  /** The product of each concept's windows and those that a concept of rate 1 would have, scaled as departures are. */
  readonly byRate: Float64Array;
  /** The same of two concepts of rate 1. */
  readonly ofRates: number;
}

/** A length that is no more than this share of what it is the rest of is what rounding left. */
const ROUNDING = 1e-10;

/** Finds how concepts are spread over the clusters that are handed to it one by one. */
export function spreadAdder({ size, sums, squares, presentFirst, present, presentHeld }: Residuals) {
  const windowsWith = new Float64Array(size);
  const clustersWith = new Float64Array(size);
  const byRate = new Float64Array(size);
  const ofHeld = new Float64Array(size);
  const byChance = new Float64Array(size);
  let [whole, number, ofRates] = [0, 0, 0];
  return {
    /**
     * @param ofSum the variance the number of windows of each of the cluster's concepts has by bursts
     * @param often how often the cluster counts
     */
    add(cluster: number, ofSum: Float64Array, often: number): void {
      const first = presentFirst[cluster];
      const scaled = sums[cluster] > 0 ? (often * squares[cluster]) / sums[cluster] : 0;
      const scaledTwice = sums[cluster] > 0 ? scaled / sums[cluster] : 0;
      whole += often * sums[cluster];
      number += often;
      ofRates += often * squares[cluster];
      for (let k = first; k < presentFirst[cluster + 1]; k++) {
        const [i, held] = [present[k], presentHeld[k]];
        windowsWith[i] += often * held;
        clustersWith[i] += often;
        byRate[i] += scaled * held;
        ofHeld[i] += scaledTwice * held * held;
        byChance[i] += scaledTwice * ofSum[k - first];
      }
    },
    done(): Spread {
      const rate = windowsWith.map((each) => (whole > 0 ? each / whole : 0));
      const length = new Float64Array(size);
      const ownShare = new Float64Array(size);
      for (let i = 0; i < size; i++) {
        // The sum of (held − rate × sum)², scaled, also of clusters that hold nothing of the concept.
        const evenly = rate[i] * rate[i] * ofRates;
        const squared = ofHeld[i] - 2 * rate[i] * byRate[i] + evenly;
        length[i] = squared < ROUNDING * evenly ? 0 : squared;
        const chance = number > 1 ? (byChance[i] * (number - 1)) / number : 0;
        ownShare[i] = length[i] > chance ? 1 - chance / length[i] : 0;
      }
      return { windowsWith, clustersWith, rate, length, ownShare, byRate, ofRates };
    },
  };
}

const scaleOf = ({ sums, squares }: Residuals, cluster: number): number =>
  sums[cluster] > 0 ? Math.sqrt(squares[cluster]) / sums[cluster] : 0;

/** size × clusters: windows that hold a concept beyond what its rate over all clusters makes of it, scaled; 0 in clusters that do not count. */
export function departuresOf(
  residuals: Residuals,
  { rate }: Pick<Spread, 'rate'>,
  held = heldByCluster(residuals),
): Float64Array {
  const { size, clusters, times, sums } = residuals;
  const departures = new Float64Array(size * clusters);
  for (let i = 0; i < size; i++) {
    for (let b = 0; b < clusters; b++)
      if (times[b] > 0)
        departures[i * clusters + b] = (held[i * clusters + b] - rate[i] * sums[b]) * scaleOf(residuals, b);
  }
  return departures;
}

/**
 * Of two concepts: the windows they share because the same clusters hold both, which is the product of their departures. It
 * is made of the products of what clusters hold, as most clusters hold few concepts and every departure is something.
 *
 * @param product of clusters that hold both, the product of the windows with each, scaled
 */
export const sharedByClusters = (
  { rate, byRate, ofRates }: Spread,
  first: number,
  second: number,
  product: number,
): number =>
  product -
  rate[first] * byRate[second] -
  rate[second] * byRate[first] +
  rate[first] * rate[second] * ofRates;
