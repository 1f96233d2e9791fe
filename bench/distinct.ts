import { readdirSync, readFileSync } from 'node:fs';
import { addSource, contrastSides, emptySide } from '../core/src/concepts/distinct.ts';
import { seededRandom, shuffle } from '../core/src/numeric/random.ts';
import { wordsPerSource } from '../core/src/text/tokens.ts';
import { exampleStudy } from '../core/test/examples.ts';
import { gamma, normal, poisson } from './deviates.ts';
import { knownThemes } from './known-themes.ts';
import { nullCollection } from './nulls.ts';

const GROUPINGS = 40;

/** What looks distinct of groups drawn at random. */
export interface FalselyDistinct {
  /** Share of concepts, of those mentioned ten times or more, that are beyond ±1.96, in per cent. */
  readonly concepts: number;
  /** Share of groupings in which any concept has q < 0.05 over all, in per cent. */
  readonly groupings: number;
}

export function falselyDistinct(texts: readonly string[], inGroup: number): FalselyDistinct {
  const study = exampleStudy(texts.map((text, i) => ({ name: `${i}`, text })));
  const tokens = study.compute('tokens');
  const { keys, mentions, occurrence, occurrenceFirst } = study.compute('candidates');
  const words = wordsPerSource(tokens);
  const bySource = texts.map(() => new Map<number, number>());
  let source = 0;
  occurrence.forEach((concept, i) => {
    while (occurrenceFirst[i] >= tokens.sentenceFirst[tokens.sourceFirst[source + 1]]) source++;
    bySource[source].set(concept, (bySource[source].get(concept) ?? 0) + 1);
  });
  let [beyond, tried, claiming] = [0, 0, 0];
  for (let grouping = 0; grouping < GROUPINGS; grouping++) {
    const order = shuffle(
      texts.map((_, i) => i),
      seededRandom(grouping + 1),
    );
    const [group, rest] = [emptySide(keys.length), emptySide(keys.length)];
    order.forEach((s, place) => addSource(place < inGroup ? group : rest, bySource[s], words[s]));
    const { z: found, q } = contrastSides(group, rest);
    if (q.some((each) => each < 0.05)) claiming++;
    found.forEach((z, i) => {
      if (mentions[i] < 10) return;
      tried++;
      if (Math.abs(z) > 1.96) beyond++;
    });
  }
  return { concepts: (100 * beyond) / tried, groupings: (100 * claiming) / GROUPINGS };
}

/** Groups of which one says a thing so many times as often as the other. */
export interface MadeRatio {
  /** Sources of the group, and of all others. */
  readonly inGroup: number;
  readonly others: number;
  /** Mentions in a source of the others, in the mean. */
  readonly mentions: number;
  /** How much sources differ in how often they say it: the square of the coefficient of variation. */
  readonly variation: number;
  readonly ratio: number;
}

/** Of so many made-up studies: the share in which the interval of the ratio holds the true one. */
export function ratiosHeld(made: MadeRatio, studies: number, seed = 1): number {
  const random = seededRandom(seed);
  let held = 0;
  for (let study = 0; study < studies; study++) {
    const side = (sources: number, mean: number) => {
      const side = emptySide(1);
      for (let s = 0; s < sources; s++) {
        const words = Math.round(1500 * Math.exp(0.5 * normal(random)));
        const rate = made.variation === 0 ? 1 : gamma(random, 1 / made.variation) * made.variation;
        addSource(
          side,
          new Map([[0, Math.min(words, poisson(random, (mean * rate * words) / 1500))]]),
          words,
        );
      }
      return side;
    };
    const { low, high } = contrastSides(
      side(made.inGroup, made.mentions * made.ratio),
      side(made.others, made.mentions),
    );
    const truth = Math.log(made.ratio);
    if (low[0] <= truth && truth <= high[0]) held++;
  }
  return held / studies;
}

function benchRatios(): void {
  console.log('\n## Ratios of groups: intervals that hold the true one, in %, 1,000 studies each\n');
  console.log('| sources | mentions | variation | ratio 1 | ratio 4 |');
  console.log('|---|---:|---:|---:|---:|');
  for (const [inGroup, others] of [
    [3, 27],
    [4, 36],
    [8, 8],
    [12, 24],
    [30, 30],
  ]) {
    for (const mentions of [0.7, 3]) {
      for (const variation of [0, 1, 3]) {
        const shares = [1, 4].map((ratio) =>
          (100 * ratiosHeld({ inGroup, others, mentions, variation, ratio }, 1000)).toFixed(1),
        );
        console.log(`| ${inGroup} and ${others} | ${mentions} | ${variation} | ${shares.join(' | ')} |`);
      }
    }
  }
}

export function benchDistinct(): void {
  benchRatios();
  console.log(
    '\n## Concepts “distinct” of groups drawn at random, in %; groupings with any of q < 0.05, in %\n',
  );
  console.log('| collection | half | a third | a tenth |');
  console.log('|---|---:|---:|---:|');
  const sample = readdirSync('demo/night-buses')
    .filter((name) => name.endsWith('.txt'))
    .sort()
    .map((name) => readFileSync(`demo/night-buses/${name}`, 'utf8'));
  const collections: [string, readonly string[]][] = [
    ['sample, 36 sources', sample],
    ['known themes, 12 sources', knownThemes(1, 12).texts],
    ['known themes, 100 sources', knownThemes(1, 100).texts],
    ['favourite words, 40 sources', nullCollection('favourite words', 1)],
    ['bursts, 40 sources', nullCollection('bursts', 1)],
  ];
  for (const [name, texts] of collections) {
    const shares = [2, 3, 10].map((part) => {
      const found = falselyDistinct(texts, Math.max(2, Math.round(texts.length / part)));
      return `${found.concepts.toFixed(1)}; ${found.groupings.toFixed(0)}`;
    });
    console.log(`| ${name} | ${shares.join(' | ')} |`);
  }
}
