import type { Graph } from '../network/graph.ts';

/**
 * Modularity with resolution γ (Reichardt & Bornholdt 2006): Σ over communities of w_in / m − γ (K / 2m)², with w_in
 * the weight of the links inside and K the summed degree. γ = 1 is Newman & Girvan's.
 */
export function modularity(graph: Graph, community: ArrayLike<number>, resolution = 1): number {
  if (graph.totalDegree === 0) return 0;
  let most = 0;
  for (let v = 0; v < graph.size; v++) most = Math.max(most, community[v]);
  const inside = new Float64Array(most + 1);
  const degree = new Float64Array(most + 1);
  for (let v = 0; v < graph.size; v++) {
    const c = community[v];
    degree[c] += graph.degree[v];
    inside[c] += 2 * graph.selfWeight[v];
    for (let e = graph.offset[v]; e < graph.offset[v + 1]; e++) {
      if (community[graph.neighbour[e]] === c) inside[c] += graph.weight[e];
    }
  }
  let sum = 0;
  for (let c = 0; c <= most; c++) {
    const share = degree[c] / graph.totalDegree;
    sum += inside[c] / graph.totalDegree - resolution * share * share;
  }
  return sum;
}
