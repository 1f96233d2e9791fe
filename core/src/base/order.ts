import { risingOrder } from './rising-order.ts';

/** Compares by UTF-16 code units: the same on every machine, whatever its language. */
export function byCodeUnits(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}

/** The whole numbers 0 … count − 1 sorted by falling score, ties by rising index. */
export function ranked(count: number, scoreOf: (index: number) => number): number[] {
  const falling = new Float64Array(count);
  for (let i = 0; i < count; i++) falling[i] = -scoreOf(i);
  return Array.from(risingOrder(falling));
}

/** The value in the middle; the lower of two, and 0 where there is none. */
export function median(values: readonly number[]): number {
  const sorted = Float64Array.from(values).sort();
  return sorted.length === 0 ? 0 : sorted[(sorted.length - 1) >> 1];
}

/** The first thing at or after a place in a sorted array. */
export function firstAtLeast(sorted: ArrayLike<number>, value: number): number {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle] < value) low = middle + 1;
    else high = middle;
  }
  return low;
}
