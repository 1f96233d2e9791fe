/** Links as lists side by side. */
export interface WeightedLinks {
  readonly source: ArrayLike<number>;
  readonly target: ArrayLike<number>;
  /** Above 0. */
  readonly weight: ArrayLike<number>;
}

/**
 * The chance of each link's share of the strength at the end where it is the most surprising, if every concept dealt its
 * strength to its links at random: the disparity filter (Serrano, Boguñá & Vespignani 2009), α = (1 − w / s)^(k − 1).
 * Of a concept with one link nothing is surprising.
 */
export function disparity(size: number, { source, target, weight }: WeightedLinks): Float64Array {
  const strength = new Float64Array(size);
  const degree = new Int32Array(size);
  for (let i = 0; i < source.length; i++) {
    for (const end of [source[i], target[i]]) {
      strength[end] += weight[i];
      degree[end]++;
    }
  }
  const alpha = (i: number, end: number): number =>
    degree[end] < 2 ? 1 : (1 - weight[i] / strength[end]) ** (degree[end] - 1);
  return Float64Array.from({ length: source.length }, (_, i) =>
    Math.min(alpha(i, source[i]), alpha(i, target[i])),
  );
}

/**
 * A sparser view of a network: the links whose disparity is under a level, and every concept's strongest link.
 *
 * @returns 1 for each link that is kept
 */
export function backbone(size: number, links: WeightedLinks, level: number): Uint8Array {
  const alpha = disparity(size, links);
  const kept = Uint8Array.from(alpha, (each) => (each < level ? 1 : 0));
  for (const i of strongestOf(size, links, 1)) kept[i] = 1;
  return kept;
}

/** The numbers of the links that are among the `most` strongest of one of their concepts; ties go to the earlier. */
export function strongestOf(
  size: number,
  { source, target, weight }: WeightedLinks,
  most: number,
): Set<number> {
  const order = Array.from({ length: source.length }, (_, i) => i).sort(
    (a, b) => weight[b] - weight[a] || a - b,
  );
  const taken = new Int32Array(size);
  const kept = new Set<number>();
  for (const i of order) {
    for (const end of [source[i], target[i]]) {
      if (taken[end] >= most) continue;
      taken[end]++;
      kept.add(i);
    }
  }
  return kept;
}
