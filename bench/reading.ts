import { asking } from '../core/test/examples.ts';
import { plantedStudy } from './collection.ts';
import { medianTime, printTable, told } from './timing.ts';

/** Times reading on a study whose figures are at hand: a search, a concordance, branches, suggestions. */
export function benchReading(words: number): void {
  const study = plantedStudy(words);
  study.compute('themes');
  const { keys } = study.compute('concepts');
  const ask = asking(study);
  const concept = { kind: 'concept', key: keys[0] } as const;
  const works: readonly (readonly [string, (i: number) => void])[] = [
    ['a search', (i) => ask('passages', { selection: { kind: 'search', query: keys[i] }, limit: 30 })],
    [
      'a search for words near each other',
      (i) =>
        ask('passages', {
          selection: { kind: 'search', query: `${keys[i]} near ${keys[i + 1]}` },
          limit: 30,
        }),
    ],
    [
      'a concordance of a frequent word, sorted',
      () => ask('concordance', { selection: concept, order: 'right', context: 60, limit: 200, group: null }),
    ],
    [
      'what follows a frequent word',
      () => ask('branches', { selection: concept, direction: 'after', path: [], lines: 18 }),
    ],
    [
      'where ten concepts stand',
      () => ask('dispersion', { selections: keys.slice(0, 10).map((key) => ({ kind: 'concept', key })) }),
    ],
    ['suggested merges', () => ask('suggestions', { refused: [] })],
  ];
  console.log(`\n## Reading, warm, ${words.toLocaleString('en-GB')} words\n`);
  printTable(
    ['what', 'median ms'],
    works.map(([what, work]) => [what, told(medianTime(work))]),
  );
}
