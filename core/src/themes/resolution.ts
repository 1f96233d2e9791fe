import { largest, least } from '../base/extent.ts';
import type { Graph } from '../network/graph.ts';
import { adjustedMutualInformation } from '../numeric/agreement.ts';
import { oneByOne, type InParts } from '../base/share-out.ts';
import { inOneStep, type Stepwise } from '../base/stepwise.ts';
import { runLeiden } from './runs.ts';
import { isSameGrouping, MOST_ROUNDS } from './leiden.ts';
import { modularity } from './modularity.ts';

/** A community smaller than this is shown as loose concepts: two words make a link, not a theme. */
export const SMALLEST_THEME = 3;
export const RESOLUTION_STEPS = 25;
export const LOWEST_RESOLUTION = 0.3;
export const HIGHEST_RESOLUTION = 3;
/** Runs at a resolution, at most. */
const SWEEP_RUNS = 12;
/** Where the best was found so many times, a resolution is taken for found. */
const ENOUGH_ALIKE = 3;
/** Two groups are one cut; from three on there is something to call themes. */
const FEWEST_THEMES = 3;
/**
 * Groupings that come back nearly as well as the best: so many times best · (1 − best) less, the most where that is a half and
 * nothing where the best comes back wholly. Measured in docs/method/themes.md beside other margins.
 */
const AS_STEADY = 0.16;

export interface ResolutionPoint {
  readonly resolution: number;
  /** Communities that are themes. */
  readonly themes: number;
  /** Modularity at resolution 1 of the best run. */
  readonly modularity: number;
  /** Mean adjusted mutual information between this grouping and those of the drawn networks, over linked concepts. */
  readonly steadiness: number;
  /** Numbers the groupings of the sweep: neighbours of one number are the same grouping, a plateau. */
  readonly plateau: number;
}

/** A network with what it is beside. */
export interface SweptNetwork {
  readonly graph: Graph;
  /** The network as it would be of other sources, or with its links counted anew. */
  readonly drawn: readonly Graph[];
  readonly seed: number;
  readonly effort?: SweepEffort;
}

/** How much is done to try resolutions. */
export interface SweepEffort {
  readonly resolutions: number;
  /** Runs at each, at most, and rounds of each run. */
  readonly runs: number;
  readonly rounds: number;
}

const WHOLE_EFFORT: SweepEffort = { resolutions: RESOLUTION_STEPS, runs: SWEEP_RUNS, rounds: MOST_ROUNDS };

export interface SweepInput extends SweptNetwork {
  /** Makes themes of communities, where more than the network is known. */
  readonly settle?: (community: Int32Array) => Stepwise<Int32Array>;
}

/** A grouping with the resolution it is tried at on the drawn networks. */
export interface TriedGrouping {
  readonly grouping: Int32Array;
  readonly resolution: number;
}

/** The long work of a sweep, resolution by resolution. */
export interface SweepWork {
  /** Groups at resolutions (`resolutionGrouper`). */
  readonly group: InParts<number, Int32Array>;
  /** The steadiness of groupings (`steadinessTeller`). */
  readonly compare: InParts<TriedGrouping, number>;
}

/** Groups a network at a resolution: the best of twelve runs, or of fewer where it was found three times. */
export const resolutionGrouper =
  ({ graph, seed, effort = WHOLE_EFFORT }: SweptNetwork): ((resolution: number) => Int32Array) =>
  (resolution) =>
    runLeiden(graph, resolution, seed, effort.runs, { enoughAlike: ENOUGH_ALIKE, mostRounds: effort.rounds })
      .best;

/** How much like a grouping those of the drawn networks are: their mean adjusted mutual information, over linked concepts. */
export function steadinessTeller({
  graph,
  drawn,
  seed,
  effort = WHOLE_EFFORT,
}: SweptNetwork): (tried: TriedGrouping) => Stepwise<number> {
  const linked = Array.from(graph.degree.keys()).filter((v) => graph.degree[v] > 0);
  return function* ({ grouping, resolution }) {
    const of = linked.map((v) => grouping[v]);
    let steadiness = 0;
    for (const [k, other] of drawn.entries()) {
      const { best } = runLeiden(other, resolution, seed, 1, { mostRounds: effort.rounds });
      const again = linked.map((v) => best[v]);
      steadiness += adjustedMutualInformation(of, again) / drawn.length;
      yield (k + 1) / drawn.length;
    }
    return steadiness;
  };
}

const sweepHere = (network: SweptNetwork): SweepWork => {
  const grouper = resolutionGrouper(network);
  return {
    group: oneByOne((resolution) => inOneStep(() => grouper(resolution))),
    compare: oneByOne(steadinessTeller(network)),
  };
};

