import { largest, least } from '../base/extent.ts';
import type { Graph } from '../network/graph.ts';
import { adjustedMutualInformation } from '../numeric/agreement.ts';
import { oneByOne, type InParts } from '../base/share-out.ts';
import { inOneStep, type Stepwise } from '../base/stepwise.ts';
import { runLeiden } from './consensus.ts';
import { isSameGrouping, MOST_ROUNDS } from './leiden.ts';
import { modularity } from './modularity.ts';

/** A community smaller than this is shown as loose concepts: two words make a link, not a theme. */
export const SMALLEST_THEME = 3;
export const RESOLUTION_STEPS = 25;
export const LOWEST_RESOLUTION = 0.3;
export const HIGHEST_RESOLUTION = 3;
const SWEEP_RUNS = 5;
/** Where this many runs are all the same, a resolution is taken for found. */
const ENOUGH_ALIKE = 3;
export const FEWEST_THEMES = 5;
export const MOST_THEMES = 12;
/** A network with fewer concepts a theme than this has too little to part into the usual fewest themes, or more than the usual most. */
const CONCEPTS_A_THEME = 6;
/**
 * Groupings that come back nearly as well as the best are told apart by the stretch of resolutions they hold for. Nearly is so much
 * less at most, and no less than twice as far from coming back wholly: in a large network small differences are sure.
 */
const AS_STEADY = { most: 0.03, least: 0.005 };

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

/** Groups a network at a resolution: the best of five runs, or three where these all agree. */
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
 * The default resolution: the one whose grouping comes back best when sources are drawn anew, among those of 5 to 12
 * themes (fewer where the network is small, more where it is large). Of all that come back nearly as well, the number of
 * themes that holds over most resolutions, and the middle of that stretch, so that one link cannot tip it. Where no grouping has as many themes, the
 * one that comes nearest.
 */
export function defaultResolution(points: readonly ResolutionPoint[], linkedConcepts: number): number {
  const room = Math.floor(linkedConcepts / CONCEPTS_A_THEME);
  const fewest = Math.max(1, Math.min(FEWEST_THEMES, room));
  const most = Math.max(MOST_THEMES, room);
  const short = ({ themes }: ResolutionPoint): number => Math.max(0, fewest - themes, themes - most);
  const nearest = least(points.map(short));
  const likely = points.filter((point) => short(point) === nearest);
  const best = largest(likely.map(({ steadiness }) => steadiness));
  const nearly = Math.max(AS_STEADY.least, Math.min(AS_STEADY.most, 1 - best));
  const stretches = new Map<number, number[]>();
  for (const { themes, resolution, steadiness } of likely) {
    if (steadiness >= best - nearly) stretches.set(themes, [...(stretches.get(themes) ?? []), resolution]);
  }
  const widest = [...stretches.values()].sort((a, b) => b.length - a.length || a[0] - b[0])[0];
  return widest ? middleOf(widest) : 1;
}
