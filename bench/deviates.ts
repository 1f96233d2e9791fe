import type { Random } from '../core/src/numeric/random.ts';

/** A normal deviate (Box & Muller 1958). */
export const normal = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** A gamma deviate of scale 1 (Marsaglia & Tsang 2000); for shapes under 1 by the power of a uniform one. */
export function gamma(random: Random, shape: number): number {
  if (shape < 1) return gamma(random, shape + 1) * random() ** (1 / shape);
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normal(random);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(1 - random()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
  }
}

/** A Poisson deviate, counted by multiplied uniform ones; of large means in halves. */
export function poisson(random: Random, mean: number): number {
  if (mean > 30) return poisson(random, mean / 2) + poisson(random, mean / 2);
  let count = 0;
  for (let product = random(); product > Math.exp(-mean); product *= random()) count++;
  return count;
}
