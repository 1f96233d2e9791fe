import { cueWords, type Cues } from '../cues.ts';

const CONSONANT = '[bcdfghjklmnpqrstvwxz]';
/** Long vowels are written once before a syllable, and twice in the singular: ramen, raam. */
const LONG = new RegExp(`(?<![aeiou])([aeou])(${CONSONANT})$`);
/** What ends in two vowels, or in two consonants, loses its ending only: boeken, lampen. */
const CLOSED = new RegExp(`(?:[aeiou]{2}|ij|${CONSONANT})${CONSONANT}$`);
const DOUBLED = new RegExp(`(${CONSONANT})\\1$`);
/** Words with a longer plural. */
const LONGER = /^(.*(?:kind|ei|lied|blad|kleed|goed|hoen|kalf|lam|rund))eren$/;

/** Nouns in -en that are no plurals. */
const SINGULAR = cueWords(`
  haven regen keuken wagen leven oven deken teken toren kussen gegeven examen eten heden verleden vermogen optreden geheugen
  laken leugen molen open oosten westen noorden zuiden reden schouwen tegen wapen weten zegen gordijnen noten
`);
/** Plurals with another vowel, or a short one that is written as a long one is, by the last part of the word. */
const SHORT = new Map(
  `schepen schip steden stad leden lid smeden smid dagen dag wegen weg glazen glas daken dak vaten vat gaten gat graven graf
  hoven hof holen hol loten lot sloten slot spelen spel staven staf slagen slag bevelen bevel gebreken gebrek gebeden gebed
  oorlogen oorlog goden god paden pad baden bad bladen blad schoten schot`
    .trim()
    .split(/\s+/)
    .reduce<[string, string][]>(
      (pairs, word, i, all) => (i % 2 ? pairs : [...pairs, [word, all[i + 1]]]),
      [],
    ),
);
/** Of an ending without stress the vowel is short: *aardappelen*. */
const UNSTRESSED = /[aeiouy].*[^aeiou]e[lrnm]$/;

/** Singulars of Dutch plurals, the likeliest spelling first; and adjectives without their ending. */
function singulars(plural: string): ReturnType<Cues['singulars']> {
  const found: { form: string; sure: boolean }[] = [];
  const add = (form: string, sure = false): void => {
    if (form !== plural && form.length > 2) found.push({ form, sure });
  };
  const hard = (stem: string): string => stem.replace(/z$/, 's').replace(/v$/, 'f');
  add(plural.replace(/heden$/, 'heid'), true);
  add(plural.replace(/(lijk|ig|isch)e$/, '$1'), true);
  add(plural.replace(/'s$/, ''), true);
  add(plural.replace(LONGER, '$1'), true);
  if (/(?:e[lrnm]|aar|je|ie|on)s$/.test(plural)) add(plural.slice(0, -1), true);
  for (const [many, one] of SHORT)
    if (plural.endsWith(many)) add(plural.slice(0, plural.length - many.length) + one, true);
  if (/en$/.test(plural) && !SINGULAR.has(plural)) {
    const stem = plural.slice(0, -2);
    if (DOUBLED.test(stem)) add(stem.slice(0, -1), true);
    else if (CLOSED.test(stem)) add(hard(stem), true);
    else if (/[st]or$/.test(stem)) add(stem, true);
    else if (UNSTRESSED.test(stem)) {
      add(`${stem}e`);
      add(stem, true);
    } else if (LONG.test(stem)) add(hard(stem.replace(LONG, '$1$1$2')), true);
    add(hard(stem));
  }
  if (/s$/.test(plural)) add(plural.slice(0, -1));
  return found;
}

/** What tells parts of speech in Dutch. */
export const DUTCH_CUES: Cues = {
  beforeNouns: cueWords(`
    de een dit deze die mijn jouw uw zijn haar ons onze hun elk elke ieder iedere geen veel weinig enkele sommige alle
    beide twee drie vier vijf zes zeven acht negen tien
  `),
  beforeVerbs: cueWords(`
    ik jij je hij zij ze wij we jullie u men niet te er heb hebt heeft hebben had hadden ben bent is was waren wordt worden werd
    kan kunnen kon moet moeten wil willen zal zullen zou mag
  `),
  prepositions: cueWords(`
    van in op met aan voor bij naar uit over door tegen onder tussen zonder tijdens sinds vanaf via
  `),
  others: cueWords(`
    ook nog al wel dan toen nu hier daar waar dus maar want omdat terwijl als of indien hoewel toch zeer heel erg meer
    minder meest altijd nooit vaak soms misschien bijna alleen samen weer steeds eerst daarna vervolgens verder
    bovendien echter daarom waarom hoe wanneer zodat zoals volgende eigen zelf andere anders zelfde dezelfde hetzelfde
    oud oude jong jonge hoog hoge laag lage lang lange kort korte vol volle leeg lege koud koude warm warme belangrijk
    belangrijke zwaar zware zwart zwarte wit witte rood rode arm arme rijk rijke mooi mooie duur dure vol nieuw nieuwe groot grote goed goede klein kleine beschikbaar mogelijk nodig kunt moeten via vanaf indien binnen
    buiten gisteren vandaag morgen beter best genoeg slechts ongeveer ja nee
  `),
  either: cueWords('het dat'),
  infinitiveEndings: /en$/,
  nounEndings:
    /(?:ing|ingen|heid|heden|schap|schappen|teit|teiten|atie|aties|isme|ist|isten|aar|aars|tje|tjes|pje|pjes|kje|kjes)$/,
  verbEndings: /(?:eren|eerde|eerden|eert)$|^ge.{3,}(?:d|t|en|de|te)$|^(?:ver|be|ont|her).{2,}(?:d|t|de|te)$/,
  adjectiveEndings:
    /(?:lijk|lijke|ig|ige|isch|ische|baar|bare|zaam|zame|loos|loze|achtig|achtige|eerd|eerde)$/,
  otherEndings: /(?:waarts|gewijs)$/,
  singulars,
  nounFirst: false,
};
