import { readFileSync } from 'node:fs';
import { tableNumber, writeCsv } from '@green-thicket/core/formats/csv';
import { readNetwork, type ReadNetwork } from '@green-thicket/core/formats/read/network-read';
import { writeGraphml } from '@green-thicket/core/formats/write/network-write';
import { buildGraph, type Graph } from '@green-thicket/core/network/graph';
import { ranked } from '@green-thicket/core/base/order';
import { finish } from '@green-thicket/core/base/stepwise';
import { groupByBest } from '@green-thicket/core/themes/runs';
import { besideRewired } from '@green-thicket/core/themes/beside-rewired';
import { letterAt } from '@green-thicket/core/themes/letters';
import { resampleLinks } from '@green-thicket/core/themes/resample';
import { MOST_ROUNDS } from '@green-thicket/core/themes/leiden';
import {
  resolutionOfNetwork,
  sweepResolution,
  type SweepEffort,
} from '@green-thicket/core/themes/resolution';
import { degreeInside } from '@green-thicket/core/themes/themes';
import { withOutput, type OutputFolder } from './output-folder.ts';
import { reasonOf, UsageError } from './usage-error.ts';

export interface GroupOptions {
  readonly out: string;
  /** 'auto' for the one whose grouping comes back best when the links are counted anew. */
  readonly resolution: number | 'auto';
  readonly seed: number;
  /** So many as its size asks for where it is left out. */
  readonly runs?: number;
  readonly version: string;
  /** Whether results that are in the folder already may be replaced. */
  readonly force?: boolean;
}

/** How much is done for a network: of more links each run takes longer, and says more by itself. */
interface Effort {
  readonly runs: number;
  readonly rounds: number;
  /** Draws of the links on which resolutions are tried. */
  readonly draws: number;
  readonly sweep?: SweepEffort;
}

const RUNS = 50;
/** Up to so many links all is done; past it so little that 100,000 links take some seconds on one core. */
const LARGE = 20_000;
const DRAWS_BY_LINKS = 100_000;
const effortFor = (links: number): Effort =>
  links <= LARGE
    ? {
        runs: RUNS,
        rounds: MOST_ROUNDS,
        // Of a small network a draw says little, and costs as little.
        draws: Math.max(6, Math.min(200, Math.round(DRAWS_BY_LINKS / links))),
      }
    : {
        runs: Math.max(5, Math.round((RUNS * LARGE) / (2 * links))),
        rounds: 2,
        draws: links <= 2 * LARGE ? 2 : 1,
        sweep: { resolutions: 7, runs: 1, rounds: 1 },
      };

function resolutionFor(graph: Graph, seed: number, { draws, sweep }: Effort): number {
  const drawn = resampleLinks(graph, seed, draws);
  return resolutionOfNetwork(finish(sweepResolution({ graph, drawn, seed, effort: sweep })));
}

/** Networks of the same degrees that a network is set beside; of many links each says more, and takes longer. */
const rewiredNetworks = (links: number): number => Math.max(3, Math.min(20, Math.round(40_000 / links)));

/** Groups a weighted network and writes themes.csv, concepts.csv, network.graphml and run.json. */
export const group = (path: string, options: GroupOptions): Promise<void> =>
  withOutput(options.out, options.force ?? false, (output) => groupInto(output, path, options));

async function groupInto(output: OutputFolder, path: string, options: GroupOptions): Promise<void> {
  let network: ReadNetwork;
  try {
    network = await readNetwork(readFileSync(path, 'utf8'));
  } catch (error) {
    throw new UsageError(`${path} can’t be read as links: ${reasonOf(error)}`);
  }
  const { names, source, target, weight } = network;
  process.stderr.write(`Grouping ${names.length} concepts by ${source.length} links …\n`);
  const graph = buildGraph(names.length, source, target, weight);
  const effort = effortFor(source.length);
  const runs = options.runs ?? effort.runs;
  const resolution =
    options.resolution === 'auto' ? resolutionFor(graph, options.seed, effort) : options.resolution;
  const grouping = finish(groupByBest(graph, resolution, options.seed, runs, effort.rounds));
  const inside = degreeInside(graph, grouping.community);
  const members = new Map<number, number[]>();
  for (const v of ranked(names.length, (i) => inside[i])) {
    members.set(grouping.community[v], [...(members.get(grouping.community[v]) ?? []), v]);
  }
  const beside =
    options.resolution === 'auto' && source.length > 0 && source.length <= LARGE
      ? besideRewired(graph, resolution, options.seed, rewiredNetworks(source.length))
      : undefined;
  const found = [...members.values()].sort((a, b) => b.length - a.length || a[0] - b[0]);
  const communities = beside?.isBeyond === false ? [] : found;
  const letterOf = new Array<string>(names.length).fill('');
  communities.forEach((concepts, i) => concepts.forEach((v) => (letterOf[v] = letterAt(i))));
  const files = new Map<string, string>();
  files.set(
    'themes.csv',
    writeCsv(
      ['theme', 'label', 'concepts', 'share'],
      communities.map((concepts, i) => [
        letterAt(i),
        concepts
          .slice(0, 3)
          .map((v) => names[v])
          .join(', '),
        concepts.map((v) => names[v]).join('; '),
        tableNumber(concepts.length / names.length),
      ]),
    ),
  );
  files.set(
    'concepts.csv',
    writeCsv(
      ['concept', 'theme', 'steadiness'],
      names.map((name, v) => [name, letterOf[v], tableNumber(grouping.steadiness[v])]),
    ),
  );
  files.set(
    'network.graphml',
    writeGraphml({
      name: 'Communities',
      nodes: names.map((label, v) => ({
        id: String(v),
        values: { label, theme: letterOf[v], steadiness: tableNumber(grouping.steadiness[v]) },
      })),
      edges: source.map((from, i) => ({
        source: String(from),
        target: String(target[i]),
        values: { weight: weight[i] },
      })),
    }),
  );
  const record = {
    version: options.version,
    seed: options.seed,
    runs,
    resolution,
    modularity: tableNumber(grouping.modularity),
    communities: communities.length,
    steadiness: tableNumber(grouping.overallSteadiness),
    ...(beside
      ? {
          rewired: {
            networks: beside.networks,
            modularity: tableNumber(beside.own),
            highest: tableNumber(beside.highest),
          },
        }
      : {}),
    concepts: names.length,
    links: source.length,
  };
  files.set('run.json', `${JSON.stringify(record, null, 2)}\n`);
  output.put(files);
  if (beside && !beside.isBeyond) {
    process.stderr.write(
      `No communities: ${beside.networks} networks with the same degrees, their links dealt anew, divide as well (modularity ${beside.own.toFixed(4)} beside up to ${beside.highest.toFixed(4)} at resolution ${resolution}). With --resolution ${resolution} its groups are written all the same. Written to ${options.out}.\n`,
    );
    return;
  }
  process.stderr.write(
    `${communities.length} communities at resolution ${resolution}, modularity ${grouping.modularity.toFixed(4)}. Written to ${options.out}.\n`,
  );
}
