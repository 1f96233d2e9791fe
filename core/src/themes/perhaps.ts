import { buildGraph } from '../network/graph.ts';
import type { Links } from '../network/links.ts';
import { runLeiden } from './runs.ts';
import { SMALLEST_THEME } from './resolution.ts';

/** Pairs that chance explains as well as not tell nothing. */
const LARGEST_P = 0.5;
const RUNS = 10;
/** Rather a few words that belong together than many: of the sample's survey five groups, as planted, at 1 four. */
const RESOLUTION = 1.5;
/** Groups that are offered to be read. */
const MOST_GROUPS = 8;

/** What of links groups to read are made of. */
export type ReadableLinks = Pick<Links, 'source' | 'target' | 'standing' | 'up' | 'p' | 'strength' | 'both'>;

/**
 * Groups to read where nothing can be told from chance, as in a few short answers: concepts that share more windows than chance has it,
 * grouped by how strongly. Nothing is claimed of them. No seed of the study's: what is offered is to be the same.
 *
 * @returns concepts of each group, the strongest first; none where any link stands
 */
export function groupsToRead(links: ReadableLinks, concepts: number): number[][] {
  if (links.standing > 0) return [];
  const taken = [...links.source.keys()].filter(
    (i) => links.up[i] === 1 && links.p[i] < LARGEST_P && links.strength[i] > 0,
  );
  const graph = buildGraph(
    concepts,
    taken.map((i) => links.source[i]),
    taken.map((i) => links.target[i]),
    taken.map((i) => links.strength[i] * links.both[i]),
  );
  if (graph.totalDegree === 0) return [];
  const { best } = runLeiden(graph, RESOLUTION, 1, RUNS);
  const groups = new Map<number, number[]>();
  best.forEach((community, concept) => {
    if (graph.degree[concept] > 0) groups.set(community, [...(groups.get(community) ?? []), concept]);
  });
  const weightOf = (group: readonly number[]): number =>
    group.reduce((sum, concept) => sum + graph.degree[concept], 0);
  return [...groups.values()]
    .filter((group) => group.length >= SMALLEST_THEME)
    .map((group) => group.sort((a, b) => graph.degree[b] - graph.degree[a] || a - b))
    .sort((a, b) => weightOf(b) - weightOf(a) || a[0] - b[0])
    .slice(0, MOST_GROUPS);
}
