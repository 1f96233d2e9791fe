import { heldByBlock, type Residuals } from './residuals.ts';

/** How concepts are spread over the blocks. */
export interface Spread {
  /** Windows with each concept per unit of weight, over all blocks. */
  readonly rate: Float64Array;
  /** Squared length of each concept's departures. */
  readonly length: Float64Array;
  /** The share of a concept's departures that is the blocks' own and not its bursts', from 0 to 1 (James & Stein 1961). */
  readonly ownShare: Float64Array;
}

/** A length that is no more than this share of what it is the rest of is what rounding left. */
const ROUNDING = 1e-10;

/** @param ofSum of each block that counts: the variance the number of windows of each of its concepts has by bursts */
export function spreadOver(residuals: Residuals, ofSum: readonly ArrayLike<number>[]): Spread {
  const { size, blocks, times, sums, squares, presentFirst, present, presentHeld } = residuals;
  let whole = 0;
  let number = 0;
  for (let b = 0; b < blocks; b++) {
    whole += times[b] * sums[b];
    number += times[b];
  }
  const rate = new Float64Array(size);
  const byChance = new Float64Array(size);
  for (let b = 0; b < blocks; b++) {
    if (times[b] === 0) continue;
    const scale = scaleOf(residuals, b);
    const first = presentFirst[b];
    for (let k = first; k < presentFirst[b + 1]; k++) {
      rate[present[k]] += times[b] * presentHeld[k];
      byChance[present[k]] += times[b] * ofSum[b][k - first] * scale * scale;
    }
  }
  for (let i = 0; i < size; i++) {
    rate[i] = whole > 0 ? rate[i] / whole : 0;
    byChance[i] *= number > 1 ? (number - 1) / number : 0;
  }
  // The sum of (held − rate × sum)² × scale², also of blocks that hold nothing of a concept.
  const length = new Float64Array(size);
  let ofRates = 0;
  for (let b = 0; b < blocks; b++) {
    if (sums[b] === 0 || times[b] === 0) continue;
    ofRates += times[b] * squares[b];
    const often = (times[b] * squares[b]) / sums[b];
    for (let k = presentFirst[b]; k < presentFirst[b + 1]; k++) {
      const i = present[k];
      length[i] += often * presentHeld[k] * (presentHeld[k] / sums[b] - 2 * rate[i]);
    }
  }
  for (let i = 0; i < size; i++) {
    const evenly = rate[i] * rate[i] * ofRates;
    length[i] += evenly;
    if (length[i] < ROUNDING * evenly) length[i] = 0;
  }
  const ownShare = length.map((each, i) => (each > byChance[i] ? 1 - byChance[i] / each : 0));
  return { rate, length, ownShare };
}

const scaleOf = ({ sums, squares }: Residuals, block: number): number =>
  sums[block] > 0 ? Math.sqrt(squares[block]) / sums[block] : 0;

/** size × blocks: windows that hold a concept beyond what its rate over all blocks makes of it, scaled; 0 in blocks that do not count. */
export function departuresOf(
  residuals: Residuals,
  { rate }: Pick<Spread, 'rate'>,
  held = heldByBlock(residuals),
): Float64Array {
  const { size, blocks, times, sums } = residuals;
  const departures = new Float64Array(size * blocks);
  for (let i = 0; i < size; i++) {
    for (let b = 0; b < blocks; b++)
      if (times[b] > 0)
        departures[i * blocks + b] = (held[i * blocks + b] - rate[i] * sums[b]) * scaleOf(residuals, b);
  }
  return departures;
}

/**
 * Of two concepts: the windows they share because the same blocks hold both, which is the product of their departures. It
 * is made of the products of what blocks hold, as most blocks hold few concepts and every departure is something.
 *
 * @param products size × size: of blocks that hold both, the product of the windows with each, scaled
 */
export function sharedByBlocks(
  { size, blocks, times, sums, squares, presentFirst, present, presentHeld }: Residuals,
  products: Float64Array,
): (first: number, second: number) => number {
  let whole = 0;
  let square = 0;
  for (let b = 0; b < blocks; b++) {
    if (sums[b] === 0) continue;
    whole += times[b] * sums[b];
    square += times[b] * squares[b];
  }
  const rate = new Float64Array(size);
  const alone = new Float64Array(size);
  for (let b = 0; b < blocks; b++) {
    if (times[b] === 0) continue;
    for (let k = presentFirst[b]; k < presentFirst[b + 1]; k++) {
      const windows = times[b] * presentHeld[k];
      rate[present[k]] += windows;
      alone[present[k]] += (windows * squares[b]) / sums[b];
    }
  }
  for (let i = 0; i < size; i++) rate[i] = whole > 0 ? rate[i] / whole : 0;
  return (i, j) =>
    products[i * size + j] - rate[i] * alone[j] - rate[j] * alone[i] + rate[i] * rate[j] * square;
}
