import { scratchList } from '../base/scratch.ts';
import { fisherExact } from '../numeric/chance.ts';
import { lowerGamma, studentQuantile, studentTail, upperGamma } from '../numeric/special.ts';
import type { Counts } from './counts.ts';
import { tellOnce, type ClusterTeller } from './cluster-sums.ts';
import {
  CLUSTERS,
  CHANCE_NUMBERS,
  chanceAdder,
  type ChanceAdding,
  CROSSED,
  PRODUCT,
  VARIANCE,
  type ChanceSums,
} from './chance-sums.ts';
import { clustersCounted, residualsOf, type Residuals } from './residuals.ts';
import { sharedByClusters, spreadAdder, type Spread } from './spread.ts';
import type { Windows } from './windows.ts';

/** What pairs of concepts share, and would by chance; lists are size × size, filled where i < j. Chances and dispersion of 1 for pairs that share no window, unless they are asked for. */
export interface Evidence {
  readonly size: number;
  /** Windows in all, with each concept, and with both. */
  readonly windows: number;
  readonly windowsWith: Float64Array;
  readonly together: Int32Array;
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
  /** The autocovariances of concepts by cluster (`seriesIn`), where there are not too many to hold. */
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
/**
 * A correlation over sources varies a little more than t has it, as sources of few windows have rates that vary more: with so much
 * of it at most 5 % of such pairs come below 0.05, without it up to 5.3 %.
 */
const CORRELATION_MARGIN = 0.975;
/** A count never varies less than this share of what a Poisson count of its mean does. */
const LEAST_DISPERSION = 0.3;
/** Never less than a thousandth of a window is expected: a count of some is then as unlikely as can be. */
export const LEAST_EXPECTED = 1e-3;

const scratch = scratchList();

/** What of the chances is asked for. */
export interface Asked {
  /** Whether those of pairs that share no window too. */
  readonly ofAllPairs: boolean;
  /** A chance that the same sources hold both that is no less than this is told as 1. */
  readonly between: number;
  /** 1 for each concept whose pairs are asked of; all where it is left out. Of other pairs neither chances nor what is expected are told. */
  readonly among?: Uint8Array | undefined;
}
const OF_SHARED: Asked = { ofAllPairs: false, between: 1 };

/**
 * Tests every pair of concepts that share a window, or every pair where that is asked.
 *
 * Within sources: the windows with both against what two independent series of windows would share that hold each concept
 * as often, in windows as long, in bursts as long (variance of a cross-product of two autocorrelated series, Bartlett
 * 1946), as an overdispersed Poisson count. Where a concept is spread over the sources no more unevenly than its bursts
 * make it, the sources' own rates are noise and are drawn towards the rate over all (James & Stein 1961).
 *
 * Between sources: the correlation of both concepts' rates over the sources, with t.
 */
export function weighEvidence(counts: Counts, windows: Windows, asked = OF_SHARED): Evidence {
  const residuals = residualsOf(counts, windows);
  const telling = tellOnce(residuals, counts, windows);
  return judgeClusters(residuals, telling, pairsAsked(counts, asked.ofAllPairs), asked);
}

/** The concepts that take part, in order: those marked with 1, or all. */
export const conceptsMeant = (size: number, among?: Uint8Array): Int32Array =>
  Int32Array.from({ length: size }, (_, i) => i).filter((i) => among === undefined || among[i] === 1);

/** size × size: 1 for the pairs of which it is asked how much they vary. */
export function pairsAsked({ together }: Counts, ofAllPairs = false): Uint8Array {
  const asked = new Uint8Array(together.length);
  for (let pair = 0; pair < asked.length; pair++) if (ofAllPairs || together[pair] > 0) asked[pair] = 1;
  return asked;
}

/**
 * Weighs what the clusters say, each as often as it counts.
 *
 * @param varying the pairs of which it is asked how much they vary
 * @param adding adds what chance makes of pairs
 */
export function judgeClusters(
  residuals: Residuals,
  { begin, tell }: ClusterTeller,
  varying: Uint8Array,
  asked: Asked,
  adding: ChanceAdding = chanceAdder,
): Evidence {
  const { size, clusters, times, clusterFirst, present } = residuals;
  const pairs = size * size;
  const shared = begin();
  const { together, meetings, sources } = shared;
  const chances: ChanceSums = scratch(CHANCE_NUMBERS * pairs);
  const adder = adding(residuals, varying, chances, asked.among);
  const isHeld = present.length * (residuals.lags + 1) <= MOST_HELD;
  const covariances: Float64Array[] = [];
  const spreading = spreadAdder(residuals);
  let windows = 0;
  for (let b = 0; b < clusters; b++) {
    const often = times[b];
    if (often === 0) continue;
    windows += often * (clusterFirst[b + 1] - clusterFirst[b]);
    const { covariance, ofSum } = tell(b, shared, often);
    adder.add(b, covariance, often);
    if (isHeld) covariances[b] = covariance;
    spreading.add(b, ofSum, often);
  }
  adder.finish();
  const spread = spreading.done();
  const counted = clustersCounted(residuals);
  const leastCorrelation = correlationAt(asked.between, counted);
  const expected = new Float64Array(pairs);
  const dispersion = new Float64Array(pairs).fill(1);
  const pWithin = new Float64Array(pairs).fill(1);
  const pBetween = new Float64Array(pairs).fill(1);
  const betweenUp = new Uint8Array(pairs);
  const meant = conceptsMeant(size, asked.among);
  for (let a = 0; a < meant.length; a++) {
    const i = meant[a];
    for (let b = a + 1; b < meant.length; b++) {
      const j = meant[b];
      const pair = i * size + j;
      const ofPair = CHANCE_NUMBERS * pair;
      const product = chances[ofPair + PRODUCT];
      const within = chances[ofPair + CROSSED] - product;
      const variance = chances[ofPair + VARIANCE];
      const alike = sharedByClusters(spread, i, j, product);
      const pooled = 1 - spread.ownShare[i] * spread.ownShare[j];
      expected[pair] = Math.max(within - pooled * alike, LEAST_EXPECTED);
      if (together[pair] === 0 && !asked.ofAllPairs) continue;
      if (variance > 0 && within > 0) {
        dispersion[pair] = variance / within;
        pWithin[pair] = chanceOfCount(together[pair], expected[pair], dispersion[pair]);
      }
      betweenUp[pair] = alike > 0 ? 1 : 0;
      const lengths = spread.length[i] * spread.length[j];
      if (Math.abs(alike) <= leastCorrelation * Math.sqrt(lengths)) continue;
      const byRate = chanceByRates(alike, lengths, counted);
      pBetween[pair] =
        byRate > LOOKED_AT_AGAIN
          ? byRate
          : noRarerThan(byRate, counted, {
              first: spread.clustersWith[i],
              second: spread.clustersWith[j],
              both: chances[ofPair + CLUSTERS],
            });
    }
  }
  return {
    size,
    windows,
    windowsWith: spread.windowsWith,
    together,
    expected,
    dispersion,
    pWithin,
    pBetween,
    betweenUp,
    meetings,
    sources,
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
  {
    shared,
    lengths,
    clusters,
  }: { readonly shared: number; readonly lengths: number; readonly clusters: number },
  presence: Presence,
): number {
  const byRate = chanceByRates(shared, lengths, clusters);
  // A chance that is large already needs no second look.
  return byRate > LOOKED_AT_AGAIN ? byRate : noRarerThan(byRate, clusters, presence);
}

/** The chance of a correlation over sources, with t. */
function chanceByRates(shared: number, lengths: number, clusters: number): number {
  if (clusters < FEWEST_SOURCES || !(lengths > 0)) return 1;
  const r = Math.max(-1, Math.min(1, (CORRELATION_MARGIN * shared) / Math.sqrt(lengths)));
  return studentTail(r * Math.sqrt((clusters - 2) / Math.max(1e-12, 1 - r * r)), clusters - 2);
}

/** That chance, and no less than which sources have both makes it. */
function noRarerThan(byRate: number, clusters: number, { first, second, both }: Presence): number {
  if (Math.min(first, second) > clusters / 2) return byRate;
  return Math.max(byRate, fisherExact(both, first - both, second - both, clusters - first - second + both));
}

/** A correlation over so many sources that is surely no rarer than this by chance; −1 where there is none. */
function correlationAt(chance: number, sources: number): number {
  if (chance >= 1 || sources < FEWEST_SOURCES) return -1;
  const t = studentQuantile(chance, sources - 2);
  // A little less, as what is worked out both ways may differ in the last digits.
  return (t / Math.sqrt(t * t + sources - 2)) * (1 - 1e-6);
}

/** Sources that have either or both of two things. */
export interface Presence {
  readonly first: number;
  readonly second: number;
  readonly both: number;
}

/**
 * The two-sided chance of a count whose variance is `dispersion` times its mean: of count / dispersion as a Poisson
 * count of mean / dispersion, between whole numbers by the incomplete gamma function.
 *
 * @example chanceOfCount(3, 0.5, 1 / 1.08) // 0.0288, twice the chance of 3 or more of a Poisson count of mean 0.5
 */
export function chanceOfCount(count: number, mean: number, dispersion: number): number {
  const scale = Math.max(DISPERSION_MARGIN * dispersion, LEAST_DISPERSION);
  if (count === 0) return Math.min(1, 2 * Math.exp(-mean / scale));
  // The side the count is on is the less likely one, or neither is under a half.
  const oneSided =
    count > mean ? lowerGamma(count / scale, mean / scale) : upperGamma(count / scale + 1, mean / scale);
  return Math.min(1, 2 * oneSided);
}
