import { stopForm } from '../concepts/stop-words.ts';
import type { Concepts } from '../concepts/selection.ts';
import { largest } from '../base/extent.ts';
import { inFigures } from '../base/wording.ts';
import { ranked } from '../base/order.ts';
import { ownValue } from '../base/records.ts';
import { remembered } from '../base/remembered.ts';
import { buildGraph, type Graph } from './graph.ts';
import type { Links } from './links.ts';

/** A network of links that was made elsewhere, as a study without texts holds it. */
export interface OtherNetwork {
  /** The file it came from. */
  readonly name: string;
  /** What its nodes are called, each once. */
  readonly concepts: readonly string[];
  /**
   * Its links, a line each: the numbers of two concepts, the smaller first, and the weight, with a space between. No pair
   * stands twice. As a text it is checked and carried about in a hundredth of the time a list of numbers takes.
   */
  readonly links: string;
}

/** What may be opened; what a grouping takes 3 s for (bench/grouping). */
export const MOST_NODES = 5000;
export const MOST_OTHER_LINKS = 100_000;
/** Concepts that are worked with: more can't be read on a map. */
export const MOST_TAKEN = 500;

/** The links of a network as columns. */
export interface LinkColumns {
  readonly source: Int32Array;
  readonly target: Int32Array;
  readonly weight: Float64Array;
}

/** The links as columns. Throws an Error with a sentence where they are none of this network. */
export const linksIn = remembered((network: OtherNetwork): LinkColumns => {
  const lines = network.links.split('\n');
  const columns = {
    source: new Int32Array(lines.length),
    target: new Int32Array(lines.length),
    weight: new Float64Array(lines.length),
  };
  const size = network.concepts.length;
  for (const [i, line] of lines.entries()) {
    const parts = /^(\d+) (\d+) (\S+)$/.exec(line);
    const [source, target, weight] = [Number(parts?.[1]), Number(parts?.[2]), Number(parts?.[3])];
    if (!(source < target && target < size && weight > 0 && weight < Infinity))
      throw new Error(`Link ${inFigures(i + 1)} of the network can’t be understood: “${line.slice(0, 60)}”.`);
    columns.source[i] = source;
    columns.target[i] = target;
    columns.weight[i] = weight;
  }
  return columns;
});

/** What the researcher made of the nodes. */
export interface NodeChoices {
  readonly dropped: readonly string[];
  /** Words that are never shown. */
  readonly stopWords: readonly string[];
  /** Node → the node it counts for. */
  readonly merges: Readonly<Record<string, string>>;
}

/** Which concept each node counts for, −1 where none. */
function nodesAs(network: OtherNetwork, keys: readonly string[], merges: NodeChoices['merges']): Int32Array {
  const numberOf = new Map(keys.map((key, i) => [key, i]));
  return Int32Array.from(network.concepts, (name) => numberOf.get(ownValue(merges, name) ?? name) ?? -1);
}

/** The links between these concepts; those of nodes that count for one are added up. */
function linksAmong(
  network: OtherNetwork,
  keys: readonly string[],
  merges: NodeChoices['merges'],
): LinkColumns {
  const { source, target, weight } = linksIn(network);
  const as = nodesAs(network, keys, merges);
  const summed = new Map<number, number>();
  for (let i = 0; i < source.length; i++) {
    const [a, b] = [as[source[i]], as[target[i]]];
    if (a < 0 || b < 0 || a === b) continue;
    const pair = Math.min(a, b) * keys.length + Math.max(a, b);
    summed.set(pair, (summed.get(pair) ?? 0) + weight[i]);
  }
  const pairs = [...summed];
  return {
    source: Int32Array.from(pairs, ([pair]) => Math.floor(pair / keys.length)),
    target: Int32Array.from(pairs, ([pair]) => pair % keys.length),
    weight: Float64Array.from(pairs, ([, sum]) => sum),
  };
}

/** Summed weights of the links at each of so many concepts. */
function strengths(size: number, { source, target, weight }: LinkColumns): Float64Array {
  const sums = new Float64Array(size);
  for (let i = 0; i < source.length; i++) {
    sums[source[i]] += weight[i];
    sums[target[i]] += weight[i];
  }
  return sums;
}

/** The largest number of mentions that stands for the strongest links: words are as large as their links are strong. */
const AS_MENTIONS = 1000;

/** The nodes as concepts: all but those dropped or merged, at most the `MOST_TAKEN` with the strongest links. */
export function conceptsOfNetwork(
  network: OtherNetwork,
  { dropped, stopWords, merges }: NodeChoices,
): Concepts {
  const isDropped = new Set(dropped);
  const isStopped = new Set(stopWords.map(stopForm));
  const names = new Set(network.concepts);
  const isVariant = (name: string): boolean => {
    const into = ownValue(merges, name);
    return into !== undefined && into !== name && names.has(into);
  };
  const all = network.concepts.filter(
    (name) => !isDropped.has(name) && !isStopped.has(stopForm(name)) && !isVariant(name),
  );
  const strengthOf = strengths(all.length, linksAmong(network, all, merges));
  const order = ranked(all.length, (i) => strengthOf[i]).slice(0, MOST_TAKEN);
  const keys = order.map((i) => all[i]);
  const most = largest(strengthOf, 0);
  return {
    candidate: new Int32Array(keys.length).fill(-1),
    keys,
    written: keys,
    sources: new Int32Array(order.length),
    mentions: Int32Array.from(order, (i) =>
      most === 0 ? 1 : Math.max(1, Math.round((AS_MENTIONS * strengthOf[i]) / most)),
    ),
    occurrence: new Int32Array(0),
    occurrenceFirst: new Int32Array(0),
    occurrenceEnd: new Int32Array(0),
  };
}

/**
 * The links of the concepts, all of which stand, the strongest first. What only texts could tell (chance, windows, measures) is
 * not a number.
 */
export function linksOfNetwork(
  network: OtherNetwork,
  { keys }: Pick<Concepts, 'keys'>,
  { merges }: Pick<NodeChoices, 'merges'>,
): Links {
  const among = linksAmong(network, keys, merges);
  const order = ranked(among.weight.length, (i) => among.weight[i]);
  const count = order.length;
  const unknown = new Float64Array(count).fill(NaN);
  const none = new Int32Array(count);
  return {
    windows: 0,
    clusters: 0,
    windowsWith: new Float64Array(keys.length),
    overlap: 1,
    source: Int32Array.from(order, (i) => among.source[i]),
    target: Int32Array.from(order, (i) => among.target[i]),
    strength: Float64Array.from(order, (i) => among.weight[i]),
    both: none,
    meetings: none,
    sources: none,
    p: unknown,
    q: unknown,
    pBetween: unknown,
    qBetween: unknown,
    up: new Uint8Array(count).fill(1),
    beyond: new Uint8Array(count).fill(1),
    stands: new Uint8Array(count).fill(1),
    standing: count,
  };
}

/** The network that is grouped: every link by its weight. */
export const graphOfNetwork = (conceptCount: number, { source, target, strength }: Links): Graph =>
  buildGraph(conceptCount, source, target, strength);
