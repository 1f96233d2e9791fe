/**
 * Normalised pointwise mutual information (Bouma 2009): ln(p_ij / p_i p_j) / −ln p_ij, from −1 (never together) over
 * 0 (as by chance) to 1 (never apart).
 */
export function npmi(both: number, withFirst: number, withSecond: number, windows: number): number {
  if (both === 0) return -1;
  // In every window there is nothing to tell: the formula has 0 / 0.
  if (both === windows) return 0;
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

/** A measure of how strong a link is, from the windows two concepts share. */
interface MeasureKind {
  readonly name: string;
  /** What it says, in a sentence. */
  readonly help: string;
  /** As it is written, with its source. */
  readonly formula: string;
  /** The cut-off it begins with. */
  readonly cutOff: number;
  readonly of: (both: number, withFirst: number, withSecond: number, windows: number) => number;
}

/** Every measure that may be chosen. One more is one more record here. */
export const MEASURES = {
  npmi: {
    name: 'NPMI',
    help: 'NPMI says how much oftener two share a window than chance would have it, from −1 to 1.',
    formula: 'ln(p₁₂ ÷ p₁ p₂) ÷ −ln p₁₂ (Bouma 2009)',
    cutOff: 0.1,
    of: npmi,
  },
  jaccard: {
    name: 'Jaccard',
    help: 'Jaccard is the share of windows with either that have both, from 0 to 1.',
    formula: 'n₁₂ ÷ (n₁ + n₂ − n₁₂)',
    cutOff: 0.1,
    of: jaccard,
  },
  cosine: {
    name: 'cosine',
    help: 'Cosine sets the windows with both against the windows of each, from 0 to 1.',
    formula: 'n₁₂ ÷ √(n₁ n₂)',
    cutOff: 0.1,
    of: cosine,
  },
  g2: {
    name: 'G²',
    help: 'G² (log-likelihood) says how surely two share more windows than by chance, below 0 where they share fewer; it grows with the text.',
    formula: '2 Σ O ln(O ÷ E) over the four cells, with a sign (Dunning 1993)',
    cutOff: 10.83,
    of: (...table) => logLikelihood(...table),
  },
  count: {
    name: 'number of shared windows',
    help: 'The number of shared windows favours concepts that are frequent anyway.',
    formula: 'n₁₂, the windows both are in',
    cutOff: 5,
    of: (both) => both,
  },
} as const satisfies Record<string, MeasureKind>;

export type Measure = keyof typeof MEASURES;
export const MEASURE_NAMES = Object.keys(MEASURES) as readonly Measure[];

/**
 * Log-likelihood ratio of the 2×2 table of windows (Dunning 1993): 2 Σ O ln(O / E), with the sign of the departure:
 * below 0 where the two share fewer windows than chance would have them share.
 */
export function logLikelihood(both: number, withFirst: number, withSecond: number, windows: number): number {
  const notFirst = windows - withFirst;
  const notSecond = windows - withSecond;
  const sum =
    term(both, withFirst, withSecond, windows) +
    term(withFirst - both, withFirst, notSecond, windows) +
    term(withSecond - both, notFirst, withSecond, windows) +
    term(windows - withFirst - withSecond + both, notFirst, notSecond, windows);
  const value = Math.max(0, 2 * sum);
  return both * windows < withFirst * withSecond ? -value : value;
}

/** O ln(O / E) of a cell of a table. */
const term = (observed: number, row: number, column: number, whole: number): number =>
  observed <= 0 ? 0 : observed * Math.log((observed * whole) / (row * column));

/** Whether a link must be beyond chance at all: where all of what is found may be false, chance is not asked. */
export const asksChance = ({ maximumQ }: { readonly maximumQ: number }): boolean => maximumQ < 1;
