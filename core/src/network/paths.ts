import type { WeightedLinks } from './backbone.ts';

interface Neighbours {
  readonly of: readonly (readonly { readonly node: number; readonly weight: number }[])[];
}

function neighboursIn(size: number, { source, target, weight }: WeightedLinks): Neighbours {
  const of = Array.from({ length: size }, (): { node: number; weight: number }[] => []);
  for (let i = 0; i < source.length; i++) {
    of[source[i]].push({ node: target[i], weight: weight[i] });
    of[target[i]].push({ node: source[i], weight: weight[i] });
  }
  return { of };
}

/**
 * The path of strongest links between two nodes: the one on which the sum of 1 ÷ weight is least (Dijkstra 1959).
 *
 * @returns the nodes from first to last; empty where no path is
 * @example strongestPath(3, { source: [0, 1], target: [1, 2], weight: [1, 1] }, 0, 2) // [0, 1, 2]
 */
export function strongestPath(size: number, links: WeightedLinks, from: number, to: number): number[] {
  const { of } = neighboursIn(size, links);
  const distance = new Float64Array(size).fill(Infinity);
  const before = new Int32Array(size).fill(-1);
  const isDone = new Uint8Array(size);
  distance[from] = 0;
  for (;;) {
    let next = -1;
    for (let v = 0; v < size; v++)
      if (isDone[v] === 0 && distance[v] < Infinity && (next < 0 || distance[v] < distance[next])) next = v;
    if (next < 0) return [];
    if (next === to) break;
    isDone[next] = 1;
    for (const { node, weight } of of[next]) {
      const through = distance[next] + 1 / weight;
      if (through < distance[node]) {
        distance[node] = through;
        before[node] = next;
      }
    }
  }
  const path = [to];
  for (let v = before[to]; v >= 0; v = before[v]) path.push(v);
  return path.reverse();
}

/** How many links away from a node each other one is; −1 where none leads there. */
export function stepsFrom(size: number, links: WeightedLinks, from: number): Int32Array {
  const { of } = neighboursIn(size, links);
  const steps = new Int32Array(size).fill(-1);
  steps[from] = 0;
  const line = [from];
  for (const at of line) {
    for (const { node } of of[at]) {
      if (steps[node] >= 0) continue;
      steps[node] = steps[at] + 1;
      line.push(node);
    }
  }
  return steps;
}
