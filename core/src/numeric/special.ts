const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
  12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
];

/** ln Γ(x) for x > 0 (Lanczos, g = 7, n = 9; relative error below 1e-13). */
export function logGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x);
  const y = x - 1;
  let sum = LANCZOS[0];
  for (let i = 1; i < LANCZOS.length; i++) sum += LANCZOS[i] / (y + i);
  const t = y + 7.5;
  return 0.5 * Math.log(2 * Math.PI) + (y + 0.5) * Math.log(t) - t + Math.log(sum);
}

let factorials = new Float64Array([0, 0]);

/** ln n! for whole n ≥ 0, from a table that grows as it is asked. */
export function logFactorial(n: number): number {
  if (n >= factorials.length) {
    const grown = new Float64Array(Math.max(n + 1, factorials.length * 2));
    grown.set(factorials);
    for (let i = factorials.length; i < grown.length; i++) grown[i] = grown[i - 1] + Math.log(i);
    factorials = grown;
  }
  return factorials[n];
}

/** The front factor e^−x x^a / Γ(a) of both incomplete gamma functions. */
const gammaFront = (a: number, x: number): number => Math.exp(-x + a * Math.log(x) - logGamma(a));

/** P(a, x) by its series, which is quick where x < a + 1 (Numerical Recipes 6.2). */
function gammaSeries(a: number, x: number): number {
  let term = 1 / a;
  let sum = term;
  for (let n = 1; n < 1000 && Math.abs(term) > Math.abs(sum) * 1e-16; n++) {
    term *= x / (a + n);
    sum += term;
  }
  return sum * gammaFront(a, x);
}

/** Q(a, x) by its continued fraction, which is quick where x ≥ a + 1. */
function gammaFraction(a: number, x: number): number {
  let b = x + 1 - a;
  let c = 1e300;
  let d = 1 / b;
  let h = d;
  for (let i = 1; i < 1000; i++) {
    const an = -i * (i - a);
    b += 2;
    d = 1 / (an * d + b || 1e-300);
    c = b + an / c || 1e-300;
    const step = d * c;
    h *= step;
    if (Math.abs(step - 1) < 1e-15) break;
  }
  return gammaFront(a, x) * h;
}

/** The regularised upper incomplete gamma function Q(a, x) for a > 0. */
export function upperGamma(a: number, x: number): number {
  if (x <= 0) return 1;
  return x < a + 1 ? Math.max(0, 1 - gammaSeries(a, x)) : gammaFraction(a, x);
}

/**
 * The regularised lower incomplete gamma function P(a, x) = 1 − Q(a, x), exact where it is small. For whole a it is the
 * chance that a Poisson variable of mean x is at least a.
 *
 * @example lowerGamma(1, 1) // 0.632…, 1 − 1 / e
 */
export function lowerGamma(a: number, x: number): number {
  if (x <= 0) return 0;
  return x < a + 1 ? Math.min(1, gammaSeries(a, x)) : Math.max(0, 1 - gammaFraction(a, x));
}

/** The regularised incomplete beta function I_x(a, b) (continued fraction, Numerical Recipes 6.4). */
export function incompleteBeta(a: number, b: number, x: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x));
  return x < (a + 1) / (a + b + 2)
    ? (front * betaFraction(a, b, x)) / a
    : 1 - (front * betaFraction(b, a, 1 - x)) / b;
}

function betaFraction(a: number, b: number, x: number): number {
  let c = 1;
  let d = 1 / (1 - ((a + b) * x) / (a + 1) || 1e-300);
  let h = d;
  for (let m = 1; m < 500; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / (1 + even * d || 1e-300);
    c = 1 + even / c || 1e-300;
    h *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / (1 + odd * d || 1e-300);
    c = 1 + odd / c || 1e-300;
    const step = d * c;
    h *= step;
    if (Math.abs(step - 1) < 1e-15) break;
  }
  return h;
}

/**
 * The chance that Student's t with these degrees of freedom is at least t away from 0, on either side.
 *
 * @example studentTail(2.228, 10) // 0.05
 */
export function studentTail(t: number, degrees: number): number {
  return incompleteBeta(degrees / 2, 0.5, degrees / (degrees + t * t));
}

/**
 * The t that is passed on either side with this chance, for 0 < chance < 1.
 *
 * @example studentQuantile(0.05, 10) // 2.228
 */
export function studentQuantile(chance: number, degrees: number): number {
  let low = 0;
  let high = 1;
  while (studentTail(high, degrees) > chance) high *= 2;
  for (let i = 0; i < 100 && high - low > 1e-12 * high; i++) {
    const middle = (low + high) / 2;
    if (studentTail(middle, degrees) > chance) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * The z that a normal variable is at least away from 0, on either side, with this chance; 0 for a chance of 1.
 *
 * @example normalOf(0.05) // 1.96
 */
export function normalOf(chance: number): number {
  let low = 0;
  let high = 40;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (chiSquareTail(middle * middle) > chance) low = middle;
    else high = middle;
  }
  return chance >= 1 ? 0 : (low + high) / 2;
}

/** The chance that a χ² variable with the given degrees of freedom is at least x. */
export function chiSquareTail(x: number, degrees = 1): number {
  return upperGamma(degrees / 2, Math.max(0, x) / 2);
}
