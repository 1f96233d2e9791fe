import { seededRandom } from '../core/src/numeric/random.ts';
import { asSentence, falling, someNouns, type KnownThemes } from './known-themes.ts';

const FUNCTION_WORDS =
  'the a of to and in that it is was for on with as at by we they you he she this but'.split(' ');

/**
 * Short answers, each of 5 to 40 words: two in three about one theme, one in ten about two, the rest about none; the themes have ten nouns
 * with unequal frequencies, the filler is unequally frequent.
 */
export function shortAnswers(seed: number, answers = 300, themes = 6): KnownThemes {
  const random = seededRandom(seed);
  const nouns = someNouns(random, themes * 10 + 200);
  const planted = nouns.splice(0, themes * 10);
  const themesOf = new Map(planted.map((word, i) => [word, [Math.floor(i / 10)]]));
  const texts = Array.from({ length: answers }, () => {
    const length = 5 + Math.floor(random() * 36);
    const kind = random();
    const theme = falling(random, themes, 3);
    const other = Math.floor(random() * themes);
    const about = kind < 0.66 ? [theme] : kind < 0.76 ? [theme, other] : [];
    const words: string[] = [];
    while (words.length < length) {
      const chance = random();
      if (about.length > 0 && chance < 0.14) {
        const t = about[Math.floor(random() * about.length)];
        words.push(planted[t * 10 + falling(random, 10, 3)]);
      } else if (chance < 0.3) words.push(nouns[falling(random, nouns.length, 5)]);
      else words.push(FUNCTION_WORDS[Math.floor(random() * FUNCTION_WORDS.length)]);
    }
    return asSentence(words);
  });
  return { texts, themesOf };
}
