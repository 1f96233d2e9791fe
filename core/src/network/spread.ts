import type { Residuals } from './residuals.ts';

/** How concepts are spread over the blocks. */
export interface Spread {
  /** size × blocks: windows that hold a concept beyond what its rate over all blocks makes of it, scaled. */
  readonly departures: Float64Array;
  /** Squared length of each concept's departures. */
  readonly length: Float64Array;
  /** The share of a concept's departures that is the blocks' own and not its bursts', from 0 to 1 (James & Stein 1961). */
  readonly ownShare: Float64Array;
}

/** @param ofSum of each block: the variance each concept's number of windows has by bursts */
export function spreadOver(
  { size, blocks, times, sums, squares, held }: Residuals,
  ofSum: (block: number) => ArrayLike<number>,
): Spread {
  let whole = 0;
  let number = 0;
  for (let b = 0; b < blocks; b++) {
    whole += times[b] * sums[b];
    number += times[b];
  }
  const departures = new Float64Array(size * blocks);
  const length = new Float64Array(size);
  const ownShare = new Float64Array(size);
  for (let i = 0; i < size; i++) {
    let all = 0;
    for (let b = 0; b < blocks; b++) all += times[b] * held[i * blocks + b];
    const rate = whole > 0 ? all / whole : 0;
    let byChance = 0;
    for (let b = 0; b < blocks; b++) {
      if (sums[b] === 0 || times[b] === 0) continue;
      const scale = Math.sqrt(squares[b]) / sums[b];
      const departure = (held[i * blocks + b] - rate * sums[b]) * scale;
      departures[i * blocks + b] = departure;
      length[i] += times[b] * departure * departure;
      byChance += times[b] * ofSum(b)[i] * scale * scale;
    }
    byChance *= number > 1 ? (number - 1) / number : 0;
    ownShare[i] = length[i] > byChance ? 1 - byChance / length[i] : 0;
  }
  return { departures, length, ownShare };
}

/**
 * Of two concepts: the windows they share because the same blocks hold both, which is the product of their departures. It
 * is made of the products of what blocks hold, as most blocks hold few concepts and every departure is something.
 *
 * @param products size × size: of blocks that hold both, the product of the windows with each, scaled
 */
export function sharedByBlocks(
  { size, blocks, times, sums, squares, held }: Residuals,
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
  for (let i = 0; i < size; i++) {
    for (let b = 0; b < blocks; b++) {
      const windows = times[b] * held[i * blocks + b];
      if (windows === 0) continue;
      rate[i] += windows;
      alone[i] += (windows * squares[b]) / sums[b];
    }
    rate[i] = whole > 0 ? rate[i] / whole : 0;
  }
  return (i, j) =>
    products[i * size + j] - rate[i] * alone[j] - rate[j] * alone[i] + rate[i] * rate[j] * square;
}
