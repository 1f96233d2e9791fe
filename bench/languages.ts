import { readFileSync } from 'node:fs';
import { finish, inOneStep } from '../core/src/base/stepwise.ts';
import { decide } from '../core/src/study/decisions.ts';
import { Engine } from '../core/src/engine/engine.ts';
import { CUED } from '../core/src/languages/cued.ts';
import { knownBy } from '../core/src/languages/known-by.ts';
import type { LanguageCode } from '../core/src/languages/language-names.ts';
import { cuedKnowledge } from '../core/src/text/words/word-knowledge.ts';
import { seededRandom } from '../core/src/numeric/random.ts';
import { englishKnowledge, englishLexicon, exampleStudy } from '../core/test/examples.ts';
import { plantedCollection } from './collection.ts';
import { medianTime, printTable, told } from './timing.ts';

const dictionaryText = (name: string): string =>
  readFileSync(new URL(`../core/lexicon/${name}.txt`, import.meta.url), 'utf8');

/** Words of a language in the frequencies that words have, with articles and pronouns between them. */
function textIn(language: LanguageCode, words: number): string {
  const { cues, dictionary = language === 'nl' ? 'german' : 'french' } = CUED[language] ?? {};
  const stems = dictionaryText(dictionary).split('\n%\n')[2].split('\n');
  const vocabulary = stems.flatMap((line) => line.split(' ').slice(1)).slice(0, 20_000);
  const small = [...(cues?.beforeNouns ?? []), ...(cues?.beforeVerbs ?? [])];
  const random = seededRandom(7);
  const said: string[] = [];
  for (let i = 0; i < words; i++) {
    const isSmall = random() < 0.45;
    const list = isSmall ? small : vocabulary;
    // Zipf: the rank is spread evenly over its logarithm.
    const word = list[Math.floor(list.length ** random()) - 1] ?? list[0];
    said.push(i % 12 === 11 ? `${word}.` : word);
  }
  return said.join(' ');
}

/** Times what parts of speech and dictionary forms take, by language, the dictionary being at hand. */
export function benchLanguages(words: number): void {
  englishLexicon();
  const cued = knownBy(
    cuedKnowledge((name, make) =>
      inOneStep(() => make(name === undefined ? undefined : dictionaryText(name))),
    ),
  );
  const rows = (['en', ...Object.keys(CUED)] as LanguageCode[]).map((language) => {
    const texts =
      language === 'en'
        ? plantedCollection({ words }).texts.map((text, i) => ({ name: `${i}.txt`, text }))
        : [{ name: 'a.txt', text: textIn(language, words) }];
    const study = exampleStudy(texts);
    study.state = decide(study.state, { kind: 'setConcepts', change: { language } });
    const time = medianTime(() => {
      const engine = new Engine({
        original: study.original,
        words: language === 'en' ? englishKnowledge.words : cued,
      });
      finish(engine.compute('terms', study.input()));
    });
    return [language, told(time), told((1000 * words) / time)];
  });
  console.log(
    `\n## Tokens, parts of speech and dictionary forms, ${told(words)} words, cold (medians of 5)\n`,
  );
  printTable(['language', 'ms', 'words a second'], rows);
}
