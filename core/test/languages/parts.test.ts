import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { ADJECTIVE, NOUN, OTHER_PART, VERB } from '../../src/languages/en/lexicon.ts';
import { CUED } from '../../src/languages/cued.ts';
import { LANGUAGE_OF } from '../../src/languages/languages.ts';
import { parseWordForms, withCompounds } from '../../src/languages/word-forms.ts';
import { readCapitals } from '../../src/concepts/capitals.ts';
import { readTerms } from '../../src/concepts/terms.ts';
import { partsByNeighbours, type CuedWords } from '../../src/text/words/parts-by-neighbours.ts';
import { ANNOTATED, FRESH } from './annotated.ts';
import { LONGER } from './annotated-longer.ts';
import { ENGLISH_ANNOTATED } from './annotated-english.ts';
import { englishParts, englishWords, tokensOf } from '../examples.ts';

type Annotated = keyof typeof ANNOTATED;
const PARTS: Readonly<Record<string, number>> = { n: NOUN, v: VERB, a: ADJECTIVE, x: OTHER_PART };

export function wordsOf(language: Annotated): CuedWords {
  const { cues, dictionary } = CUED[language] ?? {};
  if (!cues) throw new Error(`There are no cues for ${language}.`);
  const { nounsInCapitals } = LANGUAGE_OF[language];
  if (!dictionary) return { cues, nounsInCapitals };
  const forms = parseWordForms(
    readFileSync(new URL(`../../lexicon/${dictionary}.txt`, import.meta.url), 'utf8'),
  );
  return { cues, nounsInCapitals, forms: nounsInCapitals ? withCompounds(forms) : forms };
}

interface Expected {
  readonly word: string;
  readonly part: number;
  readonly lemma: string;
}

/** The sentences without what is said of their words, and what is said, in order. */
function parse(list: string): { text: string; expected: Expected[] } {
  const expected: Expected[] = [];
  const text = list
    .trim()
    .replace(/(\S+?)\/([nvax])(?::([\p{L}-]+))?/gu, (_, word: string, part: string, lemma?: string) => {
      expected.push({ word, part: PARTS[part], lemma: lemma ?? word.replace(/^(?:l|j|d|dell|all)’/i, '') });
      return word;
    });
  return { text, expected };
}

/** Shares of words whose part of speech and dictionary form are right, with what is wrong. */
function judge(
  list: typeof ANNOTATED,
  language: Annotated,
): { parts: number; lemmas: number; wrong: string[] } {
  const { text, expected } = parse(list[language]);
  const words = wordsOf(language);
  const tokens = tokensOf(text);
  const capitals = readCapitals(tokens, [text]);
  const parts = partsByNeighbours(tokens, words, words.nounsInCapitals ? capitals : undefined);
  const terms = readTerms(tokens, parts, { cued: words }, 'lemma', LANGUAGE_OF[language], capitals.inner);
  const wrong: string[] = [];
  let [rightParts, rightLemmas] = [0, 0];
  let t = 0;
  for (const { word, part, lemma } of expected) {
    const form = word.toLowerCase();
    while (t < tokens.type.length && tokens.forms[tokens.type[t]] !== form) t++;
    expect(t, `${word} is a token`).to.be.below(tokens.type.length);
    const type = tokens.type[t++];
    const found = terms.labels[terms.ofType[type]];
    if (parts.part[type] === part) rightParts++;
    else wrong.push(`${word}: part ${parts.part[type]}, not ${part}`);
    if (found.toLowerCase() === lemma.toLowerCase()) rightLemmas++;
    else wrong.push(`${word}: ${found}, not ${lemma}`);
  }
  return { parts: rightParts / expected.length, lemmas: rightLemmas / expected.length, wrong };
}

/** Least shares right of the sentences the rules were made with, and of those that were written afterwards (docs/languages.md). */
const LEAST = [
  { name: 'that it was made with', list: ANNOTATED, parts: 0.93, lemmas: 0.92 },
  { name: 'written afterwards', list: FRESH, parts: 0.8, lemmas: 0.8 },
  { name: 'as people talk, written afterwards', list: LONGER, parts: 0.9, lemmas: 0.9 },
] as const;

describe('parts of speech and dictionary forms by forms and neighbours', () => {
  for (const { name, list, ...least } of LEAST) {
    for (const language of Object.keys(ANNOTATED) as Annotated[]) {
      it(`are right in most words of sentences ${name}: ${language}`, () => {
        const { parts, lemmas, wrong } = judge(list, language);
        if (process.env['SHOW'])
          console.log(name, language, parts.toFixed(3), lemmas.toFixed(3), wrong.join('; '));
        expect(parts, wrong.join('; ')).to.be.at.least(least.parts);
        expect(lemmas, wrong.join('; ')).to.be.at.least(least.lemmas);
      });
    }
  }
});

describe('parts of speech by what stands around a word', () => {
  it('are right of English, as people talk, written beforehand', () => {
    const wrong: string[] = [];
    let [parts, lemmas, words, forms] = [0, 0, 0, 0];
    for (const line of ENGLISH_ANNOTATED.trim().split('\n')) {
      const { text, expected } = parse(line);
      const tokens = tokensOf(text);
      const found = englishParts(tokens);
      const terms = readTerms(tokens, found, englishWords(), 'lemma', LANGUAGE_OF.en, undefined);
      for (const { word, part, lemma } of expected) {
        const type = tokens.forms.indexOf(word.toLowerCase());
        const readings = expected.filter((each) => each.word.toLowerCase() === word.toLowerCase());
        // What is a noun and a verb in one sentence counts as a noun.
        const wanted = readings.some((each) => each.part === NOUN) ? NOUN : part;
        words++;
        if (found.part[type] === wanted) parts++;
        else wrong.push(`${word}: part ${found.part[type]}, not ${wanted}`);
        if (readings.some((each) => each.part !== part)) continue;
        forms++;
        const label = terms.labels[terms.ofType[type]];
        if (label === lemma.toLowerCase()) lemmas++;
        else wrong.push(`${word}: ${label}, not ${lemma}`);
      }
    }
    if (process.env['SHOW']) console.log('en', (parts / words).toFixed(3), (lemmas / forms).toFixed(3));
    expect(words).to.be.at.least(200);
    // Each sentence alone: a study has more places to tell from.
    expect(parts / words, wrong.join('\n')).to.be.at.least(0.92);
    expect(lemmas / forms, wrong.join('\n')).to.be.at.least(0.95);
  });
});
