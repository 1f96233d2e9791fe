import type { Counts } from '../network/counts.ts';
import { buildGraph, type Graph } from '../network/graph.ts';
import { meetsOftenEnough, type JudgedPairs, type LinkSettings } from '../network/links.ts';
import { ranked } from '../base/order.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { groupByConsensus, type Grouping } from './consensus.ts';
import { matchThemes, type ThemeIdentity } from './identity.ts';
import { defaultResolution, sweepResolution, SMALLEST_THEME, type ResolutionPoint } from './resolution.ts';
import { settleMembers, type Grounds } from './members.ts';
import { ownValue } from '../base/records.ts';

export interface ThemeSettings {
  /** Resolution γ, or 'auto' for the steadiest in the sweep. */
  readonly resolution: number | 'auto';
  readonly runs: number;
  readonly seed: number;
}

/** Which concepts are in which stretches. */
type Spoken = Pick<Counts, 'windowFirst' | 'inWindow'>;

/** A theme as it is shown. Concepts are numbered as in the selection. */
export interface Theme {
  readonly letter: string;
  /** Its name: the researcher's, or its three concepts with the highest weighted degree inside it. */
  readonly label: string;
  /** Concepts by falling weighted degree inside the theme. */
  readonly concepts: readonly number[];
  /** Share of all stretches of text that speak to it. */
  readonly share: number;
}

/** The grouping with names and letters. */
export interface Themes {
  readonly themes: readonly Theme[];
  /** Theme index of each concept, −1 where it is loose. */
  readonly themeOf: Int32Array;
  readonly modularity: number;
  readonly resolution: number;
  readonly register: readonly ThemeIdentity[];
}

/**
 * The grouping goes on so many times the false links a claim puts up with (q): what belongs together is told by many
 * unsure links as well as by a few sure ones, while nothing is made of nothing (bench/themes.ts).
 */
const LENIENCE = 10;

/** What is known only by which sources hold both counts so much in the grouping. */
const BETWEEN_WEIGHT = 0.5;
/** Fewest sources that hold both for that. */
const BETWEEN_SOURCES = 3;

/**
 * The network that is grouped, weighted by strength: pairs that may be linked by their evidence within sources, and pairs
 * that are claimed by which sources hold both.
 */
export function groupingNetwork(conceptCount: number, links: JudgedPairs, settings: LinkSettings): Graph {
  const largest = Math.min(1, LENIENCE * settings.maximumQ);
  const fewest = Math.max(2, settings.minimumTogether - 1);
  const bySources = settings.standsBy === 'either';
  const taken: number[] = [];
  const share: number[] = [];
  for (let i = 0; i < links.source.length; i++) {
    if (links.both[i] < fewest || links.strength[i] <= settings.cutOff) continue;
    if (!meetsOftenEnough(links.sources[i], links.meetings[i])) continue;
    const within = links.q[i] < largest && links.up[i] === 1;
    if (!within && !(bySources && links.beyond[i] === 2 && links.sources[i] >= BETWEEN_SOURCES)) continue;
    taken.push(i);
    share.push(within ? 1 : BETWEEN_WEIGHT);
  }
  return buildGraph(
    conceptCount,
    taken.map((i) => links.source[i]),
    taken.map((i) => links.target[i]),
    // A measure may be 0 or less under a low cut-off; such a link still holds, if only just.
    taken.map((i, at) => share[at] * Math.max(links.strength[i], 1e-6)),
  );
}

export function linkedCount(graph: Graph): number {
  let linked = 0;
  for (let v = 0; v < graph.size; v++) if (graph.degree[v] > 0) linked++;
  return linked;
}

/** The sweep over resolutions for a network. */
export function* exploreResolutions(
  { graph, drawn, grounds }: Pick<GroupingInput, 'graph' | 'grounds'> & { readonly drawn: readonly Graph[] },
  seed: number,
): Stepwise<ResolutionPoint[]> {
  if (graph.totalDegree === 0) return [];
  return yield* sweepResolution({
    graph,
    drawn,
    seed,
    // Who joins hardly changes how many themes there are.
    settle: (community) => settleMembers(community, grounds, 0),
  });
}

export interface ResolvedGrouping extends Grouping {
  readonly resolution: number;
}

