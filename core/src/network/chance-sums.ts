import { unevenness } from './autocovariance.ts';
import type { Residuals } from './residuals.ts';

/**
 * What chance makes of pairs, added up over blocks: four numbers for each of size × size pairs, filled where the first concept is the
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
/** Blocks that hold both. */
export const BLOCKS = 3;

/** A block as its pairs are gone through: lists of its concepts, and what is the same for all of them. */
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

/** Autocovariances that blocks are waiting with, in numbers, before their pairs are gone through. */
const MOST_WAITING = 4_000_000;

/**
 * Adds what chance makes of the pairs of blocks that are handed to it one by one. Many are gone through at once, by concept, so
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
    /** @param often how often the block counts */
    add(block: number, covariance: Float64Array, often: number): void {
      waiting.push(hereIn(residuals, block, covariance, often));
      numbers += covariance.length;
      if (numbers > MOST_WAITING) finish();
    },
    finish,
  };
}

function hereIn(residuals: Residuals, block: number, covariance: Float64Array, often: number): Here {
  const { blockFirst, squares, lags, presentFirst, present, presentHeld, presentWeight } = residuals;
  const [first, end] = [presentFirst[block], presentFirst[block + 1]];
  const whole = residuals.sums[block];
  const windows = blockFirst[block + 1] - blockFirst[block];
  const rates = new Float64Array(end - first);
  if (whole > 0) for (let x = 0; x < rates.length; x++) rates[x] = presentHeld[first + x] / whole;
  return {
    concepts: present.subarray(first, end),
    rates,
    weights: presentWeight.subarray(first, end),
    covariance,
    lags,
    square: squares[block],
    varying: windows > 1 ? unevenness(residuals, block) / windows : 0,
    often,
  };
}

/** Concepts of many blocks, one block's after the other's. */
interface Laid {
  readonly concept: Int32Array;
  readonly rate: Float64Array;
  readonly weight: Float64Array;
  readonly covariance: Float64Array;
  readonly steps: number;
  /** By block: one past its last concept, and what is the same for all of them. */
  readonly end: Int32Array;
  readonly square: Float64Array;
  readonly varying: Float64Array;
  readonly often: Float64Array;
}

/** Goes through the pairs of some blocks: of each concept, block after block. */
function addByConcept(
  size: number,
  lags: number,
  blocks: readonly Here[],
  asked: Uint8Array,
  sums: ChanceSums,
): void {
  const laid = layOut(lags, blocks);
  // The places of each concept, in the order of the blocks.
  const first = new Int32Array(size + 1);
  for (let at = 0; at < laid.concept.length; at++) first[laid.concept[at] + 1]++;
  for (let i = 0; i < size; i++) first[i + 1] += first[i];
  const [places, blockOf] = [new Int32Array(first[size]), new Int32Array(first[size])];
  const next = first.slice(0, size);
  let at = 0;
  for (let b = 0; b < blocks.length; b++) {
    for (; at < laid.end[b]; at++) {
      const to = next[laid.concept[at]]++;
      places[to] = at;
      blockOf[to] = b;
    }
  }
  for (let i = 0; i < size; i++)
    addPairsOf(
      laid,
      places.subarray(first[i], first[i + 1]),
      blockOf.subarray(first[i], first[i + 1]),
      i * size,
      asked,
      sums,
    );
}

function layOut(lags: number, blocks: readonly Here[]): Laid {
  const steps = lags + 1;
  const length = blocks.reduce((sum, { concepts }) => sum + concepts.length, 0);
  const laid = {
    concept: new Int32Array(length),
    rate: new Float64Array(length),
    weight: new Float64Array(length),
    covariance: new Float64Array(length * steps),
    end: new Int32Array(blocks.length),
  };
  let at = 0;
  for (let b = 0; b < blocks.length; b++) {
    const { concepts, rates, weights, covariance } = blocks[b];
    laid.concept.set(concepts, at);
    laid.rate.set(rates, at);
    laid.weight.set(weights, at);
    laid.covariance.set(covariance, at * steps);
    laid.end[b] = at += concepts.length;
  }
  const ofBlocks = (of: (here: Here) => number): Float64Array => Float64Array.from(blocks, of);
  return {
    ...laid,
    steps,
    square: ofBlocks(({ square }) => square),
    varying: ofBlocks(({ varying }) => varying),
    often: ofBlocks(({ often }) => often),
  };
}

