import type { Graph } from '../network/graph.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { runLeiden } from './consensus.ts';
import { modularity } from './modularity.ts';

/** A community smaller than this is shown as loose concepts: two words make a link, not a theme. */
export const SMALLEST_THEME = 3;
export const RESOLUTION_STEPS = 25;
export const LOWEST_RESOLUTION = 0.3;
export const HIGHEST_RESOLUTION = 3;
const SWEEP_RUNS = 10;
/** Where this many runs are all the same, a resolution is taken for steady. */
const ENOUGH_ALIKE = 4;
export const FEWEST_THEMES = 5;
export const MOST_THEMES = 12;
/** A network with fewer concepts a theme than this has too little to part into the usual fewest themes. */
const CONCEPTS_A_THEME = 6;

export interface ResolutionPoint {
  readonly resolution: number;
  /** Communities that are themes. */
  readonly themes: number;
  /** Modularity at resolution 1 of the best run. */
  readonly modularity: number;
  /** Mean adjusted mutual information between the runs. */
  readonly steadiness: number;
}

/** Tries resolutions from 0.3 to 3 in equal ratios, ten runs each, or four where these all agree. */
export function* sweepResolution(graph: Graph, seed: number): Stepwise<ResolutionPoint[]> {
  const points: ResolutionPoint[] = [];
  for (let i = 0; i < RESOLUTION_STEPS; i++) {
    const ratio = HIGHEST_RESOLUTION / LOWEST_RESOLUTION;
    const resolution = Number((LOWEST_RESOLUTION * ratio ** (i / (RESOLUTION_STEPS - 1))).toFixed(2));
    const { best, steadiness } = runLeiden(graph, resolution, seed, SWEEP_RUNS, ENOUGH_ALIKE);
    points.push({ resolution, themes: countThemes(best), modularity: modularity(graph, best), steadiness });
    yield (i + 1) / RESOLUTION_STEPS;
  }
  return points;
}

export function countThemes(community: Int32Array): number {
  const sizes = new Map<number, number>();
  for (const c of community) sizes.set(c, (sizes.get(c) ?? 0) + 1);
  return [...sizes.values()].filter((size) => size >= SMALLEST_THEME).length;
}

/**
 * The default resolution: the steadiest grouping of 5 to 12 themes in the sweep (from fewer where the network is
 * small), of equally steady ones the one with the highest modularity. Where no grouping has as many, the one that
 * comes nearest.
 */
export function defaultResolution(points: readonly ResolutionPoint[], linkedConcepts: number): number {
  const fewest = Math.max(1, Math.min(FEWEST_THEMES, Math.floor(linkedConcepts / CONCEPTS_A_THEME)));
  const short = (point: ResolutionPoint): number =>
    Math.max(0, fewest - point.themes, point.themes - MOST_THEMES);
  const best = [...points].sort(
    (a, b) =>
      short(a) - short(b) ||
      Math.round(b.steadiness * 100) - Math.round(a.steadiness * 100) ||
      b.modularity - a.modularity ||
      a.resolution - b.resolution,
  )[0];
  return best?.resolution ?? 1;
}