/** What concepts are grouped by. */
export interface GroupingInput {
  readonly graph: Graph;
  readonly points: readonly ResolutionPoint[];
  readonly grounds: Grounds;
}

/** Groups the network at the resolution asked for or found. */
export function* groupConcepts(
  { graph, points, grounds }: GroupingInput,
  settings: ThemeSettings,
): Stepwise<ResolvedGrouping> {
  const resolution =
    settings.resolution === 'auto' ? defaultResolution(points, linkedCount(graph)) : settings.resolution;
  const grouping = yield* groupByConsensus(graph, resolution, settings.seed, settings.runs);
  const community = yield* settleMembers(grouping.community, grounds);
  return { ...grouping, community, resolution };
}

/** The weight of each concept's links inside its own community. */
export function degreeInside(graph: Graph, community: ArrayLike<number>): Float64Array {
  return Float64Array.from({ length: graph.size }, (_, v) => {
    let sum = 0;
    for (let e = graph.offset[v]; e < graph.offset[v + 1]; e++) {
      if (community[graph.neighbour[e]] === community[v]) sum += graph.weight[e];
    }
    return sum;
  });
}

/** Makes themes of a grouping: letters by match with the known ones, names, shares; by falling share. */
export function nameThemes({
  keys,
  labels,
  graph,
  spoken,
  grouping,
  known,
  names,
  fewest,
}: {
  readonly keys: readonly string[];
  readonly labels: readonly string[];
  readonly graph: Graph;
  /** The concepts of each stretch of text. */
  readonly spoken: Spoken;
  readonly grouping: ResolvedGrouping;
  readonly known: readonly ThemeIdentity[];
  readonly names: Readonly<Record<string, string>>;
  readonly fewest: number;
}): Themes {
  const inside = degreeInside(graph, grouping.community);
  const groups: number[][] = [];
  for (const concept of ranked(keys.length, (i) => inside[i])) {
    const c = grouping.community[concept];
    (groups[c] ??= []).push(concept);
  }
  const large = groups.filter((group) => group && group.length >= SMALLEST_THEME);
  const themeOf = new Int32Array(keys.length).fill(-1);
  large.forEach((group, theme) => group.forEach((concept) => (themeOf[concept] = theme)));
  const shares = shareOfThemes(spoken, themeOf, large.length, fewest);
  const order = ranked(large.length, (theme) => shares[theme]);
  const { letters, register } = matchThemes(
    order.map((theme) => large[theme].map((concept) => keys[concept])),
    known,
  );
  const place = new Int32Array(large.length);
  order.forEach((theme, index) => (place[theme] = index));
  const themes = order.map((theme, index): Theme => {
    const concepts = large[theme];
    return {
      letter: letters[index],
      label:
        ownValue(names, letters[index]) ??
        concepts
          .slice(0, 3)
          .map((concept) => labels[concept])
          .join(', '),
      concepts,
      share: shares[theme],
    };
  });
  return {
    themes,
    themeOf: themeOf.map((theme) => (theme < 0 ? -1 : place[theme])),
    modularity: grouping.modularity,
    resolution: grouping.resolution,
    register,
  };
}

function shareOfThemes(
  counts: Spoken,
  themeOf: Int32Array,
  themeCount: number,
  fewest: number,
): Float64Array {
  const speaking = new Float64Array(themeCount);
  const windows = counts.windowFirst.length - 1;
  eachSpeaking(counts, themeOf, themeCount, fewest, (_, theme) => speaking[theme]++);
  return windows === 0 ? speaking : speaking.map((count) => count / windows);
}

/** Visits every window with each theme it speaks to: the themes of which it holds at least `fewest` concepts. */
export function eachSpeaking(
  counts: Spoken,
  themeOf: Int32Array,
  themeCount: number,
  fewest: number,
  visit: (window: number, theme: number) => void,
): void {
  const held = new Int32Array(themeCount);
  const touched: number[] = [];
  for (let w = 0; w + 1 < counts.windowFirst.length; w++) {
    for (let i = counts.windowFirst[w]; i < counts.windowFirst[w + 1]; i++) {
      const theme = themeOf[counts.inWindow[i]];
      if (theme < 0) continue;
      if (held[theme]++ === 0) touched.push(theme);
    }
    for (const theme of touched) {
      if (held[theme] >= fewest) visit(w, theme);
      held[theme] = 0;
    }
    touched.length = 0;
  }
}
