import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseLexicon } from '../core/src/languages/en/lexicon.ts';
import { seededRandom, shuffle, type Random } from '../core/src/numeric/random.ts';
import { stopWordsInForce } from '../core/src/concepts/stop-words.ts';
import { exampleStudy, type ExampleStudy } from '../core/test/examples.ts';

/** A made-up collection in which it is known which concepts belong to which theme. */
export interface Planted {
  readonly texts: readonly string[];
  /** Theme of each planted concept, by word. */
  readonly themeOf: ReadonlyMap<string, number>;
}

export interface PlantedSettings {
  readonly words: number;
  readonly wordsPerSource?: number;
  readonly themes?: number;
  readonly conceptsPerTheme?: number;
  readonly seed?: number;
}

/** The commonest words, by falling frequency. */
const COMMONEST =
  'the of and to a in that it is was for on with he as you at be this have from or not by are but they we she an'.split(
    ' ',
  );
/** Different words besides the planted ones: as many as two million words of prose have. */
const VOCABULARY = 30_000;

/** Draws from a list with chances falling as 1 / (rank + shift). */
function zipf(count: number, shift: number): (random: Random) => number {
  const sums = new Float64Array(count);
  let sum = 0;
  for (let i = 0; i < count; i++) sums[i] = sum += 1 / (i + shift);
  return (random) => {
    const wanted = random() * sum;
    let low = 0;
    let high = count - 1;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (sums[middle] < wanted) low = middle + 1;
      else high = middle;
    }
    return low;
  };
}

/**
 * Writes a collection: paragraphs of a few sentences, half of them about one theme and so with two or three of its
 * concepts a sentence, among words that belong nowhere. These follow Zipf's law (1949), as in texts that people write, over a
 * vocabulary as large.
 */
export function plantedCollection({
  words,
  wordsPerSource = 800,
  themes = 8,
  conceptsPerTheme = 10,
  seed = 7,
}: PlantedSettings): Planted {
  const random = seededRandom(seed);
  const lexicon = parseLexicon(readFileSync(new URL('../core/lexicon/english.txt', import.meta.url), 'utf8'));
  const stops = stopWordsInForce({ language: 'en', own: [] });
  const known = [...lexicon.senses].filter(
    ([word]) => /^[a-z]{4,10}$/.test(word) && !word.endsWith('s') && !stops.has(word),
  );
  const nouns = known.filter(([, [n, v, a, o]]) => n > 0 && v < 0 && a < 0 && o < 0).map(([word]) => word);
  const others = known.filter(([, [n, v, a]]) => (v > 3 || a > 3) && n <= v + a).map(([word]) => word);
  shuffle(nouns as unknown as number[], random);
  const concepts = nouns.slice(0, themes * conceptsPerTheme);
  const themeOf = new Map(concepts.map((word, i) => [word, Math.floor(i / conceptsPerTheme)]));
  const content = [...nouns.slice(concepts.length, concepts.length + 2500), ...others];
  shuffle(content as unknown as number[], random);
  const rare = known.map(([word]) => word);
  shuffle(rare as unknown as number[], random);
  const vocabulary = [...new Set([...COMMONEST, ...stops.keys(), ...content, ...rare])]
    .filter((word) => /^[a-z]+$/.test(word) && !themeOf.has(word))
    .slice(0, VOCABULARY);
  const pickWord = zipf(vocabulary.length, 1);
  const pickConcept = zipf(conceptsPerTheme, 4);

  const sentence = (theme: number): string => {
    const length = 12 + Math.floor(random() * 14);
    const planted = theme >= 0 && random() < 0.75 ? 2 + Math.floor(random() * 2) : 0;
    const made = Array.from({ length }, () => vocabulary[pickWord(random)]);
    for (let i = 0; i < planted; i++) {
      made.splice(
        1 + Math.floor(random() * (made.length - 1)),
        0,
        concepts[theme * conceptsPerTheme + pickConcept(random)],
      );
    }
    const text = made.join(' ');
    return `${text[0].toUpperCase()}${text.slice(1)}.`;
  };

  const texts: string[] = [];
  let written = 0;
  while (written < words) {
    const paragraphs: string[] = [];
    let inSource = 0;
    while (inSource < wordsPerSource && written < words) {
      const theme = random() < 0.5 ? Math.floor(random() * themes) : -1;
      const paragraph = Array.from({ length: 3 + Math.floor(random() * 4) }, () => sentence(theme)).join(' ');
      paragraphs.push(paragraph);
      const count = paragraph.split(' ').length;
      inSource += count;
      written += count;
    }
    texts.push(paragraphs.join('\n\n'));
  }
  return { texts, themeOf };
}

/** Writes texts into a folder of their own, to be brought in; whoever asks for it removes it. */
export function writeTexts(texts: readonly string[]): { folder: string; paths: string[] } {
  const folder = mkdtempSync(join(tmpdir(), 'thicket-bench-'));
  const paths = texts.map((text, i) => {
    const path = join(folder, `${String(i).padStart(4, '0')}.txt`);
    writeFileSync(path, text);
    return path;
  });
  return { folder, paths };
}

/** A study of a planted collection, whose sources are said by three roles in turn. */
export function plantedStudy(words: number, settings: Omit<PlantedSettings, 'words'> = {}): ExampleStudy {
  const roles = ['nurse', 'driver', 'baker'];
  const { texts } = plantedCollection({ ...settings, words });
  return exampleStudy(
    texts.map((text, i) => ({ name: `${i}.txt`, text, attributes: { role: roles[i % 3] } })),
  );
}
