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
 * Of a concept: the windows it shares with each concept after it because the same blocks hold both, size numbers of which
 * those up to its own are 0. The list is the same for every concept that is asked for.
 */
export function sharedByBlocks(
  { departures, length }: Spread,
  { blocks, times }: Residuals,
): (first: number) => Float64Array {
  const size = length.length;
  // Blocks that do not count are passed over, which a draw leaves a third of.
  const counting = Int32Array.from({ length: blocks }, (_, b) => b).filter((b) => times[b] > 0);
  const count = counting.length;
  const own = new Float64Array((size + 3) * count);
  for (let i = 0, at = 0; i < size; i++)
    for (const block of counting) own[at++] = departures[i * blocks + block];
  const weighed = new Float64Array(count);
  const shared = new Float64Array(size);
  return (first) => {
    for (let s = 0; s < count; s++) weighed[s] = times[counting[s]] * own[first * count + s];
    multiplyRows(own, weighed, first + 1, shared);
    shared.fill(0, 0, first + 1);
    return shared;
  };
}

/**
 * Puts the product of each row from `from` on with `by`, a row itself, into `products`. Four rows at once, as the machine
 * adds four sums in the time of one; so past the last there must be three more.
 */
function multiplyRows(rows: Float64Array, by: Float64Array, from: number, products: Float64Array): void {
  const width = by.length;
  const size = products.length;
  for (let row = from; row < size; row += 4) {
    let a = 0;
    let b = 0;
    let c = 0;
    let d = 0;
    const second = (row + 1) * width;
    const third = second + width;
    const fourth = third + width;
    for (let s = 0, at = row * width; s < width; s++, at++) {
      const each = by[s];
      a += each * rows[at];
      b += each * rows[second + s];
      c += each * rows[third + s];
      d += each * rows[fourth + s];
    }
    products[row] = a;
    if (row + 1 < size) products[row + 1] = b;
    if (row + 2 < size) products[row + 2] = c;
    if (row + 3 < size) products[row + 3] = d;
  }
}