/** Adds what a block makes of a pair, whose numbers stand from `at` on. */
function addMeans(sums: ChanceSums, at: number, often: number, crossed: number, product: number): void {
  sums[at + CROSSED] += often * crossed;
  sums[at + PRODUCT] += often * product;
  sums[at + BLOCKS] += often;
}

/** How much the product of two series varies by the autocovariances of each from the given places on: never less than not at all. */
function productOfSeries(covariance: Float64Array, first: number, second: number, steps: number): number {
  let sum = covariance[first] * covariance[second];
  for (let l = 1; l < steps; l++) sum += 2 * covariance[first + l] * covariance[second + l];
  return sum > 0 ? sum : 0;
}

/**
 * Adds the pairs of a concept with those after it, in each block that holds it. All stands in lists of numbers, as this is where most
 * of the time goes.
 *
 * @param row where the concept's pairs begin
 */
function addPairsOf(
  { concept, rate, weight, covariance, steps, end, square, varying, often }: Laid,
  places: Int32Array,
  blockOf: Int32Array,
  row: number,
  asked: Uint8Array,
  sums: ChanceSums,
): void {
  for (let k = 0; k < places.length; k++) {
    const [x, block] = [places[k], blockOf[k]];
    const [rateOfX, weightOfX, times] = [rate[x], weight[x], often[block]];
    const [squared, varies] = [square[block] * rateOfX, varying[block]];
    const to = end[block];
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

/** Pairs by block of which it is kept how much they vary, 8 bytes each. */
const MOST_KEPT = 4_000_000;

/**
 * The same of blocks that are added again and again, to other sums each time: how much pairs vary in each is worked out once. Where
 * they are too many to keep, they are gone through as if they were added once. Sums are the same to the last digit.
 */
export function chancesAgain(residuals: Residuals, asked: Uint8Array): typeof chanceAdder {
  const { size, blocks, presentFirst } = residuals;
  const firstPair = new Float64Array(blocks + 1);
  for (let b = 0; b < blocks; b++) {
    const number = presentFirst[b + 1] - presentFirst[b];
    firstPair[b + 1] = firstPair[b] + (number * (number - 1)) / 2;
  }
  if (firstPair[blocks] > MOST_KEPT) return chanceAdder;
  const known: Here[] = [];
  const variances = new Float64Array(firstPair[blocks]);
  return (_, __, sums) => ({
    add(block, covariance, often) {
      if (!(block in known)) {
        known[block] = hereIn(residuals, block, covariance, 1);
        fillVariances(known[block], size, asked, variances, firstPair[block]);
      }
      addKnown(known[block], size, variances, firstPair[block], often, sums);
    },
    finish() {
      // Nothing waits.
    },
  });
}

/** Fills in how much the pairs of a block vary, pair after pair, from `first` on. */
function fillVariances(
  { concepts, covariance, lags, varying }: Here,
  size: number,
  asked: Uint8Array,
  variances: Float64Array,
  first: number,
): void {
  const steps = lags + 1;
  let k = first;
  for (let x = 0; x < concepts.length; x++) {
    for (let y = x + 1; y < concepts.length; y++, k++) {
      if (asked[concepts[x] * size + concepts[y]] === 1)
        variances[k] = productOfSeries(covariance, x * steps, y * steps, steps) * varying;
    }
  }
}

/** Adds the pairs of a block of which it is known how much they vary. */
function addKnown(
  { concepts, rates, weights, square }: Here,
  size: number,
  variances: Float64Array,
  first: number,
  often: number,
  sums: ChanceSums,
): void {
  let k = first;
  for (let x = 0; x < concepts.length; x++) {
    const [row, rateOfX, weightOfX] = [concepts[x] * size, rates[x], weights[x]];
    const squared = square * rateOfX;
    for (let y = x + 1; y < concepts.length; y++, k++) {
      const at = CHANCE_NUMBERS * (row + concepts[y]);
      addMeans(sums, at, often, rateOfX * weights[y] + weightOfX * rates[y], squared * rates[y]);
      sums[at + VARIANCE] += often * variances[k];
    }
  }
}
