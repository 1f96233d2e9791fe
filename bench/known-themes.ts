import { readFileSync } from 'node:fs';
import { parseLexicon } from '../core/src/languages/en/lexicon.ts';
import { seededRandom, shuffle, type Random } from '../core/src/numeric/random.ts';
import { stopWordsInForce } from '../core/src/concepts/stop-words.ts';

/** A made-up collection with the theme, or themes, of each word that has one. */
export interface KnownThemes {
  readonly texts: readonly string[];
  /** Word → its themes; a word that is missing belongs nowhere. */
  readonly themesOf: ReadonlyMap<string, readonly number[]>;
}

const FUNCTION_WORDS =
  'the a of to and in that it is was for on with as at by we they you he she this but'.split(' ');
const THEMES = 8;
const WORDS_A_THEME = 10;
const IN_TWO_THEMES = 4;
const PRIVATE_WORDS = 5;
/** Sentences with a word of their theme. */
const ON_THEME = 0.8;

let nounList: readonly string[] | undefined;
/** Plain nouns that are nothing else, four to nine letters. */
export function plainNouns(): readonly string[] {
  if (nounList) return nounList;
  const lexicon = parseLexicon(readFileSync(new URL('../core/lexicon/english.txt', import.meta.url), 'utf8'));
  const stops = stopWordsInForce({ language: 'en', own: [] });
  nounList = [...lexicon.senses]
    .filter(
      ([word, [n, v, a, o]]) =>
        /^[a-z]{4,9}$/.test(word) &&
        !word.endsWith('s') &&
        !stops.has(word) &&
        n > 0 &&
        v < 0 &&
        a < 0 &&
        o < 0,
    )
    .map(([word]) => word);
  return nounList;
}

/** Nouns in an order of the seed's. */
export function someNouns(random: Random, count: number): string[] {
  const order = plainNouns().map((_, i) => i);
  shuffle(order, random);
  return order.slice(0, count).map((i) => plainNouns()[i]);
}

/** A place drawn with chances that fall as 1 / (place + shift). */
export const falling = (random: Random, count: number, shift: number): number => {
  let sum = 0;
  for (let i = 0; i < count; i++) sum += 1 / (i + shift);
  let wanted = random() * sum;
  for (let i = 0; i < count; i++) if ((wanted -= 1 / (i + shift)) < 0) return i;
  return count - 1;
};

export const asSentence = (words: readonly string[]): string => {
  const text = words.join(' ');
  return `${text[0].toUpperCase()}${text.slice(1)}.`;
};

/**
 * Eight themes of ten nouns with unequal frequencies, four nouns in two themes; paragraphs of one theme (60 %), of two
 * (30 %), off topic (10 %); unequally frequent filler; five words a source that only it uses, again and again.
 */
export function knownThemes(
  seed: number,
  sources: number,
  wordsPerSource = 700,
  themes = THEMES,
): KnownThemes {
  const random = seededRandom(seed);
  const nouns = someNouns(random, themes * WORDS_A_THEME + 400 + sources * PRIVATE_WORDS);
  const planted = nouns.splice(0, themes * WORDS_A_THEME);
  const filler = nouns.splice(0, 400);
  const words = Array.from({ length: themes }, (_, t) =>
    planted.slice(t * WORDS_A_THEME, (t + 1) * WORDS_A_THEME),
  );
  const themesOf = new Map(planted.map((word, i) => [word, [Math.floor(i / WORDS_A_THEME)]]));
  for (let i = 0; i < IN_TWO_THEMES; i++) {
    // The fourth word of every other theme is said in the next one too.
    const word = words[2 * i][3];
    words[2 * i + 1].push(word);
    themesOf.set(word, [2 * i, 2 * i + 1]);
  }
  const texts = Array.from({ length: sources }, () => {
    const own = nouns.splice(0, PRIVATE_WORDS);
    const paragraphs: string[] = [];
    let written = 0;
    while (written < wordsPerSource) {
      const kind = random();
      const theme = falling(random, themes, 3);
      const other = (theme + 1 + Math.floor(random() * (themes - 1))) % themes;
      const about = kind < 0.6 ? [theme] : kind < 0.9 ? [theme, other] : [];
      const made = Array.from({ length: 2 + Math.floor(random() * 5) }, () => {
        const sentence: string[] = [];
        const length = 4 + Math.floor(random() * 8);
        for (let i = 0; i < length; i++) {
          sentence.push(FUNCTION_WORDS[Math.floor(random() * FUNCTION_WORDS.length)]);
          const chance = random();
          if (chance < 0.28) sentence.push(filler[falling(random, filler.length, 5)]);
          else if (chance < 0.31) sentence.push(own[Math.floor(random() * own.length)]);
        }
        if (about.length > 0 && random() < ON_THEME) {
          const list = words[about[Math.floor(random() * about.length)]];
          const said = 1 + Math.floor(random() * 2);
          for (let i = 0; i < said; i++) {
            const at = 1 + Math.floor(random() * (sentence.length - 1));
            sentence.splice(at, 0, 'the', list[falling(random, list.length, 3)]);
          }
        }
        return asSentence(sentence);
      });
      const paragraph = made.join(' ');
      paragraphs.push(paragraph);
      written += paragraph.split(' ').length;
    }
    return paragraphs.join('\n\n');
  });
  return { texts, themesOf };
}
