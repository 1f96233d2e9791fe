import { ranked } from '../base/order.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { groupByBest } from './runs.ts';
import { settleMembers } from './members.ts';
import { SMALLEST_THEME, type ResolutionPoint } from './resolution.ts';
import type { GroupingInput } from './themes.ts';

/** One number of themes that may be chosen: the resolution at which as many come back best. */
export interface Choice {
  readonly themes: number;
  readonly resolution: number;
  /** How well that grouping comes back over drawn sources (`ResolutionPoint.steadiness`). */
  readonly steadiness: number;
  /** How many of the resolutions tried give as many. */
  readonly resolutions: number;
}

/** Runs for a grouping that is only looked at. */
const RUNS = 10;

/** Every number of themes the sweep found, fewest first, each at the resolution where it comes back best. */
export function choicesOf(points: readonly ResolutionPoint[]): Choice[] {
  const byCount = new Map<number, ResolutionPoint[]>();
  for (const point of points) byCount.set(point.themes, [...(byCount.get(point.themes) ?? []), point]);
  return [...byCount]
    .filter(([themes]) => themes > 0)
    .map(([themes, same]): Choice => {
      const best = same[ranked(same.length, (i) => same[i].steadiness)[0]];
      return { themes, resolution: best.resolution, steadiness: best.steadiness, resolutions: same.length };
    })
    .sort((a, b) => a.themes - b.themes);
}

/** Cuts of a tree that are laid beside each other. */
const MOST_CUTS = 6;

/**
 * The choices that are laid beside what there is, to see how finer themes lie within coarser: those that come back best, fewest first.
 *
 * @param now number of themes there is
 */
export const cutsBeside = (choices: readonly Choice[], now: number): Choice[] =>
  choices
    .filter(({ themes }) => themes !== now && themes > 1)
    .sort((a, b) => b.steadiness - a.steadiness || a.themes - b.themes)
    .slice(0, MOST_CUTS - 1)
    .sort((a, b) => a.themes - b.themes);

/** The themes the network falls into at a resolution, as lists of concepts; loose concepts are in none. */
export function* groupsAt(
  { graph, grounds }: Omit<GroupingInput, 'points'>,
  resolution: number,
  seed: number,
): Stepwise<number[][]> {
  const { community } = yield* groupByBest(graph, resolution, seed, RUNS);
  const settled = grounds ? yield* settleMembers(community, grounds) : community;
  const groups = new Map<number, number[]>();
  settled.forEach((c, concept) => groups.set(c, [...(groups.get(c) ?? []), concept]));
  return [...groups.values()].filter((group) => group.length >= SMALLEST_THEME);
}
