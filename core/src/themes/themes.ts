import type { Counts } from '../network/counts.ts';
import { buildGraph, type Graph } from '../network/graph.ts';
import { asksChance } from '../network/measures.ts';
import { meetsOftenEnough, type JudgedPairs, type Links, type LinkSettings } from '../network/links.ts';
import { ranked } from '../base/order.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { groupByBest, type Grouping } from './runs.ts';
import { matchThemes, type ThemeIdentity } from './identity.ts';
import {
  defaultResolution,
  sweepResolution,
  SMALLEST_THEME,
  type ResolutionPoint,
  type SweepWork,
  type SweptNetwork,
} from './resolution.ts';
import { settleMembers, type Grounds } from './members.ts';
import { strictnessIn } from './strictness.ts';
import { modularity } from './modularity.ts';
import { groupsToRead, type ReadableLinks } from './perhaps.ts';
import { ownValue } from '../base/records.ts';
import {
  joinedInto,
  networkAround,
  NO_CHOICES,
  NOTHING_HELD,
  withHeld,
  type Held,
  type ThemeChoices,
} from './choices.ts';

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
  /** Share of all stretches of text that speak to it; without texts, of all links’ weight at its concepts. */
  readonly share: number;
  /** What the researcher made of it; `found` where nothing. */
  readonly by: 'found' | 'locked' | 'begun';
}

/** The grouping with names and letters. */
export interface Themes {
  readonly themes: readonly Theme[];
  /** Theme index of each concept, −1 where it is loose. */
  readonly themeOf: Int32Array;
  /** The letter of the theme each concept would be in by the grouping alone; empty where it would be loose. */
  readonly foundIn: readonly string[];
  /** Groups that hold together on pairs alone that are too unsure to be links: no theme is claimed of them. */
  readonly perhaps: readonly (readonly number[])[];
  /** What the grouping was made round. */
  readonly held: Held;
  readonly modularity: number;
  readonly resolution: number;
  readonly register: readonly ThemeIdentity[];
}

/** What is known only by which sources hold both counts so much in the grouping. */
const BETWEEN_WEIGHT = 0.5;
/** Fewest sources that hold both for that. */
const BETWEEN_SOURCES = 3;

/**
 * The network that is grouped, weighted by strength: pairs that may be linked by their evidence within sources, and pairs
 * that are claimed by which sources hold both.
 */
