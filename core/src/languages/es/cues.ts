import { byRules, cueWords, type Cues } from '../cues.ts';

const RULED = byRules([
  [/iones$/, 'ión', true],
  [/ces$/, 'z', true],
  [/(?<=[aeiou])nes$/, 'n', false],
  [/ones$/, 'ón', false],
  [/(?<=(?<!l)[lrndjyz])es$/, '', true],
  [/(?<=[aeéioó])s$/, '', true],
  [/(?<=s)es$/, '', false],
]);

const bare = (word: string): string =>
  word
    .normalize('NFD')
    .replace(/\u0301/g, '')
    .normalize('NFC');
const acute = (vowel: string): string => `${vowel}\u0301`.normalize('NFC');

/** Words in -n, whose accent moves with the syllable a plural has more: imágenes, imagen; jardines, jardín; trenes, tren. */
function inN(plural: string): string[] {
  const [, stem, vowel] = /^(.*)([aeiouáéíóú])nes$/.exec(plural) ?? [];
  if (stem === undefined) return [];
  if (/[áéíóú]/.test(plural)) return [`${bare(stem)}${vowel}n`];
  return [/[aeiou]/.test(stem) ? `${stem}${acute(vowel)}n` : `${stem}${vowel}n`];
}

/** What tells parts of speech in Spanish. */
export const SPANISH_CUES: Cues = {
  beforeNouns: cueWords(`
    primer primera primeros último última últimos últimas nuevo nueva nuevos nuevas gran grandes buen buena malo mejor
    mejores peor mayor único única próximo próxima antiguo antigua viejo vieja
    el un una unos unas del al este esta estos estas ese esa esos esas aquel aquella aquellos aquellas mi mis tu tus
    su sus nuestro nuestra nuestros nuestras cada otro otra otros otras mucho mucha muchos muchas poco poca pocos
    pocas algún alguna algunos algunas ningún ninguna varios varias todo toda dos tres cuatro cinco seis siete ocho
    nueve diez
  `),
  beforeVerbs: cueWords(`
    yo tú él ella nosotros nosotras ellos ellas usted ustedes se me te nos le les no ya que quien he has ha hemos han
    había habían puede pueden puedo quiero quiere hay voy va vamos van está están estaba estaban
  `),
  prepositions: cueWords(`
    a para de en con por sin sobre entre hacia contra según durante desde hasta
  `),
  others: cueWords(`
    más menos muy tan tanto bien mal aquí allí ahora luego entonces así también tampoco siempre nunca jamás ya todavía
    aún casi quizás quizá además sólo solo apenas hoy ayer mañana después antes cuando como donde mientras porque pues
    aunque pero sino si cual cuales cuyo mismo misma mismos mismas tal tales propio propia propios propias siguiente
    siguientes demás cualquier sí
  `),
  either: cueWords('la los las lo'),
  infinitiveEndings: /(?:ar|er|ir)(?:se|lo|la|los|las|le|les)?$/,
  nounEndings:
    /(?:ción|ciones|sión|siones|dad|dades|tad|tades|miento|mientos|ura|uras|eza|ezas|anza|anzas|encia|encias|ancia|ancias|ismo|ismos|ista|istas|aje|ajes|tud|tudes|dor|dores|tora|toras)$/,
  verbEndings:
    /(?:ar|er|ir|arse|erse|irse|ando|iendo|aba|aban|ábamos|aron|ieron|ará|arán|erá|erán|aría|ería|amos|emos|imos|ado|ido|ados|idos)$/,
  adjectiveEndings:
    /(?:oso|osa|osos|osas|ivo|iva|ivos|ivas|able|ables|ible|ibles|ico|ica|icos|icas|al|ales|ario|aria|arios|arias|ante|antes|iente|ientes)$/,
  otherEndings: /mente$/,
  singulars: (plural) => [...inN(plural).map((form) => ({ form, sure: true })), ...RULED(plural)],
  nounFirst: true,
};
