import type { Graph } from '../network/graph.ts';
import { rewired } from '../network/rewired.ts';
import { seededRandom } from '../numeric/random.ts';
import { modularity } from './modularity.ts';
import { runLeiden } from './runs.ts';

/** How well a network divides beside networks of the same degrees whose links were dealt anew. */
export interface BesideRewired {
  readonly networks: number;
  /** Modularity of the network's best division. */
  readonly own: number;
  /** The highest of those of the rewired networks. */
  readonly highest: number;
  /** Whether its own is higher than all of theirs: then there is something in it that degrees alone do not make. */
  readonly isBeyond: boolean;
}

/** Runs of each network; of its own no more, so that it has no more chances than they. */
const RUNS = 3;
/** Higher by less than this is no difference. */
const SAME = 1e-9;

/**
 * Whether a network divides better than chance would have it: random networks have a high modularity too (Guimerà, Sales-Pardo &
 * Amaral 2004), so it is set beside networks rewired with the same degrees. Of twenty the network itself is the highest by chance in
 * one of 21.
 */
export function besideRewired(
  graph: Graph,
  resolution: number,
  seed: number,
  networks: number,
): BesideRewired {
  const best = (each: Graph, stream: number): number =>
    modularity(each, runLeiden(each, resolution, seed + stream, RUNS).best, resolution);
  const own = best(graph, 0);
  let highest = -Infinity;
  for (let k = 1; k <= networks; k++) {
    highest = Math.max(highest, best(rewired(graph, seededRandom(seed, 60_000 + k)), k));
  }
  return { networks, own, highest, isBeyond: own > highest + SAME };
}
