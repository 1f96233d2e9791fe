import { ranked } from '../base/order.ts';
import { ownValue } from '../base/records.ts';
import { buildGraph, type Graph } from '../network/graph.ts';
import { renumber } from './leiden.ts';

/** What the researcher decided about themes; everything else is the grouping's. Concepts by key, themes by letter. */
export interface ThemeChoices {
  /** Concept → the theme it is put in; empty for none. */
  readonly placed: Readonly<Record<string, string>>;
  /** Theme → the theme it was joined to. */
  readonly joined: Readonly<Record<string, string>>;
  /** Themes that stay as they were, with their concepts. */
  readonly locked: Readonly<Record<string, readonly string[]>>;
  /** Themes begun by the researcher: the concepts they were begun with, and whether others join them. */
  readonly begun: Readonly<Record<string, BegunTheme>>;
  /** Themes set aside, as noise is: their concepts take no part in the grouping. */
  readonly aside: Readonly<Record<string, AsideTheme>>;
  /** What a theme is, in the researcher's words. */
  readonly notes: Readonly<Record<string, string>>;
}

export interface BegunTheme {
  readonly keys: readonly string[];
  readonly grows: boolean;
}

export interface AsideTheme {
  readonly name: string;
  readonly keys: readonly string[];
}

export const NO_CHOICES: ThemeChoices = {
  placed: {},
  joined: {},
  locked: {},
  begun: {},
  aside: {},
  notes: {},
};

/** A group of concepts whose letter is the researcher's. */
export interface HeldGroup {
  readonly letter: string;
  readonly by: 'locked' | 'begun';
  /** Concepts by number, those of its keys that are concepts now. */
  readonly concepts: readonly number[];
}

/** Nothing is held of these concepts. */
export const NOTHING_HELD: Held = { out: new Uint8Array(0), aside: [], closed: [], seeds: [] };

/** What the grouping goes round. */
export interface Held {
  /** 1 for each concept that takes no part: in a theme that is locked, set aside, or begun and closed. */
  readonly out: Uint8Array;
  /** Themes set aside: they are none, but their letters are theirs. */
  readonly aside: readonly Omit<HeldGroup, 'by'>[];
  /** Themes that are as they are, whatever the grouping. */
  readonly closed: readonly HeldGroup[];
  /** Themes that others may join. */
  readonly seeds: readonly HeldGroup[];
}

/** The researcher's choices for the concepts of now. A concept is held once: aside before locked before begun. */
export function holdConcepts(choices: ThemeChoices, keys: readonly string[]): Held {
  const numberOf = new Map(keys.map((key, i) => [key, i]));
  const out = new Uint8Array(keys.length);
  const isHeld = new Uint8Array(keys.length);
  const take = (names: readonly string[], leavesOut: boolean): number[] => {
    const taken: number[] = [];
    for (const name of names) {
      const concept = numberOf.get(name);
      if (concept === undefined || isHeld[concept]) continue;
      isHeld[concept] = 1;
      if (leavesOut) out[concept] = 1;
      taken.push(concept);
    }
    return taken;
  };
  const aside = Object.entries(choices.aside).map(([letter, { keys: names }]) => ({
    letter,
    concepts: take(names, true),
  }));
  const closed: HeldGroup[] = [];
  const seeds: HeldGroup[] = [];
  for (const [letter, names] of Object.entries(choices.locked)) {
    if (!Object.hasOwn(choices.aside, letter))
      closed.push({ letter, by: 'locked', concepts: take(names, true) });
  }
  for (const [letter, { keys: names, grows }] of Object.entries(choices.begun)) {
    if (Object.hasOwn(choices.aside, letter) || Object.hasOwn(choices.locked, letter)) continue;
    (grows ? seeds : closed).push({ letter, by: 'begun', concepts: take(names, !grows) });
  }
  const isLeft = ({ concepts }: HeldGroup): boolean => concepts.length > 0;
  return { out, aside, closed: closed.filter(isLeft), seeds: seeds.filter(isLeft) };
}

/**
 * The network the grouping is made of: without what is held out, and each seed as one concept, its first. What chance would
 * bring together stays as it is in the whole network (degrees and their sum), so that holding a theme as it was found leaves
 * the others as they were found.
 */
export function networkAround(graph: Graph, { out, seeds }: Held): Graph {
  if (seeds.length === 0 && !out.includes(1)) return graph;
  const as = Int32Array.from({ length: graph.size }, (_, v) => v);
  for (const { concepts } of seeds) for (const concept of concepts) as[concept] = concepts[0];
  const [source, target, weight]: number[][] = [[], [], []];
  for (let v = 0; v < graph.size; v++) {
    for (let e = graph.offset[v]; e < graph.offset[v + 1]; e++) {
      const u = graph.neighbour[e];
      if (u < v || out[v] || out[u] || as[u] === as[v]) continue;
      source.push(as[v]);
      target.push(as[u]);
      weight.push(graph.weight[e]);
    }
  }
  const degree = new Float64Array(graph.size);
  for (let v = 0; v < graph.size; v++) if (!out[v]) degree[as[v]] += graph.degree[v];
  return { ...buildGraph(graph.size, source, target, weight), degree, totalDegree: graph.totalDegree };
}

/**
 * Communities found round what is held: what is held out is alone, the concepts of a seed are with it, and where two seeds came
 * together the others go with the one they are linked to more.
 */
export function withHeld(community: Int32Array, graph: Graph, { out, seeds }: Held): Int32Array {
  if (seeds.length === 0 && !out.includes(1)) return community;
  let next = community.length + community.reduce((most, c) => Math.max(most, c), 0) + 1;
  const made = Int32Array.from(community);
  const seedsIn = new Map<number, HeldGroup[]>();
  for (const seed of seeds) {
    const c = community[seed.concepts[0]];
    seedsIn.set(c, [...(seedsIn.get(c) ?? []), seed]);
  }
  for (const [c, together] of seedsIn) {
    const numbers = together.map((_, i) => (i === 0 ? c : next++));
    if (together.length > 1) {
      for (let v = 0; v < made.length; v++) {
        if (community[v] !== c) continue;
        const weights = together.map(({ concepts }) => weightBetween(graph, v, new Set(concepts)));
        made[v] = numbers[ranked(weights.length, (i) => weights[i])[0]];
      }
    }
    together.forEach(({ concepts }, i) => {
      for (const concept of concepts) made[concept] = numbers[i];
    });
  }
  for (let v = 0; v < made.length; v++) if (out[v]) made[v] = next++;
  return renumber(made);
}

function weightBetween(graph: Graph, concept: number, others: ReadonlySet<number>): number {
  let sum = 0;
  for (let e = graph.offset[concept]; e < graph.offset[concept + 1]; e++)
    if (others.has(graph.neighbour[e])) sum += graph.weight[e];
  return sum;
}

/** The theme a letter stands for once joins are followed; a ring of joins stands for its first. */
export function joinedInto(joined: ThemeChoices['joined'], letter: string): string {
  const seen = new Set<string>();
  let at = letter;
  for (let next = ownValue(joined, at); next !== undefined && !seen.has(at); next = ownValue(joined, at)) {
    seen.add(at);
    at = next;
  }
  return at;
}
