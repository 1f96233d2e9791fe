/** An undirected weighted network in compressed rows: the links of node v are `offset[v] … offset[v + 1]`. */
export interface Graph {
  readonly size: number;
  readonly offset: Int32Array;
  readonly neighbour: Int32Array;
  readonly weight: Float64Array;
  /** Weight of each node's link to itself, counted once; 0 but in aggregated networks. */
  readonly selfWeight: Float64Array;
  /** Summed weight at each node, links to itself counted twice. */
  readonly degree: Float64Array;
  /** Sum of all degrees, 2m. */
  readonly totalDegree: number;
}

/** Builds a network from its links; a pair given twice has its weights added. Throws RangeError on a weight not above 0. */
export function buildGraph(
  size: number,
  source: ArrayLike<number>,
  target: ArrayLike<number>,
  weight: ArrayLike<number>,
): Graph {
  const links = source.length;
  const selfWeight = new Float64Array(size);
  const offset = new Int32Array(size + 1);
  for (let i = 0; i < links; i++) {
    if (!(weight[i] > 0))
      throw new RangeError(`Link ${i + 1} has the weight ${weight[i]}; it must be above 0.`);
    if (source[i] === target[i]) continue;
    offset[source[i] + 1]++;
    offset[target[i] + 1]++;
  }
  for (let v = 0; v < size; v++) offset[v + 1] += offset[v];
  const neighbour = new Int32Array(offset[size]);
  const weights = new Float64Array(offset[size]);
  const fill = offset.slice(0, size);
  for (let i = 0; i < links; i++) {
    const a = source[i];
    const b = target[i];
    if (a === b) {
      selfWeight[a] += weight[i];
      continue;
    }
    neighbour[fill[a]] = b;
    weights[fill[a]++] = weight[i];
    neighbour[fill[b]] = a;
    weights[fill[b]++] = weight[i];
  }
  const degree = new Float64Array(size);
  let totalDegree = 0;
  for (let v = 0; v < size; v++) {
    degree[v] = 2 * selfWeight[v];
    for (let e = offset[v]; e < offset[v + 1]; e++) degree[v] += weights[e];
    totalDegree += degree[v];
  }
  return { size, offset, neighbour, weight: weights, selfWeight, degree, totalDegree };
}

/** The number of the connected part each node is in, numbered by first node; nodes may be limited to one group. */
export function connectedParts(graph: Graph, groupOf?: ArrayLike<number>): Int32Array {
  const part = new Int32Array(graph.size).fill(-1);
  let parts = 0;
  const stack: number[] = [];
  for (let start = 0; start < graph.size; start++) {
    if (part[start] >= 0) continue;
    part[start] = parts;
    stack.push(start);
    for (let v = stack.pop(); v !== undefined; v = stack.pop()) {
      for (let e = graph.offset[v]; e < graph.offset[v + 1]; e++) {
        const u = graph.neighbour[e];
        if (part[u] >= 0 || (groupOf && groupOf[u] !== groupOf[v])) continue;
        part[u] = parts;
        stack.push(u);
      }
    }
    parts++;
  }
  return part;
}
