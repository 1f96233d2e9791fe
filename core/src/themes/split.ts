import { ranked } from '../base/order.ts';
import { buildGraph, type Graph } from '../network/graph.ts';
import { runLeiden } from './runs.ts';

/** Fewest concepts of a theme that can be split, and of a part. */
export const FEWEST_TO_SPLIT = 4;
const SMALLEST_PART = 2;
/** Resolutions tried within a theme, one after the other, until it falls into parts. */
const RESOLUTIONS = [0.5, 0.7, 0.85, 1, 1.15, 1.3, 1.5, 1.75, 2, 2.5, 3, 4];
const RUNS = 10;

/**
 * The parts a theme falls into, by the links inside it: at the lowest resolution at which there are two or more of two concepts
 * or more. The largest first; one part where nothing parts it. Concepts that no part holds go where they are linked most.
 *
 * @param concepts numbers of the theme's concepts in the network
 */
export function splitTheme(graph: Graph, concepts: readonly number[], seed: number): number[][] {
  if (concepts.length < FEWEST_TO_SPLIT) return [[...concepts]];
  const inside = networkWithin(graph, concepts);
  for (const resolution of RESOLUTIONS) {
    const { best } = runLeiden(inside, resolution, seed, RUNS);
    const parts = new Map<number, number[]>();
    concepts.forEach((_, i) => parts.set(best[i], [...(parts.get(best[i]) ?? []), i]));
    const large = [...parts.values()].filter((part) => part.length >= SMALLEST_PART);
    if (large.length < 2) continue;
    for (const small of parts.values()) {
      if (small.length >= SMALLEST_PART) continue;
      for (const i of small) large[strongest(inside, i, large)].push(i);
    }
    return large
      .sort((a, b) => b.length - a.length || a[0] - b[0])
      .map((part) => part.map((i) => concepts[i]));
  }
  return [[...concepts]];
}

/** The links between some concepts, numbered anew. */
function networkWithin(graph: Graph, concepts: readonly number[]): Graph {
  const numberOf = new Map(concepts.map((concept, i) => [concept, i]));
  const [source, target, weight]: number[][] = [[], [], []];
  concepts.forEach((concept, i) => {
    for (let e = graph.offset[concept]; e < graph.offset[concept + 1]; e++) {
      const j = numberOf.get(graph.neighbour[e]);
      if (j === undefined || j <= i) continue;
      source.push(i);
      target.push(j);
      weight.push(graph.weight[e]);
    }
  });
  return buildGraph(concepts.length, source, target, weight);
}

/** The part a concept has the strongest links with; the first where it has none. */
function strongest(inside: Graph, i: number, parts: readonly (readonly number[])[]): number {
  const weightWith = (part: readonly number[]): number => {
    let sum = 0;
    for (let e = inside.offset[i]; e < inside.offset[i + 1]; e++)
      if (part.includes(inside.neighbour[e])) sum += inside.weight[e];
    return sum;
  };
  return ranked(parts.length, (at) => weightWith(parts[at]))[0];
}
