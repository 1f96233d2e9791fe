import { finish } from '../core/src/base/stepwise.ts';
import { buildGraph, type Graph } from '../core/src/network/graph.ts';
import { adjustedMutualInformation } from '../core/src/numeric/agreement.ts';
import { randomInteger, seededRandom } from '../core/src/numeric/random.ts';
import { groupByBest } from '../core/src/themes/runs.ts';
import { oneByOne } from '../core/src/base/share-out.ts';
import { conceptsOf } from '../core/src/concepts/selection.ts';
import { countTogether } from '../core/src/network/counts.ts';
import { resampleGrouper, resampleThemes } from '../core/src/themes/resample.ts';
import { asking, goOnFromMap, type ExampleStudy } from '../core/test/examples.ts';
import type { Decision } from '../core/src/study/decisions.ts';
import { plantedStudy } from './collection.ts';
import { median, medianTime, printTable, REPEATS, timeOf, told } from './timing.ts';

/** The stages from windows to map, in their order. */
const STAGES = [
  'windows',
  'counts',
  'evidence',
  'links',
  'resampledPairs',
  'resampledGraphs',
  'sweep',
  'grouping',
  'themes',
  'map',
] as const;

/** What a researcher does at Links and Themes, each made to differ a little every time. */
const CHANGES: readonly {
  readonly what: string;
  readonly decision: (study: ExampleStudy, time: number) => Decision;
  readonly see: (study: ExampleStudy) => unknown;
}[] = [
  {
    what: 'changed window, to the links',
    decision: (_, time) => ({ kind: 'setWindows', change: { size: [2, 4, 5, 6, 7][time] } }),
    see: (study) => asking(study)('links', { concept: null, limit: 200 }),
  },
  {
    what: 'cut-off dragged a step, to the links',
    decision: (_, time) => ({ kind: 'setLinks', change: { cutOff: 0.1 + time / 50 } }),
    see: (study) => asking(study)('links', { concept: null, limit: 200 }),
  },
  {
    what: 'concept moved to another theme, to columns and map',
    decision: (study, time) => {
      const { themes } = study.compute('themes');
      const { keys } = study.compute('concepts');
      return {
        kind: 'placeConcepts',
        keys: [keys[themes[0].concepts[time % themes[0].concepts.length]]],
        letter: themes[1].letter,
      };
    },
    see: (study) => {
      asking(study)('themes', null);
      asking(study)('map', null);
      goOnFromMap(study);
    },
  },
];

/** Draws the sources anew so many times, as the steadiness of themes is found. */
function resampleSources(study: ExampleStudy, draws: number): void {
  const redrawn = study.compute('redrawn');
  const { links, themes } = study.state.settings;
  const windows = study.compute('windows');
  const shared = {
    counts: countTogether(conceptsOf(study.compute('candidates'), [...redrawn.pool]), windows),
    windows,
    redrawn: { draws: redrawn.draws.slice(0, draws), chosen: redrawn.chosen.slice(0, draws) },
    themes: study.compute('themes'),
    links,
    seed: themes.seed,
  };
  finish(resampleThemes(shared.redrawn, shared.themes, oneByOne(resampleGrouper(shared))));
}

function benchCollection(words: number, concepts: number): readonly (readonly string[])[] {
  const study = plantedStudy(words, { themes: Math.max(8, concepts / 25), conceptsPerTheme: 10 });
  study.decide({ kind: 'setConcepts', change: { size: concepts } });
  const kept = study.compute('concepts').keys.length;
  const stages = STAGES.map((stage) => [stage, told(timeOf(() => study.compute(stage)))]);
  // The first ones sum up what every later one only adds.
  const someDraws = timeOf(() => resampleSources(study, 6));
  const changes = CHANGES.map(({ what, decision, see }) => {
    see(study);
    const times = Array.from({ length: REPEATS }, (_, time) => {
      study.decide(decision(study, time));
      return timeOf(() => see(study));
    });
    return [what, told(median(times))];
  });
  const { links, themes } = {
    links: study.compute('links').standing,
    themes: study.compute('themes').themes,
  };
  return [
    ['concepts kept', told(kept)],
    ['links that stand', told(links)],
    ['themes', told(themes.length)],
    ...stages,
    [
      'one of the hundred draws of sources',
      told((timeOf(() => resampleSources(study, 18)) - someDraws) / 12),
    ],
    ...changes,
  ];
}

/** A network of communities of fifty: seven links of ten stay inside, degrees fall as in real ones. */
export function largeNetwork(
  size: number,
  links: number,
): { readonly graph: Graph; readonly planted: number[] } {
  const random = seededRandom(5);
  const planted = Array.from({ length: size }, (_, v) => Math.floor(v / 50));
  const [source, target, weight]: number[][] = [[], [], []];
  const known = new Set<number>();
  // The square root of a draw prefers the later, so that some have many links and most have few.
  const end = (first: number, count: number): number => first + Math.floor(count * random() ** 2);
  while (source.length < links) {
    const from = randomInteger(random, size);
    const to = random() < 0.7 ? end(planted[from] * 50, 50) : end(0, size);
    const pair = Math.min(from, to) * size + Math.max(from, to);
    if (from === to || known.has(pair)) continue;
    known.add(pair);
    source.push(from);
    target.push(to);
    weight.push(0.2 + random());
  }
  return { graph: buildGraph(size, source, target, weight), planted };
}

function benchLargeNetwork(): void {
  const { graph, planted } = largeNetwork(5000, 100_000);
  let found: Int32Array = new Int32Array(0);
  const time = medianTime((repeat) => {
    found = finish(groupByBest(graph, 1, 1 + repeat, 10)).community;
  });
  console.log('\n## A network of 5,000 concepts and 100,000 links, grouped with 10 runs\n');
  console.log(
    `${told(time)} ms; communities ${new Set(found).size} of ${new Set(planted).size} planted, AMI ${adjustedMutualInformation(planted, found).toFixed(3)}`,
  );
}

/** Times what Links and Themes stand on, and what is done there, for networks of several sizes. */
export function benchNetwork(words: number): void {
  const sizes = [80, 200, 500];
  const columns = sizes.map((size) => benchCollection(words, size));
  console.log(
    `\n## Links and themes, ${words.toLocaleString('en-GB')} words: ms, stages once, changes as medians\n`,
  );
  printTable(
    ['', ...sizes.map((size) => `${size} concepts asked for`)],
    columns[0].map(([what], row) => [what, ...columns.map((column) => column[row][1])]),
  );
  benchLargeNetwork();
}
