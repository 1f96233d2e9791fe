import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { scoreOf } from '../core/src/concepts/selection.ts';
import { exampleStudy } from '../core/test/examples.ts';
import { printTable } from './timing.ts';

/** A text of a collection. */
export interface HalvedText {
  readonly name: string;
  readonly text: string;
}

const FIRST = 80;
const CHOSEN = 120;
/** Sources that are left out, one at a time. */
const LEFT_OUT = 8;
/** Characters of a text that are read. */
const READ = 30_000;

/** The first concepts by the starting selection's score, of those in three sources or more. */
function firstOf(texts: readonly HalvedText[], count: number): string[] {
  const candidates = exampleStudy(texts).compute('candidates');
  return candidates.keys
    .map((key, i) => ({ key, i, score: scoreOf(candidates, i) }))
    .filter(({ i, score }) => score > 0 && candidates.sources[i] >= 3)
    .sort((a, b) => b.score - a.score || (a.key < b.key ? -1 : 1))
    .slice(0, count)
    .map(({ key }) => key);
}

const sharedBy = (some: readonly string[], others: readonly string[]): number =>
  some.filter((key) => others.includes(key)).length;

/** How many of the first 80 concepts both halves of a collection share: every other text, and the rest. */
export function sharedByHalves(texts: readonly HalvedText[]): number {
  const [one, other] = [0, 1].map((k) =>
    firstOf(
      texts.filter((_, i) => i % 2 === k),
      FIRST,
    ),
  );
  return sharedBy(one, other);
}

/** How many of the first 120 concepts are others where one text is left out, in the mean of eight. */
export function exchangedByOne(texts: readonly HalvedText[]): number {
  const all = firstOf(texts, CHOSEN);
  const places = Array.from({ length: LEFT_OUT }, (_, k) =>
    Math.floor(((k + 0.5) * texts.length) / LEFT_OUT),
  );
  const exchanged = places.map(
    (place) =>
      all.length -
      sharedBy(
        all,
        firstOf(
          texts.filter((_, i) => i !== place),
          CHOSEN,
        ),
      ),
  );
  return exchanged.reduce((sum, each) => sum + each, 0) / LEFT_OUT;
}

/** Prints how far the concepts chosen hang on which texts there are, of speeches in a folder. */
export function benchHalves(folder: string): void {
  const names = readdirSync(folder)
    .filter((name) => /^\d{4}_/.test(name))
    .sort();
  const every = (step: number, from = 0): HalvedText[] =>
    names
      .slice(from)
      .filter((_, i) => i % step === 0)
      .map((name) => ({ name, text: readFileSync(join(folder, name), 'utf8').slice(0, READ) }));
  const collections = {
    'sixty of all years': every(Math.floor(names.length / 60)).slice(0, 60),
    'the last thirty': every(1, names.length - 30),
  };
  console.log('\n## Concepts of halves, and without one source: speeches\n');
  printTable(
    ['', 'shared by halves, of 80', 'exchanged without one, of 120'],
    Object.entries(collections).map(([name, texts]) => [
      name,
      String(sharedByHalves(texts)),
      exchangedByOne(texts).toFixed(1),
    ]),
  );
}
