import { readdirSync, readFileSync } from 'node:fs';
import { addSource, distinctiveness, emptySide } from '../core/src/concepts/distinct.ts';
import { seededRandom, shuffle } from '../core/src/numeric/random.ts';
import { wordsPerSource } from '../core/src/text/tokens.ts';
import { exampleStudy } from '../core/test/examples.ts';
import { knownThemes } from './known-themes.ts';
import { nullCollection } from './nulls.ts';

const GROUPINGS = 40;

/** Of groups drawn at random: the share of concepts, of those mentioned ten times or more, that are beyond ±1.96. */
export function falselyDistinct(texts: readonly string[], inGroup: number): number {
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
  let [beyond, tried] = [0, 0];
  for (let grouping = 0; grouping < GROUPINGS; grouping++) {
    const order = shuffle(
      texts.map((_, i) => i),
      seededRandom(grouping + 1),
    );
    const [group, rest] = [emptySide(keys.length), emptySide(keys.length)];
    order.forEach((s, place) => addSource(place < inGroup ? group : rest, bySource[s], words[s]));
    distinctiveness(group, rest).forEach((z, i) => {
      if (mentions[i] < 10) return;
      tried++;
      if (Math.abs(z) > 1.96) beyond++;
    });
  }
  return (100 * beyond) / tried;
}

export function benchDistinct(): void {
  console.log('\n## Concepts “distinct” of groups drawn at random, in %\n');
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
    const shares = [2, 3, 10].map((part) =>
      falselyDistinct(texts, Math.max(2, Math.round(texts.length / part))).toFixed(1),
    );
    console.log(`| ${name} | ${shares.join(' | ')} |`);
  }
}
