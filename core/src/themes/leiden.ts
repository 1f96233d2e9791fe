import type { Graph } from '../network/graph.ts';
import { shuffle, type Random } from '../numeric/random.ts';
import { modularity } from './modularity.ts';

/** How freely the refinement picks among merges that do not lower the quality, in mean degrees (Traag et al.: θ). */
const RANDOMNESS = 0.01;
/** What is less is rounding: of the quality, and in mean degrees of a node’s gain, so that weights may be of any size. */
const GAIN_MARGIN = 1e-12;
const gainMargin = (graph: Graph): number => (GAIN_MARGIN * graph.totalDegree) / Math.max(1, graph.size);
/** Rounds at most; those after the first few gain little, and in a large network without communities each takes as long. */
export const MOST_ROUNDS = 20;

/**
 * Communities by the Leiden algorithm (Traag, Waltman & van Eck 2019) on modularity with resolution: fast local moving,
 * refinement, aggregation; repeated until a round brings nothing. Every community is connected.
 *
 * @param start - communities to begin with; each node alone where it is left out
 * @returns the community of each node, numbered from 0 by first node
 */
export function leiden(
  graph: Graph,
  resolution: number,
  random: Random,
  {
    start,
    mostRounds = MOST_ROUNDS,
  }: { readonly start?: ArrayLike<number>; readonly mostRounds?: number } = {},
): Int32Array {
  let community = renumber(start ?? Int32Array.from({ length: graph.size }, (_, v) => v));
  if (graph.totalDegree === 0) return Int32Array.from({ length: graph.size }, (_, v) => v);
  let quality = -Infinity;
  for (let round = 0; round < mostRounds; round++) {
    const next = leidenRound(graph, community, resolution, random, round > 0);
    const reached = modularity(graph, next, resolution);
    if (reached <= quality + GAIN_MARGIN) break;
    quality = reached;
    community = next;
  }
  return community;
}

/** One pass over all levels. `settled`: the start is what such a pass ended with. */
function leidenRound(
  graph: Graph,
  start: Int32Array,
  resolution: number,
  random: Random,
  settled: boolean,
): Int32Array {
  let level = graph;
  let community = start;
  // Node of the current level that each node of the first level is part of.
  let nodeOf = numbersTo(graph.size);
  for (;;) {
    const moved = renumber(moveNodes(level, community, resolution, random));
    // A later round that moves no single node finds the state the last one left; the levels above would not move either.
    if (level === graph && settled && isSameGrouping(moved, community)) return community;
    community = moved;
    const communities = countOf(community);
    if (communities === level.size) break;
    const refined = renumber(refine(level, community, resolution, random));
    const groups = countOf(refined);
    const communityOfGroup = new Int32Array(groups);
    for (let v = 0; v < level.size; v++) communityOfGroup[refined[v]] = community[v];
    nodeOf = nodeOf.map((node) => refined[node]);
    // Nothing merged in the refinement: the level below would be this one again.
    if (groups === level.size) break;
    level = aggregate(level, refined, groups);
    community = communityOfGroup;
  }
  return renumber(nodeOf.map((node) => community[node]));
}

/** Whether two groupings, both numbered by first node, are the same. */
export function isSameGrouping(a: Int32Array, b: Int32Array): boolean {
  for (let v = 0; v < a.length; v++) if (a[v] !== b[v]) return false;
  return true;
}

/** 0, 1, … up to a count. */
function numbersTo(count: number): Int32Array {
  const numbers = new Int32Array(count);
  for (let i = 0; i < count; i++) numbers[i] = i;
  return numbers;
}

function countOf(community: Int32Array): number {
  let most = -1;
  for (const c of community) if (c > most) most = c;
  return most + 1;
}

/** Numbers groups 0, 1, … by their first node. */
export function renumber(community: ArrayLike<number>): Int32Array {
  const seen = new Map<number, number>();
  const numbered = new Int32Array(community.length);
  for (let v = 0; v < community.length; v++) {
    let id = seen.get(community[v]);
    if (id === undefined) seen.set(community[v], (id = seen.size));
    numbered[v] = id;
  }
  return numbered;
}

/** Fast local moving: each node goes to the community where it adds most, its neighbours are looked at again. */
function moveNodes(graph: Graph, start: Int32Array, resolution: number, random: Random): Int32Array {
  const { size: n, offset, neighbour, weight, degree, totalDegree } = graph;
  const community = start.slice();
  const degreeOf = new Float64Array(n);
  const members = new Int32Array(n);
  for (let v = 0; v < n; v++) {
    degreeOf[community[v]] += degree[v];
    members[community[v]]++;
  }
  const empty: number[] = [];
  for (let c = n - 1; c >= 0; c--) if (members[c] === 0) empty.push(c);
  const queue = shuffle(numbersTo(n), random);
  const waiting = new Uint8Array(n).fill(1);
  const weightTo = new Float64Array(n);
  const touched = new Int32Array(n);
  let reached = 0;
  const margin = gainMargin(graph);
  let head = 0;
  let left = n;
  while (left > 0) {
    const v = queue[head];
    head = head + 1 === n ? 0 : head + 1;
    left--;
    waiting[v] = 0;
    const own = community[v];
    const pull = (resolution * degree[v]) / totalDegree;
    degreeOf[own] -= degree[v];
    members[own]--;
    for (let e = offset[v]; e < offset[v + 1]; e++) {
      const c = community[neighbour[e]];
      if (weightTo[c] === 0) touched[reached++] = c;
      weightTo[c] += weight[e];
    }
    let best = own;
    let bestGain = weightTo[own] - pull * degreeOf[own];
    // A community of its own gains nothing, which may still be more.
    if (bestGain < -margin && members[own] > 0) {
      best = empty[empty.length - 1];
      bestGain = 0;
    }
    for (let k = 0; k < reached; k++) {
      const c = touched[k];
      const gain = weightTo[c] - pull * degreeOf[c];
      if (gain > bestGain + margin) {
        bestGain = gain;
        best = c;
      }
    }
    while (reached > 0) weightTo[touched[--reached]] = 0;
    degreeOf[best] += degree[v];
    if (best !== own) {
      if (members[own] === 0) empty.push(own);
      if (members[best] === 0) empty.pop();
      community[v] = best;
      for (let e = offset[v]; e < offset[v + 1]; e++) {
        const u = neighbour[e];
        if (community[u] === best || waiting[u]) continue;
        waiting[u] = 1;
        const tail = head + left;
        queue[tail >= n ? tail - n : tail] = u;
        left++;
      }
    }
    members[best]++;
  }
  return community;
}

