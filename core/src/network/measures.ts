/** How strong a link is, from the windows two concepts share. */
export const MEASURES = ['npmi', 'jaccard', 'cosine', 'count'] as const;
export type Measure = (typeof MEASURES)[number];

/**
 * Normalised pointwise mutual information (Bouma 2009): ln(p_ij / p_i p_j) / −ln p_ij, from −1 (never together) over
 * 0 (as by chance) to 1 (never apart).
 */
export function npmi(both: number, withFirst: number, withSecond: number, windows: number): number {
  if (both === 0) return -1;
  if (both === windows) return 1;
  return Math.log((both * windows) / (withFirst * withSecond)) / -Math.log(both / windows);
}

/** n_ij / (n_i + n_j − n_ij). */
export function jaccard(both: number, withFirst: number, withSecond: number): number {
  return both === 0 ? 0 : both / (withFirst + withSecond - both);
}

/** n_ij / √(n_i n_j). */
export function cosine(both: number, withFirst: number, withSecond: number): number {
  return both === 0 ? 0 : both / Math.sqrt(withFirst * withSecond);
}

/** A link's strength by the measure asked for. */
export function strengthOf(
  measure: Measure,
  both: number,
  withFirst: number,
  withSecond: number,
  windows: number,
): number {
  switch (measure) {
    case 'npmi':
      return npmi(both, withFirst, withSecond, windows);
    case 'jaccard':
      return jaccard(both, withFirst, withSecond);
    case 'cosine':
      return cosine(both, withFirst, withSecond);
    case 'count':
      return both;
  }
}

/**
 * Log-likelihood ratio of the 2×2 table of windows (Dunning 1993): 2 Σ O ln(O / E), with the sign of the departure:
 * below 0 where the two share fewer windows than chance would have them share.
 */
export function logLikelihood(both: number, withFirst: number, withSecond: number, windows: number): number {
  const term = (observed: number, row: number, column: number): number =>
    observed <= 0 ? 0 : observed * Math.log((observed * windows) / (row * column));
  const notFirst = windows - withFirst;
  const notSecond = windows - withSecond;
  const sum =
    term(both, withFirst, withSecond) +
    term(withFirst - both, withFirst, notSecond) +
    term(withSecond - both, notFirst, withSecond) +
    term(windows - withFirst - withSecond + both, notFirst, notSecond);
  const value = Math.max(0, 2 * sum);
  return both * windows < withFirst * withSecond ? -value : value;
}
