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

/** The regularised upper incomplete gamma function Q(a, x) (series and continued fraction, Numerical Recipes 6.2). */
export function upperGamma(a: number, x: number): number {
  if (x <= 0) return 1;
  const front = Math.exp(-x + a * Math.log(x) - logGamma(a));
  if (x < a + 1) {
    let term = 1 / a;
    let sum = term;
    for (let n = 1; n < 1000 && Math.abs(term) > Math.abs(sum) * 1e-16; n++) {
      term *= x / (a + n);
      sum += term;
    }
    return Math.max(0, 1 - sum * front);
  }
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
  return front * h;
}

/** The chance that a χ² variable with the given degrees of freedom is at least x. */
export function chiSquareTail(x: number, degrees = 1): number {
  return upperGamma(degrees / 2, Math.max(0, x) / 2);
}
