import { logFactorial } from './special.ts';

/**
 * Two-sided p of Fisher's exact test for the 2×2 table [[a, b], [c, d]] of whole counts: the summed chance of all
 * tables with the same margins that are no likelier than this one.
 */
export function fisherExact(a: number, b: number, c: number, d: number): number {
  const row = a + b;
  const column = a + c;
  const total = a + b + c + d;
  const constant =
    logFactorial(row) +
    logFactorial(c + d) +
    logFactorial(column) +
    logFactorial(b + d) -
    logFactorial(total);
  const chanceOf = (x: number): number =>
    constant -
    logFactorial(x) -
    logFactorial(row - x) -
    logFactorial(column - x) -
    logFactorial(total - row - column + x);
  // Equal chances differ in the last digits, hence the margin.
  const most = chanceOf(a) + 1e-7;
  const low = Math.max(0, row + column - total);
  const high = Math.min(row, column);
  // Chances rise to the likeliest table and fall after it: those that are no likelier make two tails.
  const likeliest = Math.min(high, Math.floor(((row + 1) * (column + 1)) / (total + 2)));
  if (chanceOf(likeliest) <= most) return 1;
  const isUnlikely = (x: number): boolean => chanceOf(x) <= most;
  const lower = lastThat(isUnlikely, low, likeliest);
  const upper = likeliest + lastThat((up) => !isUnlikely(likeliest + up), 0, high - likeliest + 1) + 1;
  let sum = 0;
  for (const [first, step] of [
    [lower, -1],
    [upper, 1],
  ]) {
    for (let x = first; x >= low && x <= high; x += step) {
      const chance = Math.exp(chanceOf(x));
      sum += chance;
      // What comes after is smaller still, and falls faster.
      if (chance < sum * NEGLIGIBLE) break;
    }
  }
  return Math.min(1, sum);
}

const NEGLIGIBLE = 1e-18;

/** The last whole number from `from` to before `to` for which something holds that holds up to there; from − 1 if none. */
function lastThat(holds: (x: number) => boolean, from: number, to: number): number {
  let [low, high] = [from, to];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (holds(middle)) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/**
 * The false-discovery-adjusted q of each p (Benjamini & Hochberg 1995), in the order given.
 *
 * @param tests how many tests were made, where that is more than the p given
 */
export function adjustForMany(p: ArrayLike<number>, tests = p.length): Float64Array {
  // What is certain stays so, and is not sorted.
  const order = Uint32Array.from({ length: p.length }, (_, i) => i)
    .filter((i) => p[i] < 1)
    .sort((i, j) => p[i] - p[j] || i - j);
  const q = new Float64Array(p.length).fill(1);
  let smallest = 1;
  for (let rank = order.length; rank > 0; rank--) {
    const i = order[rank - 1];
    smallest = Math.min(smallest, (p[i] * tests) / rank);
    q[i] = smallest;
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
  return [Math.max(0, (middle - reach) / scale), Math.min(1, (middle + reach) / scale)];
}

/** The q-quantile of sorted numbers, interpolated linearly (Hyndman & Fan 1996, type 7). */
export function quantile(sorted: ArrayLike<number>, q: number): number {
  const place = (sorted.length - 1) * q;
  const below = Math.floor(place);
  const above = Math.min(below + 1, sorted.length - 1);
  return sorted[below] + (sorted[above] - sorted[below]) * (place - below);
}
