import { readFileSync } from 'node:fs';
import { readCsv, tableNumber, writeCsv } from '@green-thicket/core/formats/csv';
import { buildGraph, type Graph } from '@green-thicket/core/network/graph';
import { ranked } from '@green-thicket/core/base/order';
import { finish } from '@green-thicket/core/base/stepwise';
import { groupByConsensus } from '@green-thicket/core/themes/consensus';
import { letterAt } from '@green-thicket/core/themes/letters';
import { drawLinks } from '@green-thicket/core/themes/redraw';
import { defaultResolution, sweepResolution } from '@green-thicket/core/themes/resolution';
import { degreeInside, linkedCount } from '@green-thicket/core/themes/themes';
import { openOutput } from './output-set.ts';
import { reasonOf, UsageError } from './usage-error.ts';

export interface GroupOptions {
  readonly out: string;
  /** 'auto' for the one whose grouping comes back best when the links are counted anew. */
  readonly resolution: number | 'auto';
  readonly seed: number;
  readonly runs: number;
  readonly version: string;
  /** Whether results that are in the folder already may be replaced. */
  readonly force: boolean;
}

interface Network {
  readonly names: readonly string[];
  readonly source: readonly number[];
  readonly target: readonly number[];
  readonly weight: readonly number[];
}

/** Reads source,target,weight; a missing weight column counts every link as 1. */
export function readNetwork(text: string): Network {
  const { header, rows } = readCsv(text);
  const column = (name: string): number => header.findIndex((each) => each.toLowerCase() === name);
  const [s, t, w] = [column('source'), column('target'), column('weight')];
  if (s < 0 || t < 0)
    throw new Error('It needs the columns source and target, and weight if links have one.');
  const names: string[] = [];
  const numberOf = new Map<string, number>();
  const node = (name: string): number => {
    let number = numberOf.get(name);
    if (number === undefined) {
      numberOf.set(name, (number = names.length));
      names.push(name);
    }
    return number;
  };
  const source: number[] = [];
  const target: number[] = [];
  const weight: number[] = [];
  rows.forEach((row, i) => {
    const value = w < 0 ? 1 : Number(row[w]);
    if (!row[s] || !row[t]) throw new Error(`Row ${i + 2} lacks a source or a target.`);
    if (!Number.isFinite(value) || value <= 0) {
      throw new Error(`Row ${i + 2} has the weight “${row[w] ?? ''}”; it must be a number above 0.`);
    }
    source.push(node(row[s]));
    target.push(node(row[t]));
    weight.push(value);
  });
  if (names.length === 0) throw new Error('It has no links.');
  return { names, source, target, weight };
}

/** Draws of the links on which resolutions are tried. */
const DRAWS = 6;

function resolutionFor(graph: Graph, seed: number): number {
  const drawn = drawLinks(graph, seed, DRAWS);
  return defaultResolution(finish(sweepResolution({ graph, drawn, seed })), linkedCount(graph));
}

/** Groups a weighted network and writes themes.csv, concepts.csv and run.json. */
export async function group(path: string, options: GroupOptions): Promise<void> {
  const output = openOutput(options.out, ['themes.csv', 'concepts.csv', 'run.json'], options.force);
  let network: Network;
  try {
    network = readNetwork(readFileSync(path, 'utf8').replace(/^\ufeff/, ''));
  } catch (error) {
    throw new UsageError(`${path} can’t be read as links: ${reasonOf(error)}`);
  }
  const { names, source, target, weight } = network;
  process.stderr.write(`Grouping ${names.length} concepts by ${source.length} links …\n`);
  const graph = buildGraph(names.length, source, target, weight);
  const resolution = options.resolution === 'auto' ? resolutionFor(graph, options.seed) : options.resolution;
  const grouping = finish(groupByConsensus(graph, resolution, options.seed, options.runs));
  const inside = degreeInside(graph, grouping.community);
  const members = new Map<number, number[]>();
  for (const v of ranked(names.length, (i) => inside[i])) {
    members.set(grouping.community[v], [...(members.get(grouping.community[v]) ?? []), v]);
  }
  const communities = [...members.values()].sort((a, b) => b.length - a.length || a[0] - b[0]);
  const letterOf = new Array<string>(names.length);
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
  const record = {
    version: options.version,
    seed: options.seed,
    runs: options.runs,
    resolution,
    modularity: tableNumber(grouping.modularity),
    communities: communities.length,
    steadiness: tableNumber(grouping.overallSteadiness),
    concepts: names.length,
    links: source.length,
  };
  files.set('run.json', `${JSON.stringify(record, null, 2)}\n`);
  output.write(files);
  process.stderr.write(
    `${communities.length} communities at resolution ${resolution}, modularity ${grouping.modularity.toFixed(4)}. Written to ${options.out}.\n`,
  );
}
