import { exampleStudy } from '../core/test/examples.ts';
import { scoreOf } from '../core/src/concepts/selection.ts';
import { seededRandom } from '../core/src/numeric/random.ts';
import { asSentence, someNouns } from './known-themes.ts';

const KEY_CONCEPTS = 40;
const FILLER = 160;
const THEMES = 8;
const FIRST = 50;

/**
 * A collection in which 40 key concepts keep company by theme, among four times as many filler nouns that are as frequent
 * and stand anywhere. How many of the 40 are among the 50 first by the starting selection's score?
 */
export function plantedAmongEquals(seed: number): number {
  const random = seededRandom(seed);
  const chosen = someNouns(random, KEY_CONCEPTS + FILLER);
  const keys = chosen.slice(0, KEY_CONCEPTS);
  const filler = chosen.slice(KEY_CONCEPTS);
  const perTheme = KEY_CONCEPTS / THEMES;
  const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)];
  const sentence = (theme: number): string => {
    const words: string[] = [];
    for (let i = 0; i < 5; i++)
      words.push(pick(['the', 'a', 'of', 'and', 'was', 'it', 'with']), pick(filler));
    // A key concept is said as often as a filler word: one in five nouns, as they are one in five words.
    if (random() < 0.62)
      words.push(
        'the',
        pick(keys.slice(theme * perTheme, (theme + 1) * perTheme)),
        'and',
        'the',
        pick(keys.slice(theme * perTheme, (theme + 1) * perTheme)),
      );
    return asSentence(words);
  };
  const texts = Array.from({ length: 60 }, () =>
    Array.from({ length: 12 }, () => {
      const theme = Math.floor(random() * THEMES);
      return Array.from({ length: 5 }, () => sentence(theme)).join(' ');
    }).join('\n\n'),
  );
  const study = exampleStudy(texts.map((text, i) => ({ name: `${i}`, text })));
  const candidates = study.compute('candidates');
  const ranked = candidates.keys
    .map((key, i) => ({ key, score: scoreOf(candidates, i) }))
    .sort((a, b) => b.score - a.score || (a.key < b.key ? -1 : 1))
    .slice(0, FIRST)
    .map(({ key }) => key);
  return keys.filter((key) => ranked.includes(key)).length;
}

export function benchPlanted(): void {
  const found = Array.from({ length: 10 }, (_, i) => plantedAmongEquals(i + 1));
  console.log(`\n## Key concepts among filler of equal frequency, 10 seeds\n`);
  console.log(
    `Of ${KEY_CONCEPTS} planted, among the ${FIRST} first: ${found.join(', ')}; the fewest ${Math.min(...found)}.`,
  );
}
