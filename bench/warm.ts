import type { Decision } from '../core/src/study/decisions.ts';
import { asking } from '../core/test/examples.ts';
import { plantedStudy } from './collection.ts';
import { median, printTable, timeOf, told } from './timing.ts';

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
    decisions: [0, 1, 2, 3, 4].map(() => ({ kind: 'addStopWords', words: [] })),
  },
  {
    what: 'two concepts merged',
    decisions: [0, 1, 2, 3, 4].map(() => ({ kind: 'mergeConcepts', into: '', keys: [] })),
  },
];

/** A decision about concepts, about some that are kept. */
function aboutConcepts(decision: Decision, keys: readonly string[], time: number): Decision {
  const [first, second] = [keys[time * 3], keys[time * 3 + 1]];
  if (decision.kind === 'dropConcepts') return { ...decision, keys: [first] };
  if (decision.kind === 'addStopWords') return { ...decision, words: [first] };
  if (decision.kind === 'mergeConcepts') return { ...decision, into: first, keys: [second] };
  return decision;
}

/**
 * Times a changed setting or a decision on a study whose figures are at hand: to the list of concepts with all their
 * figures, to the new map, and to the comparison.
 */
export function benchWarm(words: number): void {
  const study = plantedStudy(words);
  const ask = asking(study);
  ask('concepts', null);
  study.compute('map');
  study.compute('comparison');
  const rows = CHANGES.map(({ what, decisions }) => {
    const times = decisions.map((decision, time) => {
      study.decide(aboutConcepts(decision, study.compute('concepts').keys, time));
      const toList = timeOf(() => ask('concepts', null));
      const toMap = toList + timeOf(() => study.compute('map'));
      return [toList, toMap, toMap + timeOf(() => study.compute('comparison'))];
    });
    return [what, ...[0, 1, 2].map((column) => told(median(times.map((each) => each[column]))))];
  });
  console.log(`\n## A change, warm, ${words.toLocaleString('en-GB')} words\n`);
  printTable(
    [
      'change',
      'median ms to the list of concepts',
      'to the map',
      `to the comparison of ${study.state.sources.length} sources`,
    ],
    rows,
  );
}