/** Tries resolutions from 0.3 to 3 in equal ratios, and each grouping that comes of it on the drawn networks. */
export function* sweepResolution(
  { settle, ...network }: SweepInput,
  { group, compare } = sweepHere(network),
): Stepwise<ResolutionPoint[]> {
  const { resolutions } = network.effort ?? WHOLE_EFFORT;
  const ratio = HIGHEST_RESOLUTION / LOWEST_RESOLUTION;
  const tried = Array.from({ length: resolutions }, (_, i) =>
    Number((LOWEST_RESOLUTION * ratio ** (i / (resolutions - 1))).toFixed(2)),
  );
  const groupings = yield* group(tried);
  const plateaus: { readonly grouping: Int32Array; readonly resolutions: number[] }[] = [];
  groupings.forEach((grouping, i) => {
    const last = plateaus.at(-1);
    if (last && isSameGrouping(last.grouping, grouping)) last.resolutions.push(tried[i]);
    else plateaus.push({ grouping, resolutions: [tried[i]] });
  });
  const steadiness = yield* compare(
    plateaus.map(({ grouping, resolutions }) => ({ grouping, resolution: middleOf(resolutions) })),
  );
  const points: ResolutionPoint[] = [];
  for (const [plateau, { grouping, resolutions }] of plateaus.entries()) {
    const themes = countThemes(settle ? yield* settle(grouping) : grouping);
    const quality = modularity(network.graph, grouping);
    for (const resolution of resolutions)
      points.push({ resolution, themes, modularity: quality, steadiness: steadiness[plateau], plateau });
  }
  return points;
}

const middleOf = (list: readonly number[]): number => list[Math.floor((list.length - 1) / 2)];

export function countThemes(community: Int32Array): number {
  const sizes = new Map<number, number>();
  for (const c of community) sizes.set(c, (sizes.get(c) ?? 0) + 1);
  return [...sizes.values()].filter((size) => size >= SMALLEST_THEME).length;
}

/**
 * The default resolution: of the numbers of themes, three or more, whose groupings come back nearly as well as the best of these when
 * sources are drawn anew, the smallest, at the middle of the stretch of resolutions it holds for. Finer ones lie within it, and are
 * one click away. A number is judged by the mean over all resolutions that give it: what comes back well at one of them alone is a
 * toss. Nearly is so much less (`AS_STEADY`) as groupings of the same texts differ by from seed to seed. Where no grouping has three
 * themes, those with most.
 */
export function defaultResolution(points: readonly ResolutionPoint[]): number {
  const steady = steadyOf(byNumber(points));
  const coarsest = least(steady.map(({ themes }) => themes));
  const stretch = steady.filter(({ themes }) => themes === coarsest).map(({ resolution }) => resolution);
  return stretch.length > 0 ? middleOf(stretch) : 1;
}

/**
 * The resolution of a network of which no more is known than its links: of the groupings that come back nearly as well as the best,
 * the one of the highest modularity, as that is what its communities are judged by.
 */
export function resolutionOfNetwork(points: readonly ResolutionPoint[]): number {
  const steady = steadyOf(points);
  const highest = largest(steady.map(({ modularity: quality }) => quality));
  const stretch = steady.filter((point) => point.modularity === highest).map(({ resolution }) => resolution);
  return stretch.length > 0 ? middleOf(stretch) : 1;
}

/** The points, each as steady as those of its number of themes are in the mean. */
function byNumber(points: readonly ResolutionPoint[]): ResolutionPoint[] {
  const steadiness = new Map<number, number[]>();
  for (const point of points)
    steadiness.set(point.themes, [...(steadiness.get(point.themes) ?? []), point.steadiness]);
  return points.map((point) => ({ ...point, steadiness: mean(steadiness.get(point.themes) ?? []) }));
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);

/** The groupings of three themes or more, or of most, that come back nearly as well as the best of these. */
function steadyOf(points: readonly ResolutionPoint[]): ResolutionPoint[] {
  const fewest = Math.min(FEWEST_THEMES, largest(points.map(({ themes }) => themes)));
  const likely = points.filter(({ themes }) => themes >= fewest);
  const best = largest(likely.map(({ steadiness }) => steadiness));
  return likely.filter(({ steadiness }) => steadiness >= best - AS_STEADY * best * (1 - best));
}

/**
 * The numbers of groups, beside that at a resolution, whose groupings come back nearly as well: the texts do not decide between
 * them. Groups are counted as they are found, whether or not a theme is claimed of each.
 */
export function alsoSteady(points: readonly ResolutionPoint[], resolution: number): number[] {
  const chosen = points.find((point) => point.resolution === resolution)?.themes;
  return [...new Set(steadyOf(byNumber(points)).map(({ themes }) => themes))]
    .filter((themes) => themes !== chosen)
    .sort((one, other) => one - other);
}
