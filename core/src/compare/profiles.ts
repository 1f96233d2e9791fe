import type { SourceStrength } from './source-strength.ts';

/** Each source's mixture of themes beside its group's. */
export interface Profiles {
  /** sources × rows: the share each theme has of all times the source speaks to one; rows sum to 1, or are 0 where it speaks to none. */
  readonly mixture: Float64Array;
  /** groups × rows: the mixture of all of a group's sources taken together. */
  readonly ofGroups: Float64Array;
  /** Jensen–Shannon distance of each source from its group's mixture, 0 to 1; NaN where it speaks to none or has no group. */
  readonly distance: Float64Array;
}

/** Counts as shares of their sum, in place. */
function toShares(counts: Float64Array): void {
  const sum = counts.reduce((all, each) => all + each, 0);
  if (sum > 0) for (let i = 0; i < counts.length; i++) counts[i] /= sum;
}

/**
 * The Jensen–Shannon distance of two distributions, base 2: the root of their divergence (Lin 1991; Endres & Schindelin 2003).
 *
 * @example distanceOf([1, 0], [0, 1]) // 1
 */
export function distanceOf(a: ArrayLike<number>, b: ArrayLike<number>): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) {
    const middle = (a[i] + b[i]) / 2;
    if (a[i] > 0) sum += (a[i] / 2) * Math.log2(a[i] / middle);
    if (b[i] > 0) sum += (b[i] / 2) * Math.log2(b[i] / middle);
  }
  return Math.sqrt(Math.max(0, Math.min(1, sum)));
}

/** Mixtures of sources and groups, and how far each source is from its group. */
export function profilesOf(
  { speaking, rowCount }: SourceStrength,
  groupOf: ArrayLike<number>,
  groups: number,
): Profiles {
  const sources = groupOf.length;
  const mixture = Float64Array.from(speaking);
  const ofGroups = new Float64Array(groups * rowCount);
  for (let s = 0; s < sources; s++) {
    for (let t = 0; t < rowCount && groupOf[s] >= 0; t++) {
      ofGroups[groupOf[s] * rowCount + t] += mixture[s * rowCount + t];
    }
    toShares(mixture.subarray(s * rowCount, (s + 1) * rowCount));
  }
  for (let g = 0; g < groups; g++) toShares(ofGroups.subarray(g * rowCount, (g + 1) * rowCount));
  const distance = Float64Array.from({ length: sources }, (_, s) => {
    const own = mixture.subarray(s * rowCount, (s + 1) * rowCount);
    const g = groupOf[s];
    if (g < 0 || own.every((share) => share === 0)) return Number.NaN;
    return distanceOf(own, ofGroups.subarray(g * rowCount, (g + 1) * rowCount));
  });
  return { mixture, ofGroups, distance };
}
