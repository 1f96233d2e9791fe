import { unevenness } from './autocovariance.ts';
import type { Residuals } from './residuals.ts';

/** What chance makes of pairs, added up over blocks; size × size, filled where the first concept is the smaller. */
export interface ChanceSums {
  /** Windows with both that chance makes. */
  readonly within: Float64Array;
  /** The product of the windows with each, scaled as departures are (`spreadOver`). */
  readonly products: Float64Array;
  /** How much the windows with both vary, of pairs it is asked of. */
  readonly variance: Float64Array;
}

/** A block as its pairs are gone through: lists of its concepts, and what is the same for all of them. */
interface Here {
  readonly concepts: Int32Array;
  readonly rates: Float64Array;
  readonly held: Float64Array;
  readonly weights: Float64Array;
  readonly covariance: Float64Array;
  readonly lags: number;
  readonly square: number;
  readonly scale: number;
  readonly windows: number;
  readonly uneven: number;
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
    addByConcept(residuals.size, waiting, asked, sums);
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
  const held = presentHeld.subarray(first, end);
  return {
    concepts: present.subarray(first, end),
    rates: held.map((each) => (whole > 0 ? each / whole : 0)),
    held,
    weights: presentWeight.subarray(first, end),
    covariance,
    lags,
    square: squares[block],
    scale: whole > 0 ? squares[block] / whole ** 2 : 0,
    windows: blockFirst[block + 1] - blockFirst[block],
    uneven: unevenness(residuals, block),
    often,
  };
}

/** Goes through the pairs of some blocks: of each concept, block after block. */
function addByConcept(size: number, blocks: readonly Here[], asked: Uint8Array, sums: ChanceSums): void {
  const first = new Int32Array(size + 1);
  for (const { concepts } of blocks) for (let x = 0; x < concepts.length; x++) first[concepts[x] + 1]++;
  for (let i = 0; i < size; i++) first[i + 1] += first[i];
  const [blockOf, placeOf] = [new Int32Array(first[size]), new Int32Array(first[size])];
  const next = first.slice(0, size);
  blocks.forEach(({ concepts }, b) => {
    for (let x = 0; x < concepts.length; x++) {
      const at = next[concepts[x]]++;
      blockOf[at] = b;
      placeOf[at] = x;
    }
  });
  for (let i = 0; i < size; i++) {
    for (let at = first[i]; at < first[i + 1]; at++) {
      const here = blocks[blockOf[at]];
      addMeans(here, placeOf[at], i * size, sums);
      if (here.windows > 1) addVariances(here, placeOf[at], i * size, asked, sums.variance);
    }
  }
}

/** Windows that would hold both of two concepts of a block, by the rate and the weights of each. */
const meanOf = (a: number, weightOfA: number, b: number, weightOfB: number, square: number): number =>
  b * weightOfA + a * weightOfB - a * b * square;

/** How much the windows with both vary, by the autocovariances of each from the given places on. */
function varianceOf({ covariance, lags, windows, uneven }: Here, ofFirst: number, ofSecond: number): number {
  let sum = covariance[ofFirst] * covariance[ofSecond];
  for (let l = 1; l <= lags; l++) sum += 2 * covariance[ofFirst + l] * covariance[ofSecond + l];
  return (Math.max(0, sum) / windows) * uneven;
}

/** Adds the means of the pairs of a block's concept with those after it; `row` is where its pairs begin. */
function addMeans(
  { concepts, rates, held, weights, square, scale, often }: Here,
  x: number,
  row: number,
  { within, products }: ChanceSums,
): void {
  const a = rates[x];
  const weight = weights[x];
  const scaled = scale * held[x];
  for (let y = x + 1; y < concepts.length; y++) {
    const pair = row + concepts[y];
    within[pair] += often * meanOf(a, weight, rates[y], weights[y], square);
    products[pair] += often * (scaled * held[y]);
  }
}

/** The same of how much they vary, where it is asked. */
function addVariances(here: Here, x: number, row: number, asked: Uint8Array, variance: Float64Array): void {
  const { concepts, lags, often } = here;
  for (let y = x + 1; y < concepts.length; y++) {
    const pair = row + concepts[y];
    if (asked[pair] === 1) variance[pair] += often * varianceOf(here, x * (lags + 1), y * (lags + 1));
  }
}

/** Pairs by block of which it is kept what chance makes of them, 28 bytes each. */
const MOST_KEPT = 4_000_000;

/** What chance makes of the pairs of a block that counts once. */
interface KeptChances extends ChanceSums {
  readonly pair: Int32Array;
}

/**
 * The same of blocks that are added again and again, to other sums each time: what chance makes of the pairs of each is worked out
 * once. Where they are too many to keep, they are gone through as if they were added once. Sums are the same to the last digit.
 */
export function chancesAgain(residuals: Residuals, asked: Uint8Array): typeof chanceAdder {
  const { blocks, presentFirst } = residuals;
  let pairs = 0;
  for (let b = 0; b < blocks; b++) {
    const number = presentFirst[b + 1] - presentFirst[b];
    pairs += (number * (number - 1)) / 2;
  }
  if (pairs > MOST_KEPT) return chanceAdder;
  const kept: KeptChances[] = [];
  return (_, __, { within, products, variance }) => ({
    add(block, covariance, often) {
      const made = (kept[block] ??= chancesIn(
        hereIn(residuals, block, covariance, 1),
        residuals.size,
        asked,
      ));
      for (let k = 0; k < made.pair.length; k++) {
        const pair = made.pair[k];
        within[pair] += often * made.within[k];
        products[pair] += often * made.products[k];
        variance[pair] += often * made.variance[k];
      }
    },
    finish() {
      // Nothing waits.
    },
  });
}

function chancesIn(here: Here, size: number, asked: Uint8Array): KeptChances {
  const { concepts, rates, held, weights, square, scale, lags, windows } = here;
  const count = (concepts.length * (concepts.length - 1)) / 2;
  const made = {
    pair: new Int32Array(count),
    within: new Float64Array(count),
    products: new Float64Array(count),
    variance: new Float64Array(count),
  };
  let k = 0;
  for (let x = 0; x < concepts.length; x++) {
    const scaled = scale * held[x];
    for (let y = x + 1; y < concepts.length; y++) {
      const pair = concepts[x] * size + concepts[y];
      made.pair[k] = pair;
      made.within[k] = meanOf(rates[x], weights[x], rates[y], weights[y], square);
      made.products[k] = scaled * held[y];
      if (windows > 1 && asked[pair] === 1)
        made.variance[k] = varianceOf(here, x * (lags + 1), y * (lags + 1));
      k++;
    }
  }
  return made;
}
