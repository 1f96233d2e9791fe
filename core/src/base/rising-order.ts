/** Lists up to this long are sorted quicker by comparing. */
const SHORT = 200;
/** Digits are of so many bits: six of them make a number of 64. */
const DIGIT_BITS = 11;
const DIGITS = 1 << DIGIT_BITS;
/** Where the half of a number that holds its sign stands: machines differ. */
const HIGH = new Uint32Array(Float64Array.of(-0).buffer)[1] === 0 ? 0 : 1;

/**
 * The places of a list's numbers, sorted by rising number, ties by rising place. Numbers are sorted by the digits of their bits,
 * the last first (radix sort, Knuth 1998, 5.2.5), which takes a third of the time of sorting them by comparison.
 *
 * @param values none of them NaN
 */
export function risingOrder(values: ArrayLike<number>): Int32Array {
  const { length } = values;
  let order = new Int32Array(length);
  for (let i = 0; i < length; i++) order[i] = i;
  if (length <= SHORT) return order.sort((a, b) => values[a] - values[b] || a - b);
  let sorted = new Int32Array(length);
  for (const half of sortableHalves(values)) {
    for (let shift = 0; shift < 32; shift += DIGIT_BITS)
      if (sortByDigit(half, shift, order, sorted)) [order, sorted] = [sorted, order];
  }
  return order;
}

/** The lower and the higher half of each number's bits, so that a greater number has greater bits. */
function sortableHalves(values: ArrayLike<number>): readonly [Uint32Array, Uint32Array] {
  const { length } = values;
  const numbers = new Float64Array(length);
  // −0 + 0 is 0.
  for (let i = 0; i < length; i++) numbers[i] = values[i] + 0;
  const words = new Uint32Array(numbers.buffer);
  const [low, high] = [new Uint32Array(length), new Uint32Array(length)];
  for (let i = 0; i < length; i++) {
    const [lower, higher] = [words[2 * i + 1 - HIGH], words[2 * i + HIGH]];
    // Bits of numbers below 0 rise as the numbers fall.
    const isNegative = higher >>> 31 === 1;
    low[i] = isNegative ? ~lower : lower;
    high[i] = isNegative ? ~higher : higher | 0x80000000;
  }
  return [low, high];
}

/** Sorts places by a digit of their numbers, equal ones as they stand; false where all have the same. */
function sortByDigit(numbers: Uint32Array, shift: number, order: Int32Array, sorted: Int32Array): boolean {
  const first = new Int32Array(DIGITS + 1);
  for (let i = 0; i < numbers.length; i++) first[((numbers[i] >>> shift) & (DIGITS - 1)) + 1]++;
  if (first[((numbers[0] >>> shift) & (DIGITS - 1)) + 1] === numbers.length) return false;
  for (let digit = 0; digit < DIGITS; digit++) first[digit + 1] += first[digit];
  for (let k = 0; k < order.length; k++) {
    const i = order[k];
    sorted[first[(numbers[i] >>> shift) & (DIGITS - 1)]++] = i;
  }
  return true;
}
