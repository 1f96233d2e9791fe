import { compareGroups } from '../core/src/compare/strength.ts';
import { seededRandom, shuffle } from '../core/src/numeric/random.ts';
import type { ViewName, ViewQuestions } from '../core/src/views/view-keys.ts';
import { asking, type ExampleStudy } from '../core/test/examples.ts';
import { plantedStudy } from './collection.ts';
import { gamma } from './deviates.ts';
import { median, printTable, timeOf, told } from './timing.ts';

type Asked = {
  readonly [V in ViewName]: { readonly what: string; readonly view: V; readonly question: ViewQuestions[V] };
}[ViewName];

/** Every face of Compare and of Links with what it asks. */
const ASKED: readonly Asked[] = [
  { what: 'marks', view: 'compare', question: { rows: { kind: 'themes' } } },
  {
    what: 'marks of a theme’s concepts',
    view: 'compare',
    question: { rows: { kind: 'concepts', letter: 'A' } },
  },
  { what: 'marks of links', view: 'compare', question: { rows: { kind: 'links' } } },
  {
    what: 'over time',
    view: 'overTime',
    question: { rows: { kind: 'themes' }, dates: 'day', span: '', period: 'month', byGroup: true },
  },
  {
    what: 'apart, concepts',
    view: 'apart',
    question: { group: 'a', against: null, of: 'concepts', letter: '', limit: 10 },
  },
  {
    what: 'apart, links',
    view: 'apart',
    question: { group: 'a', against: null, of: 'links', letter: '', limit: 10 },
  },
  { what: 'course', view: 'course', question: { rows: { kind: 'themes' } } },
  { what: 'profiles', view: 'profiles', question: null },
  { what: 'voices', view: 'typical', question: { letter: 'A', byGroup: true, limit: 4 } },
  { what: 'tone', view: 'tone', question: { list: 'AFINN' } },
  { what: 'company', view: 'company', question: { concept: '', limit: 2000 } },
  { what: 'figures of the themes', view: 'themeFigures', question: null },
];

/** Gives the sources of a study two groups by turns and days over three years. */
function grouped(study: ExampleStudy): ExampleStudy {
  const { sources } = study.state;
  const named = (of: (i: number) => string): Record<string, string> =>
    Object.fromEntries(sources.map(({ id }, i) => [id, of(i)]));
  const two = (value: number): string => String(value).padStart(2, '0');
  study.decide({
    kind: 'setValues',
    values: {
      group: named((i) => 'abcd'[i % 4]),
      other: named((i) => 'xyz'[i % 3]),
      day: named((i) => `${2029 + (i % 3)}-${two(1 + (i % 12))}-${two(1 + (i % 28))}`),
    },
  });
  study.decide({ kind: 'setAttributeType', attribute: 'day', type: 'date' });
  return study;
}

/** Times a change of the groups on a study whose themes are at hand, to each face of Compare and Links. */
export function benchComparing(words: number): void {
  const study = grouped(plantedStudy(words));
  const ask = asking(study);
  const [concept] = study.compute('concepts').keys;
  study.compute('themes');
  const rows = ASKED.map(({ what, view, question }) => {
    const times = ['group', 'other', 'group', 'other', 'group'].map((attribute) => {
      study.decide({ kind: 'setCompare', change: { attribute } });
      const asked = view === 'company' ? { ...question, concept } : question;
      return timeOf(() => ask(view, asked as never));
    });
    return [what, told(times[0]), told(median(times))];
  });
  console.log(
    `\n## Comparing, warm, ${words.toLocaleString('en-GB')} words in ${study.state.sources.length} sources\n`,
  );
  printTable(['face', 'ms the first time', 'median ms after a change of groups'], rows);
}

const SOURCES = [3, 6, 12, 18] as const;
const SEEDS = 200;

/**
 * How often groups are told apart where nothing sets them apart, and where something does: sources that differ by an intraclass
 * correlation of .05 dealt to two groups blindly; eight themes, the difference in one of them.
 */
export function benchDifferences(): void {
  const rows = SOURCES.map((each) => {
    const found = (gap: number): number => {
      let any = 0;
      for (let seed = 1; seed <= SEEDS; seed++) {
        const random = seededRandom(seed, each);
        const groupOf = shuffle(
          Int32Array.from({ length: 2 * each }, (_, s) => s % 2),
          random,
        );
        const windows = Int32Array.from({ length: 2 * each }, () => 15 + Math.floor(20 * random()));
        const speaking = new Int32Array(16 * each);
        groupOf.forEach((group, s) => {
          for (let t = 0; t < 8; t++) {
            const mean = 0.12 + (t === 0 && group === 1 ? gap : 0);
            const a = gamma(random, mean * 19);
            const share = a / (a + gamma(random, (1 - mean) * 19));
            for (let w = 0; w < windows[s]; w++) if (random() < share) speaking[s * 8 + t]++;
          }
        });
        const { q } = compareGroups(
          { windows, speaking, rowCount: 8, overlap: 1 },
          groupOf,
          ['a', 'b'],
          seed,
        );
        if (gap === 0 ? q.some((value) => value < 0.05) : q[0] < 0.05) any++;
      }
      return (100 * any) / SEEDS;
    };
    return [`${each} + ${each}`, found(0).toFixed(1), found(0.1).toFixed(0), found(0.2).toFixed(0)];
  });
  console.log(`\n## Differences of strength, ${SEEDS} seeds, in %\n`);
  printTable(
    ['sources', 'any found where there is none', 'found, 10 points more in one theme', '20 points more'],
    rows,
  );
}
