import { exampleStudy } from '../core/test/examples.ts';
import type { Decision } from '../core/src/study/decisions.ts';
import { plantedCollection } from './collection.ts';

const CHANGES: readonly { readonly what: string; readonly decisions: readonly Decision[] }[] = [
  {
    what: 'cut-off',
    decisions: [0.12, 0.15, 0.18, 0.2, 0.22].map((cutOff) => ({ kind: 'setLinks', change: { cutOff } })),
  },
  { what: 'window', decisions: [2, 4, 5, 6, 7].map((size) => ({ kind: 'setWindows', change: { size } })) },
  {
    what: 'number of concepts',
    decisions: [70, 75, 85, 90, 60].map((size) => ({ kind: 'setConcepts', change: { size } })),
  },
  {
    what: 'resolution',
    decisions: [0.8, 1.2, 1.5, 1.7, 2].map((resolution) => ({ kind: 'setThemes', change: { resolution } })),
  },
  {
    what: 'a dropped concept',
    decisions: [0, 1, 2, 3, 4].map(() => ({ kind: 'dropConcepts', keys: [] })),
  },
  {
    what: 'a stop word',
    decisions: ['time', 'house', 'road', 'water', 'music'].map((word) => ({
      kind: 'addStopWords',
      words: [word],
    })),
  },
];

/** Times a changed setting on a study whose figures are at hand, from the decision to the new map and comparison. */
export function benchWarm(words: number): void {
  const { texts } = plantedCollection({
    words,
    wordsPerSource: 800,
    themes: 8,
    conceptsPerTheme: 10,
    seed: 7,
  });
  const study = exampleStudy(
    texts.map((text, i) => ({
      name: `${i}.txt`,
      text,
      attributes: { role: ['nurse', 'driver', 'baker'][i % 3] },
    })),
  );
  study.compute('map');
  study.compute('comparison');
  console.log(`\n## A changed setting, warm, ${words.toLocaleString('en-GB')} words\n`);
  console.log(`| change | median ms to map | and to comparison of ${texts.length} sources |`);
  console.log('|---|---:|---:|');
  for (const { what, decisions } of CHANGES) {
    const times = decisions.map((decision, i) => {
      const { keys } = study.compute('concepts');
      study.decide(
        decision.kind === 'dropConcepts' ? { kind: 'dropConcepts', keys: [keys[i * 3]] } : decision,
      );
      const started = performance.now();
      study.compute('map');
      const toMap = performance.now() - started;
      study.compute('comparison');
      return [toMap, performance.now() - started] as const;
    });
    const medians = [0, 1].map((column) =>
      Math.round(times.map((each) => each[column]).sort((a, b) => a - b)[2]),
    );
    console.log(`| ${what} | ${medians.join(' | ')} |`);
  }
}