export function groupingNetwork(conceptCount: number, links: JudgedPairs, settings: LinkSettings): Graph {
  const largest = Math.min(1, strictnessIn(links).lenience * settings.maximumQ);
  const fewest = Math.max(2, settings.minimumTogether - 1);
  const bySources = settings.standsBy === 'either';
  const taken: number[] = [];
  const share: number[] = [];
  for (let i = 0; i < links.source.length; i++) {
    if (links.both[i] < fewest || links.strength[i] <= settings.cutOff) continue;
    if (!meetsOftenEnough(links.sources[i], links.meetings[i])) continue;
    const within = (links.q[i] < largest || !asksChance(settings)) && links.up[i] === 1;
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
  network: SweptNetwork,
  grounds: Grounds | undefined,
  work?: SweepWork,
): Stepwise<ResolutionPoint[]> {
  if (network.graph.totalDegree === 0) return [];
  // Who joins hardly changes how many themes there are.
  return yield* sweepResolution(
    grounds ? { ...network, settle: (community) => settleMembers(community, grounds, 0) } : network,
    work,
  );
}

export interface ResolvedGrouping extends Grouping {
  readonly resolution: number;
  /** What it was made round. */
  readonly held: Held;
}

/** What concepts are grouped by. */
export interface GroupingInput {
  readonly graph: Graph;
  readonly points: readonly ResolutionPoint[];
  /** What decides who is a member; undefined where the links are all that is known. */
  readonly grounds: Grounds | undefined;
}

/** Groups the network at the resolution asked for or found. */
export function* groupConcepts(
  { graph, points, grounds }: GroupingInput,
  settings: ThemeSettings,
  held: Held = NOTHING_HELD,
): Stepwise<ResolvedGrouping> {
  const resolution = settings.resolution === 'auto' ? defaultResolution(points) : settings.resolution;
  const around = networkAround(graph, held);
  const best = yield* groupByBest(around, resolution, settings.seed, settings.runs);
  const found = withHeld(best.community, graph, held);
  // Of the whole network, what is held with it.
  const grouping = around === graph ? best : { ...best, modularity: modularity(graph, found) };
  if (!grounds) return { ...grouping, community: found, resolution, held };
  const settled = yield* settleMembers(found, grounds);
  return { ...grouping, community: withHeld(settled, graph, held), resolution, held };
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

/** What themes are made of. */
export interface NamingInput {
  readonly keys: readonly string[];
  readonly labels: readonly string[];
  readonly graph: Graph;
  /** The concepts of each stretch of text. */
  readonly spoken: Spoken;
  readonly grouping: ResolvedGrouping;
  readonly known: readonly ThemeIdentity[];
  readonly names: Readonly<Record<string, string>>;
  readonly fewest: number;
  /** The pairs, those that stand first; without them every group is a theme. */
  readonly links?: ReadableLinks;
  readonly choices?: ThemeChoices;
  /** Whether there are links only: a theme’s share then is of their weight. */
  readonly isWithoutTexts?: boolean;
}

/** A group of concepts with its letter. */
interface Lettered {
  readonly letter: string;
  readonly by: Theme['by'];
  readonly concepts: readonly number[];
}

/** The communities within which a link stands. */
function communitiesWithLink(
  { source, target, standing }: Pick<Links, 'source' | 'target' | 'standing'>,
  community: Int32Array,
): Set<number> {
  const found = new Set<number>();
  for (let l = 0; l < standing; l++)
    if (community[source[l]] === community[target[l]]) found.add(community[source[l]]);
  return found;
}

/** The groups of a grouping with their letters, before the researcher moved or joined any. */
function letterGroups(
  input: NamingInput,
  order: readonly number[],
): { found: Lettered[]; perhaps: number[][]; register: readonly ThemeIdentity[] } {
  const {
    keys,
    known,
    links,
    grouping: { community, held },
  } = input;
  const groups = new Map<number, number[]>();
  for (const concept of order) {
    const c = community[concept];
    const group = groups.get(c);
    if (group) group.push(concept);
    else groups.set(c, [concept]);
  }
  const grown = held.seeds.map(({ letter, by, concepts }): Lettered => {
    const c = community[concepts[0]];
    const members = groups.get(c) ?? concepts;
    groups.delete(c);
    return { letter, by, concepts: members };
  });
  const own = [...held.closed, ...grown];
  const communities = [...groups]
    .sort(([a], [b]) => a - b)
    .map(([, group]) => group)
    .filter((group) => group.length >= SMALLEST_THEME);
  const claimed = links && communitiesWithLink(links, community);
  const [large, perhaps] = [true, false].map((isClaimed) =>
    communities.filter(([concept]) => !claimed || claimed.has(community[concept]) === isClaimed),
  );
  const themeOf = new Int32Array(keys.length).fill(-1);
  large.forEach((group, theme) => group.forEach((concept) => (themeOf[concept] = theme)));
  const shares = sharesOf(input, themeOf, large.length);
  // New letters go to the strongest first.
  const strongest = ranked(large.length, (theme) => shares[theme]).map((theme) => large[theme]);
  const members = (concepts: readonly number[]): string[] => concepts.map((concept) => keys[concept]);
  const { letters, register } = matchThemes(
    strongest.map(members),
    known,
    new Map([...held.aside, ...own].map(({ letter, concepts }) => [letter, members(concepts)])),
  );
  const named = strongest.map((concepts, i): Lettered => ({ letter: letters[i], by: 'found', concepts }));
  return { found: [...own, ...named], perhaps: claimed ? perhaps : [], register };
}

/** The concepts of each letter once themes were joined and concepts put where the researcher has them. */
function placeConcepts(
  keys: readonly string[],
  found: readonly Lettered[],
  { placed, joined }: ThemeChoices,
  foundIn: readonly string[],
): Map<string, Set<number>> {
  const there = new Set(found.map(({ letter }) => letter));
  const made = new Map<string, Set<number>>();
  const put = (concept: number, letter: string): void => {
    made.set(letter, (made.get(letter) ?? new Set<number>()).add(concept));
  };
  const intoOf = (letter: string): string => {
    const into = joinedInto(joined, letter);
    // What it was joined to may be gone; then it is itself again.
    return there.has(into) ? into : letter;
  };
  keys.forEach((key, concept) => {
    const chosen = ownValue(placed, key);
    // A theme that is no longer there can hold nothing: the concept is where it was found.
    const letter =
      chosen === undefined || (chosen !== '' && !there.has(intoOf(chosen))) ? foundIn[concept] : chosen;
    if (letter !== '') put(concept, intoOf(letter));
  });
  return made;
}

/**
 * Makes themes of a grouping: letters by match with the known ones, what the researcher decided laid over it, names, shares; by
 * falling share.
 */
export function nameThemes(input: NamingInput): Themes {
  const { keys, labels, graph, grouping, names, choices = NO_CHOICES } = input;
  const inCommunity = degreeInside(graph, grouping.community);
  const order = ranked(keys.length, (i) => inCommunity[i]);
  const { found, perhaps: unsure, register } = letterGroups(input, order);
  const perhaps =
    unsure.length > 0 || found.length > 0 || !input.links ? unsure : groupsToRead(input.links, keys.length);
  const foundIn = new Array<string>(keys.length).fill('');
  for (const { letter, concepts } of found) for (const concept of concepts) foundIn[concept] = letter;
  const made = placeConcepts(keys, found, choices, foundIn);
  const groups = found.filter(({ letter }) => (made.get(letter)?.size ?? 0) > 0);
  const grouped = new Int32Array(keys.length).fill(-1);
  groups.forEach(({ letter }, theme) => made.get(letter)?.forEach((concept) => (grouped[concept] = theme)));
  const shares = sharesOf(input, grouped, groups.length);
  const byShare = ranked(groups.length, (theme) => shares[theme]);
  const inside = degreeInside(graph, grouped);
  const byInside = ranked(keys.length, (i) => inside[i]);
  const themes = byShare.map((theme): Theme => {
    const { letter, by } = groups[theme];
    const concepts = byInside.filter((concept) => grouped[concept] === theme);
    return {
      letter,
      by,
      label:
        ownValue(names, letter) ??
        concepts
          .slice(0, 3)
          .map((concept) => labels[concept])
          .join(', '),
      concepts,
      share: shares[theme],
    };
  });
  const place = new Int32Array(groups.length);
  byShare.forEach((theme, index) => (place[theme] = index));
  return {
    themes,
    themeOf: grouped.map((theme) => (theme < 0 ? -1 : place[theme])),
    foundIn,
    // What the researcher put in a theme is no longer only perhaps together.
    perhaps: perhaps
      .map((group) => group.filter((concept) => grouped[concept] < 0))
      .filter((group) => group.length > 1),
    held: grouping.held,
    modularity: grouping.modularity,
    resolution: grouping.resolution,
    register,
  };
}

/** The share each theme has. */
function sharesOf(
  { graph, spoken, fewest, isWithoutTexts }: NamingInput,
  themeOf: Int32Array,
  themeCount: number,
): Float64Array {
  if (!isWithoutTexts) return shareOfThemes(spoken, themeOf, themeCount, fewest);
  const shares = new Float64Array(themeCount);
  themeOf.forEach((theme, concept) => {
    if (theme >= 0) shares[theme] += graph.degree[concept] / graph.totalDegree;
  });
  return shares;
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
