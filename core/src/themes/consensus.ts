import { buildGraph, connectedParts, type Graph } from '../network/graph.ts';
import { adjustedMutualInformation } from '../numeric/agreement.ts';
import { seededRandom } from '../numeric/random.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { isSameGrouping, leiden, MOST_ROUNDS, renumber } from './leiden.ts';
import { modularity } from './modularity.ts';

/** Several seeded runs of Leiden on one network. */
export interface Runs {
  readonly communities: readonly Int32Array[];
  /** The run with the highest quality, the first of them. */
  readonly best: Int32Array;
  /** Mean adjusted mutual information between runs (Vinh, Epps & Bailey 2010); 1 when all are the same. */
  readonly steadiness: number;
}

/** Pairs of runs compared at most; more change the mean in the third digit. */
const MOST_PAIRS = 300;

/**
 * Makes `runs` runs with one seed; run r draws from the seed's stream r.
 *
 * @param how - `enoughAlike` stops once this many first runs, and all of them, are the same: more would hardly differ;
 *   `mostRounds` of each run, where time counts more than the last thousandth of quality
 */
export function runLeiden(
  graph: Graph,
  resolution: number,
  seed: number,
  runs: number,
  { enoughAlike = runs, mostRounds }: { readonly enoughAlike?: number; readonly mostRounds?: number } = {},
): Runs {
  const communities: Int32Array[] = [];
  let best: Int32Array | undefined;
  let bestQuality = -Infinity;
  for (let run = 0; run < runs; run++) {
    const community = leiden(graph, resolution, seededRandom(seed, run), { mostRounds });
    const quality = modularity(graph, community, resolution);
    if (quality > bestQuality + 1e-12) {
      bestQuality = quality;
      best = community;
    }
    communities.push(community);
    if (communities.length === enoughAlike && communities.every((each) => isSameGrouping(each, community)))
      break;
  }
  return { communities, best: best ?? new Int32Array(0), steadiness: meanAgreement(communities) };
}

function meanAgreement(communities: readonly Int32Array[]): number {
  const seen = new Map<string, number>();
  const kind = communities.map((community) => {
    const key = community.join(',');
    let id = seen.get(key);
    if (id === undefined) seen.set(key, (id = seen.size));
    return id;
  });
  const different = [...seen.keys()].map((key) => Int32Array.from(key.split(','), Number));
  const known = new Map<number, number>();
  const agreement = (a: number, b: number): number => {
    if (a === b) return 1;
    const key = Math.min(a, b) * different.length + Math.max(a, b);
    let value = known.get(key);
    if (value === undefined) known.set(key, (value = adjustedMutualInformation(different[a], different[b])));
    return value;
  };
  const runs = kind.length;
  if (runs < 2) return 1;
  const reach = Math.max(1, Math.min(runs - 1, Math.floor(MOST_PAIRS / runs)));
  let sum = 0;
  let pairs = 0;
  for (let i = 0; i < runs; i++) {
    for (let step = 1; step <= reach && i + step < runs; step++) {
      sum += agreement(kind[i], kind[i + step]);
      pairs++;
    }
  }
  return sum / pairs;
}

/** The share of runs in which each two nodes are in one community, nodes × nodes. */
export function coAssignment(communities: readonly Int32Array[], size: number): Float32Array {
  const shares = new Float32Array(size * size);
  const first = new Int32Array(size + 1);
  const members = new Int32Array(size);
  for (const community of communities) {
    first.fill(0);
    for (let v = 0; v < size; v++) first[community[v] + 1]++;
    for (let c = 0; c < size; c++) first[c + 1] += first[c];
    const fill = first.slice(0, size);
    for (let v = 0; v < size; v++) members[fill[community[v]]++] = v;
    for (let v = 0; v < size; v++) {
      const c = community[v];
      for (let m = first[c]; m < first[c + 1]; m++) shares[v * size + members[m]]++;
    }
  }
  for (let i = 0; i < shares.length; i++) shares[i] /= communities.length;
  return shares;
}

/** Pairs together in fewer runs than this share are not linked in the consensus network. */
const CONSENSUS_THRESHOLD = 0.5;
const MOST_CONSENSUS_ROUNDS = 5;
/** Above this many nodes the co-assignment matrix no longer fits comfortably, and the best run stands. */
const MOST_CONSENSUS_NODES = 4000;

export interface Grouping {
  readonly community: Int32Array;
  /** Mean co-assignment of each node with the other members of its community, from 0 to 1; 1 for a node alone. */
  readonly steadiness: Float64Array;
  readonly overallSteadiness: number;
  readonly modularity: number;
}

/**
 * Consensus of several runs (Lancichinetti & Fortunato 2012): Leiden on the network of co-assignment, again and again
 * until its runs agree; each community is then cut into its connected parts. Where the best single run has the higher
 * quality by more than 1 %, the runs wander between unlike groupings and the best run stands.
 */
export function* groupByConsensus(
  graph: Graph,
  resolution: number,
  seed: number,
  runs: number,
  mostRounds = MOST_ROUNDS,
): Stepwise<Grouping> {
  const made = runLeiden(graph, resolution, seed, runs, { mostRounds });
  yield 0.5;
  let community = made.best;
  const shares =
    graph.size <= MOST_CONSENSUS_NODES ? coAssignment(made.communities, graph.size) : new Float32Array(0);
  if (shares.length > 0 && new Set(made.communities.map((c) => c.join(','))).size > 1) {
    const agreed = yield* agree(shares, graph.size, seed, runs);
    const parts = connectedParts(graph, agreed);
    const quality = modularity(graph, parts, resolution);
    if (quality >= 0.99 * modularity(graph, made.best, resolution)) community = parts;
  }
  community = renumber(community);
  return {
    community,
    steadiness:
      shares.length > 0 ? meanWithOwn(shares, community) : new Float64Array(graph.size).fill(made.steadiness),
    overallSteadiness: made.steadiness,
    modularity: modularity(graph, community),
  };
}

function* agree(shares: Float32Array, size: number, seed: number, runs: number): Stepwise<Int32Array> {
  let current = shares;
  let best = new Int32Array(0);
  for (let round = 1; round <= MOST_CONSENSUS_ROUNDS; round++) {
    const source: number[] = [];
    const target: number[] = [];
    const weight: number[] = [];
    for (let i = 0; i < size; i++) {
      for (let j = i + 1; j < size; j++) {
        const share = current[i * size + j];
        if (share < CONSENSUS_THRESHOLD) continue;
        source.push(i);
        target.push(j);
        weight.push(share);
      }
    }
    const consensusGraph = buildGraph(size, source, target, weight);
    const again = runLeiden(consensusGraph, 1, seed + round, Math.min(runs, 10));
    best = Int32Array.from(again.best);
    yield 0.5 + (0.5 * round) / MOST_CONSENSUS_ROUNDS;
    if (again.steadiness === 1) break;
    current = coAssignment(again.communities, size);
  }
  return best;
}

function meanWithOwn(shares: Float32Array, community: Int32Array): Float64Array {
  const size = community.length;
  return Float64Array.from({ length: size }, (_, v) => {
    let sum = 0;
    let others = 0;
    for (let u = 0; u < size; u++) {
      if (u === v || community[u] !== community[v]) continue;
      sum += shares[v * size + u];
      others++;
    }
    return others === 0 ? 1 : sum / others;
  });
}