/**
 * Refinement: inside each community, nodes that are well connected to it join sub-communities that are, picked with a
 * chance that grows with the gain; so no sub-community falls apart.
 */
function refine(graph: Graph, community: Int32Array, resolution: number, random: Random): Int32Array {
  const { size: n, offset, neighbour, weight, degree, totalDegree } = graph;
  const refined = numbersTo(n);
  const degreeOf = degree.slice();
  const degreeOfCommunity = new Float64Array(n);
  for (let v = 0; v < n; v++) degreeOfCommunity[community[v]] += degree[v];
  // Weight from each sub-community to the rest of its community.
  const outward = new Float64Array(n);
  for (let v = 0; v < n; v++) {
    for (let e = offset[v]; e < offset[v + 1]; e++) {
      if (community[neighbour[e]] === community[v]) outward[v] += weight[e];
    }
  }
  const alone = new Uint8Array(n).fill(1);
  const scale = RANDOMNESS * (totalDegree / n);
  const margin = gainMargin(graph);
  const wellConnected = (outwards: number, own: number, whole: number): boolean =>
    outwards + margin >= (resolution * own * (whole - own)) / totalDegree;
  const order = shuffle(numbersTo(n), random);
  const weightTo = new Float64Array(n);
  const touched = new Int32Array(n);
  const gains = new Float64Array(n);
  let reached = 0;
  for (const v of order) {
    const whole = degreeOfCommunity[community[v]];
    if (!alone[v] || !wellConnected(outward[v], degree[v], whole)) continue;
    for (let e = offset[v]; e < offset[v + 1]; e++) {
      const u = neighbour[e];
      if (community[u] !== community[v]) continue;
      if (weightTo[refined[u]] === 0) touched[reached++] = refined[u];
      weightTo[refined[u]] += weight[e];
    }
    const pull = (resolution * degree[v]) / totalDegree;
    let top = 0;
    for (let k = 0; k < reached; k++) {
      const c = touched[k];
      gains[k] = wellConnected(outward[c], degreeOf[c], whole) ? weightTo[c] - pull * degreeOf[c] : -1;
      top = Math.max(top, gains[k]);
    }
    let sum = 0;
    for (let k = 0; k < reached; k++) if (gains[k] >= 0) sum += Math.exp((gains[k] - top) / scale);
    let draw = random() * (sum + Math.exp(-top / scale));
    let chosen = -1;
    for (let i = 0; i < reached && chosen < 0; i++) {
      if (gains[i] < 0) continue;
      draw -= Math.exp((gains[i] - top) / scale);
      if (draw < 0) chosen = touched[i];
    }
    if (chosen >= 0) {
      alone[chosen] = 0;
      alone[v] = 0;
      refined[v] = chosen;
      degreeOf[chosen] += degree[v];
      outward[chosen] += outward[v] - 2 * weightTo[chosen];
    }
    while (reached > 0) weightTo[touched[--reached]] = 0;
  }
  return refined;
}

/** The network whose nodes are the groups of another. */
function aggregate(graph: Graph, group: Int32Array, groups: number): Graph {
  const selfWeight = new Float64Array(groups);
  const degree = new Float64Array(groups);
  const first = new Int32Array(groups + 1);
  for (let v = 0; v < graph.size; v++) first[group[v] + 1]++;
  for (let g = 0; g < groups; g++) first[g + 1] += first[g];
  const members = new Int32Array(graph.size);
  const fill = first.slice(0, groups);
  for (let v = 0; v < graph.size; v++) members[fill[group[v]]++] = v;
  const offset = new Int32Array(groups + 1);
  const neighbour = new Int32Array(graph.neighbour.length);
  const weight = new Float64Array(graph.neighbour.length);
  const weightTo = new Float64Array(groups);
  const touched = new Int32Array(groups);
  let links = 0;
  for (let g = 0; g < groups; g++) {
    let reached = 0;
    for (let m = first[g]; m < first[g + 1]; m++) {
      const v = members[m];
      selfWeight[g] += graph.selfWeight[v];
      degree[g] += graph.degree[v];
      for (let e = graph.offset[v]; e < graph.offset[v + 1]; e++) {
        const other = group[graph.neighbour[e]];
        if (other === g) selfWeight[g] += graph.weight[e] / 2;
        else {
          if (weightTo[other] === 0) touched[reached++] = other;
          weightTo[other] += graph.weight[e];
        }
      }
    }
    for (let k = 0; k < reached; k++) {
      const other = touched[k];
      neighbour[links] = other;
      weight[links++] = weightTo[other];
      weightTo[other] = 0;
    }
    offset[g + 1] = links;
  }
  return {
    size: groups,
    offset,
    neighbour: neighbour.slice(0, links),
    weight: weight.slice(0, links),
    selfWeight,
    degree,
    totalDegree: graph.totalDegree,
  };
}
