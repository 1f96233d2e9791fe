import type { Windows } from '../network/windows.ts';

/** Parts a source is divided into from its beginning to its end. */
export const TENTHS = 10;

/** The tenth of its source each stretch stands in, 0 to 9, by its number among the source's stretches. */
export function tenthsOf({ count, source }: Windows): Uint8Array {
  const tenth = new Uint8Array(count);
  for (let from = 0; from < count;) {
    let to = from + 1;
    while (to < count && source[to] === source[from]) to++;
    for (let w = from; w < to; w++) tenth[w] = Math.floor((TENTHS * (w - from + 0.5)) / (to - from));
    from = to;
  }
  return tenth;
}
