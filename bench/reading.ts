import { makeView } from '../core/src/study/views.ts';
import { finish } from '../core/src/numeric/stepwise.ts';
import type { ViewName, ViewQuestions } from '../core/src/study/view-types.ts';
import { englishLexicon, exampleStudy } from '../core/test/examples.ts';
import { plantedCollection } from './collection.ts';

const REPEATS = 5;

/** Times reading on a study whose figures are at hand: a search, a concordance, branches, suggestions, and a decision. */
export function benchReading(words: number): void {
  const { texts } = plantedCollection({
    words,
    wordsPerSource: 800,
    themes: 8,
    conceptsPerTheme: 10,
    seed: 7,
  });
  const study = exampleStudy(texts.map((text, i) => ({ name: `${i}.txt`, text })));
  study.compute('themes');
  const { keys } = study.compute('concepts');
  const context = () => ({
    engine: study.engine,
    study: study.input(),
    original: study.original,
    lexicon: englishLexicon,
  });
  const ask = <V extends ViewName>(view: V, question: ViewQuestions[V]): unknown =>
    finish(makeView(view, question, context()));
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
      () => ask('branches', { selection: concept, direction: 'after', path: [] }),
    ],
    [
      'where ten concepts stand',
      () => ask('dispersion', { selections: keys.slice(0, 10).map((key) => ({ kind: 'concept', key })) }),
    ],
    ['suggested merges', () => ask('suggestions', { refused: [] })],
    [
      'a dropped concept, to the list of concepts',
      (i) => {
        study.decide({ kind: 'dropConcepts', keys: [keys[20 + i]] });
        study.compute('concepts');
      },
    ],
  ];
  console.log(`\n## Reading, warm, ${words.toLocaleString('en-GB')} words\n`);
  console.log('| what | median ms |');
  console.log('|---|---:|');
  for (const [what, work] of works) {
    const times = Array.from({ length: REPEATS }, (_, i) => {
      const started = performance.now();
      work(i);
      return performance.now() - started;
    });
    console.log(`| ${what} | ${Math.round(times.sort((a, b) => a - b)[REPEATS >> 1])} |`);
  }
}
