import { randomInteger, type Random } from '../numeric/random.ts';
import { buildGraph, type Graph } from './graph.ts';

/** Exchanges tried for each link: by then little of the old network is left (Milo, Kashtan, Itzkovitz, Newman & Alon 2003). */
const EXCHANGES = 10;

/**
 * A network in which every node has as many links as before and the links, with their weights, lead elsewhere: two links at random
 * exchange their ends, again and again, wherever that makes no link twice and none of a node to itself (Maslov & Sneppen 2002).
 * A network that leaves no room for that, as one in which all are linked, stays as it is.
 */
export function rewired(graph: Graph, random: Random): Graph {
  const keyOf = (a: number, b: number): number => (a < b ? a * graph.size + b : b * graph.size + a);
  const weightOf = new Map<number, number>();
  for (let v = 0; v < graph.size; v++) {
    for (let e = graph.offset[v]; e < graph.offset[v + 1]; e++) {
      const u = graph.neighbour[e];
      if (u > v) weightOf.set(keyOf(v, u), (weightOf.get(keyOf(v, u)) ?? 0) + graph.weight[e]);
    }
  }
  const keys = [...weightOf.keys()];
  const source = Int32Array.from(keys, (key) => Math.floor(key / graph.size));
  const target = Int32Array.from(keys, (key) => key % graph.size);
  const there = new Set(keys);
  for (let tried = 0; keys.length > 1 && tried < EXCHANGES * keys.length; tried++) {
    const [i, j] = [randomInteger(random, keys.length), randomInteger(random, keys.length)];
    // Either end of the second may become that of the first.
    if (random() < 0.5) [source[j], target[j]] = [target[j], source[j]];
    const [a, b, c, d] = [source[i], target[i], source[j], target[j]];
    if (i === j || a === d || c === b || there.has(keyOf(a, d)) || there.has(keyOf(c, b))) continue;
    there.delete(keyOf(a, b));
    there.delete(keyOf(c, d));
    there.add(keyOf(a, d));
    there.add(keyOf(c, b));
    target[i] = d;
    target[j] = b;
  }
  return buildGraph(
    graph.size,
    source,
    target,
    keys.map((key) => weightOf.get(key) ?? 1),
  );
}
