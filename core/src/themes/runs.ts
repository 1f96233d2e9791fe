import { connectedParts, type Graph } from '../network/graph.ts';
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

/** Where two runs are of one quality. */
const SAME_QUALITY = 1e-12;

/** Pairs of runs compared at most; more change the mean in the third digit. */
const MOST_PAIRS = 300;

interface Searching {
  readonly enoughAlike?: number;
  readonly fewest?: number;
  readonly mostRounds?: number;
}

/**
 * Makes runs with one seed; run r draws from the seed's stream r.
 *
 * @param runs as many at most, where `enoughAlike` does not stop them before
 * @param how - `enoughAlike` stops once the best was found so many times, as one that comes up again and again is the best there
 *   is nearly always, whatever the seed; `fewest` runs are made all the same; `mostRounds` of each run, where time counts more than
 *   the last thousandth of quality
 */
export function runLeiden(
  graph: Graph,
  resolution: number,
  seed: number,
  runs: number,
  { enoughAlike = Infinity, fewest = 1, mostRounds }: Searching = {},
): Runs {
  const communities: Int32Array[] = [];
  let best: Int32Array | undefined;
  let bestQuality = -Infinity;
  let found = 0;
  for (let run = 0; run < runs; run++) {
    const community = leiden(graph, resolution, seededRandom(seed, run), { mostRounds });
    const quality = modularity(graph, community, resolution);
    if (quality > bestQuality + SAME_QUALITY) {
      bestQuality = quality;
      best = community;
      found = 1;
    } else if (best && quality > bestQuality - SAME_QUALITY && isSameGrouping(best, community)) found++;
    communities.push(community);
    if (found >= enoughAlike && communities.length >= fewest) break;
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

/** Above this many nodes the co-assignment matrix no longer fits comfortably, and one figure stands for all. */
const MOST_PAIRED_NODES = 4000;
/** The search goes on until the best was found so often, for so many times the runs at most, where a run takes little. */
const FOUND_AGAIN = 5;
const MOST_TIMES = 4;
const QUICK_NODES = 1000;

export interface Grouping {
  readonly community: Int32Array;
  /** Mean co-assignment of each node with the other members of its community, from 0 to 1; 1 for a node alone. */
  readonly steadiness: Float64Array;
  readonly overallSteadiness: number;
  readonly modularity: number;
}

/**
 * The best of several runs by quality, as many as are asked for and more until it was found five times over; how the runs agree says
 * how sure each node's place is. A consensus of the runs (Lancichinetti & Fortunato 2012) hangs more on the seed than the best of
 * them does, and is not better (docs/method/themes.md).
 */
export function* groupByBest(
  graph: Graph,
  resolution: number,
  seed: number,
  runs: number,
  mostRounds = MOST_ROUNDS,
): Stepwise<Grouping> {
  const most = graph.size <= QUICK_NODES ? MOST_TIMES * runs : runs;
  const made = runLeiden(graph, resolution, seed, most, {
    enoughAlike: FOUND_AGAIN,
    fewest: runs,
    mostRounds,
  });
  yield 0.9;
  const community = renumber(connectedParts(graph, made.best));
  const isFew = graph.size <= MOST_PAIRED_NODES;
  return {
    community,
    steadiness: isFew
      ? meanWithOwn(coAssignment(made.communities, graph.size), community)
      : new Float64Array(graph.size).fill(made.steadiness),
    overallSteadiness: made.steadiness,
    modularity: modularity(graph, community),
  };
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
