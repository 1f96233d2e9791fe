import { risingOrder } from '../base/rising-order.ts';
import { taken } from '../base/taken.ts';
import { logFactorial } from './special.ts';

/**
 * Two-sided p of Fisher's exact test for the 2×2 table [[a, b], [c, d]] of whole counts: the summed chance of all
 * tables with the same margins that are no likelier than this one.
 */
export function fisherExact(a: number, b: number, c: number, d: number): number {
  const row = a + b;
  const column = a + c;
  const total = row + c + d;
  const margins: Margins = {
    row,
    column,
    // What the fourth cell is more than x.
    rest: total - row - column,
    constant:
      logFactorial(row) +
      logFactorial(c + d) +
      logFactorial(column) +
      logFactorial(b + d) -
      logFactorial(total),
  };
  // Equal chances differ in the last digits, hence the margin.
  const most = logChanceOf(margins, a) + 1e-7;
  const low = Math.max(0, -margins.rest);
  const high = Math.min(row, column);
  // Chances rise to the likeliest table and fall after it: those that are no likelier make two tails.
  const likeliest = Math.min(high, Math.floor(((row + 1) * (column + 1)) / (total + 2)));
  if (logChanceOf(margins, likeliest) <= most) return 1;
  const lower = lastUnlikely(margins, most, low - 1, likeliest);
  const upper = lastUnlikely(margins, most, high + 1, likeliest);
  return Math.min(1, tailFrom(margins, lower, -1, low) + tailFrom(margins, upper, 1, high));
}

/** What all tables with the same margins share. */
interface Margins {
  readonly row: number;
  readonly column: number;
  readonly rest: number;
  readonly constant: number;
}

/** ln of the chance of the table with x in its first cell. */
const logChanceOf = ({ row, column, rest, constant }: Margins, x: number): number =>
  constant - logFactorial(x) - logFactorial(row - x) - logFactorial(column - x) - logFactorial(rest + x);

/** The x nearest to the likeliest whose chance is no more than `most`; `outside`, just past the last x, where there is none. */
function lastUnlikely(margins: Margins, most: number, outside: number, likeliest: number): number {
  let [unlikely, likely] = [outside, likeliest];
  while (Math.abs(likely - unlikely) > 1) {
    const middle = (unlikely + likely) >> 1;
    if (logChanceOf(margins, middle) <= most) unlikely = middle;
    else likely = middle;
  }
  return unlikely;
}

/** The summed chance of the tables from `first` on to `last`, each next to the one before it. */
function tailFrom(margins: Margins, first: number, step: 1 | -1, last: number): number {
  if ((last - first) * step < 0) return 0;
  const { row, column, rest } = margins;
  let chance = Math.exp(logChanceOf(margins, first));
  let sum = chance;
  for (let x = first; x !== last; x += step) {
    chance *=
      step > 0
        ? ((row - x) * (column - x)) / ((x + 1) * (rest + x + 1))
        : (x * (rest + x)) / ((row - x + 1) * (column - x + 1));
    sum += chance;
    // What comes after is smaller still, and falls faster.
    if (chance <= sum * NEGLIGIBLE) break;
  }
  return sum;
}

const NEGLIGIBLE = 1e-18;

/**
 * The false-discovery-adjusted q of each p (Benjamini & Hochberg 1995), in the order given.
 *
 * @param tests how many tests were made, where that is more than the p given
 */
export function adjustForMany(p: ArrayLike<number>, tests = p.length): Float64Array {
  // What is certain stays so, and is not sorted.
  const places = new Int32Array(p.length);
  let uncertain = 0;
  for (let i = 0; i < p.length; i++) if (p[i] < 1) places[uncertain++] = i;
  const rising = risingOrder(taken(new Float64Array(p), places.subarray(0, uncertain)));
  const q = new Float64Array(p.length).fill(1);
  let smallest = 1;
  for (let rank = uncertain; rank > 0; rank--) {
    const at = places[rising[rank - 1]];
    smallest = Math.min(smallest, (p[at] * tests) / rank);
    q[at] = smallest;
  }
  return q;
}

/** The Wilson (1927) interval of a share, 95 %: [low, high]. */
export function wilsonInterval(hits: number, trials: number, z = 1.959963984540054): [number, number] {
  if (trials === 0) return [0, 1];
  const share = hits / trials;
  const z2 = z * z;
  const middle = share + z2 / (2 * trials);
  const reach = z * Math.sqrt((share * (1 - share)) / trials + z2 / (4 * trials * trials));
  const scale = 1 + z2 / trials;
  // Of none and of all the bounds are 0 and 1, which rounding would miss by a hair.
  return [
    hits <= 0 ? 0 : Math.max(0, (middle - reach) / scale),
    hits >= trials ? 1 : Math.min(1, (middle + reach) / scale),
  ];
}

/** The q-quantile of sorted numbers, interpolated linearly (Hyndman & Fan 1996, type 7). */
export function quantile(sorted: ArrayLike<number>, q: number): number {
  const place = (sorted.length - 1) * q;
  const below = Math.floor(place);
  const above = Math.min(below + 1, sorted.length - 1);
  return sorted[below] + (sorted[above] - sorted[below]) * (place - below);
}
