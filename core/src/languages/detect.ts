import { francAll } from 'franc-min';
import { LANGUAGE_CODES, type LanguageCode } from './language-names.ts';
import { ownValue } from '../base/records.ts';

/** ISO 639-3, as the detector has it, of the languages written with an alphabet. */
const BY_ALPHABET: Readonly<Record<string, LanguageCode>> = {
  eng: 'en',
  deu: 'de',
  fra: 'fr',
  spa: 'es',
  ita: 'it',
  por: 'pt',
  nld: 'nl',
  swe: 'sv',
};
/** The commonest words of each, which even a short text has some of. Our own lists. */
const COMMONEST: readonly (readonly [LanguageCode, readonly string[]])[] = (
  [
    [
      'en',
      'the and of to a in is it that was for on with as i you not be this but my we they have are at or so',
    ],
    [
      'de',
      'der die und ist das nicht ich zu ein eine in mit auf den es sich wir sie dem von war auch für im',
    ],
    [
      'fr',
      'le la les et est de des un une je il ne pas que qui pour dans on ce sur avec nous vous du au mais',
    ],
    ['es', 'el la los las y es de un una que no en yo se por con para lo su del al pero más está muy como'],
    ['it', 'il la i le e è di un una che non in io si per con lo del della al ma più sono ho come gli'],
    ['pt', 'o a os as e é de um uma que não em eu se por com para do da ao mas mais são está muito como'],
    ['nl', 'de het een en is van ik niet dat in op te met voor we ze zijn was er maar ook aan om je'],
    ['sv', 'det och är en ett jag inte att i på som för med vi den av var har till men de om så'],
    // Neighbours that would be taken for one of these: Danish, Norwegian, Catalan, Afrikaans.
    ['other', 'det og er en et jeg ikke at i på som for med vi den af var har til men de om så'],
    ['other', 'det og er en et jeg ikke å i på som for med vi den av var har til men de om så'],
    ['other', 'el la els les i és de un una que no en jo es per amb del al però més està molt com'],
    ['other', 'die en van n is nie dat in ek vir met het om te was hy ons maar wat aan sy my op'],
  ] as const
).map(([code, words]) => [code, words.split(' ')] as const);
/** A common word → the languages it is common in, by their place in `COMMONEST`. */
const COMMON_IN = new Map<string, number[]>();
COMMONEST.forEach(([, words], language) => {
  for (const word of words) COMMON_IN.set(word, [...(COMMON_IN.get(word) ?? []), language]);
});
/** The language that leads has so many times the common words of the next, or letters decide. */
const CLEAR_LEAD = 1.5;
const FEWEST_COMMON = 3;
const FEWEST_DIFFERENT = 2;
/**
 * Of a text of so many words, the commonest are this share or more: in eight languages they are 0.35 to 0.44, in Polish,
 * Czech, Romanian, Finnish and others that share some of these words at most 0.11 of any.
 */
const ENOUGH_WORDS = 40;
const LEAST_SHARE = 0.14;
/** Letter triples tell the language of a text of this many letters or more. */
const ENOUGH_LETTERS = 400;
/** A language that scores less than this of the best is not the one, though the best is none that is known by name. */
const AS_LIKELY = 0.97;

const NO_LETTERS = /[^\p{L}\p{M}]+/u;
const NONE: readonly number[] = [];

/** How often a text has words that are common in a language, and how many different ones. */
interface CommonHits {
  readonly code: LanguageCode;
  readonly hits: number;
  readonly different: number;
}

/**
 * Whether a language leads the next clearly. Of a neighbour, which shares half of its common words with it, only those words
 * are counted that the two do not share.
 */
function isClearLead(best: CommonHits, next: CommonHits | undefined, shared: number): boolean {
  if (!next) return true;
  const areNeighbours = best.code === 'other' || next.code === 'other';
  const both = areNeighbours ? shared : 0;
  return best.hits > both && best.hits - both >= CLEAR_LEAD * (next.hits - both);
}

/** The language whose commonest words a text has most of, where one leads clearly. */
function byCommonWords(text: string): LanguageCode | undefined {
  const hits = new Map<string, number>();
  let words = 0;
  for (const word of text.toLowerCase().split(NO_LETTERS)) {
    if (word !== '') words++;
    if (COMMON_IN.has(word)) hits.set(word, (hits.get(word) ?? 0) + 1);
  }
  const scores = COMMONEST.map(([code, common]) => {
    const said = common.filter((word) => hits.has(word));
    return {
      code,
      said,
      hits: said.reduce((sum, word) => sum + (hits.get(word) ?? 0), 0),
      different: said.length,
    };
  }).sort((a, b) => b.hits - a.hits);
  const [best] = scores;
  const next = scores.find(({ code }) => code !== best.code);
  // One word again and again, as no, no, no, is common in many languages.
  const isEnough =
    best.hits >= FEWEST_COMMON &&
    best.different >= FEWEST_DIFFERENT &&
    (words < ENOUGH_WORDS || best.hits >= LEAST_SHARE * words);
  const shared = best.said.reduce(
    (sum, word) => sum + (next?.said.includes(word) ? (hits.get(word) ?? 0) : 0),
    0,
  );
  return isEnough && isClearLead(best, next, shared) ? best.code : undefined;
}

/** How many of a text's words are the commonest of whichever language it has most of: the, and, of … Language has many. */
export function commonWordsIn(text: string): number {
  const hits = new Int32Array(COMMONEST.length);
  for (const word of text.toLowerCase().split(NO_LETTERS)) {
    for (const language of COMMON_IN.get(word) ?? NONE) hits[language]++;
  }
  return hits.reduce((most, each) => Math.max(most, each), 0);
}

/** Letters that no Latin alphabet has, and few others. */
const BEYOND_LATIN = /[\u0370-\u1dff\ua800-\ud7ff]/u;
/** A text of another script is told by so many letters. */
const FEWEST_LETTERS = 20;

const EAST_ASIAN = /[\p{scx=Hira}\p{scx=Kana}\p{Script=Han}]/u;

/** Characters looked at: more hardly ever change the answer. */
const LOOKED_AT = 3000;

/** The language of each source, empty where it is too short to tell or none of those known, and the one most words are in. */
export interface SourceLanguages {
  readonly of: readonly (LanguageCode | '')[];
  readonly main: LanguageCode;
  /** Whose language was told by the researcher; left out where none was. */
  readonly isTold?: readonly boolean[];
}

/** What was found of a text's language: empty where it can't be told, unsure where its letters alone tell it. */
interface FoundLanguage {
  readonly code: LanguageCode | '';
  readonly isSure: boolean;
}

/** The language a text is written in, empty where that can't be told; by its script, its commonest words, or, where these tell nothing, its letter triples. */
export const detectLanguage = (text: string): LanguageCode | '' => findLanguage(text).code;

/** Other parts of a long text than the one that is looked at first. */
const otherSamples = (text: string): readonly string[] =>
  text.length > 2 * LOOKED_AT
    ? [0, 2, 3].map((quarter) => {
        const start = Math.floor((quarter * text.length) / 4);
        return text.slice(start, start + LOOKED_AT);
      })
    : [];

/** The first answer there is. */
function firstOf<Asked, Answer>(
  asked: readonly Asked[],
  answer: (of: Asked) => Answer | undefined,
): Answer | undefined {
  for (const each of asked) {
    const found = answer(each);
    if (found !== undefined) return found;
  }
  return undefined;
}

function findLanguage(text: string): FoundLanguage {
  const start = text.length > 2 * LOOKED_AT ? text.indexOf(' ', Math.floor(text.length / 4)) + 1 : 0;
  const sample = text.slice(start, start + LOOKED_AT);
  const lettersOf = (): number => sample.match(/\p{L}/gu)?.length ?? 0;
  // Counting by script is slow, and most texts have none of these letters.
  if (EAST_ASIAN.test(sample)) {
    const kana = sample.match(/[\p{scx=Hira}\p{scx=Kana}]/gu)?.length ?? 0;
    const han = sample.match(/\p{Script=Han}/gu)?.length ?? 0;
    if (kana + han > 5 && kana + han > lettersOf() * 0.3)
      return { code: kana > 0.1 * (kana + han) ? 'ja' : 'zh', isSure: true };
  }
  if (BEYOND_LATIN.test(sample)) {
    const letters = lettersOf();
    const latin = sample.match(/\p{Script=Latin}/gu)?.length ?? 0;
    // None of the languages known by name is written so.
    if (letters >= FEWEST_LETTERS && latin < letters / 2) return { code: 'other', isSure: true };
  }
  // A list or a table there may hide what language all else is in.
  const common = byCommonWords(sample) ?? firstOf(otherSamples(text), byCommonWords);
  if (common) return { code: common, isSure: true };
  if (lettersOf() < ENOUGH_LETTERS) return { code: '', isSure: false };
  const likely = francAll(sample, { minLength: 1 }).filter(([, score]) => score >= AS_LIKELY);
  const known = likely.flatMap(([code]) => ownValue(BY_ALPHABET, code) ?? [])[0];
  return { code: known ?? (likely.length > 0 ? 'other' : ''), isSure: false };
}

/**
 * The language of every source: as it is told, or detected. Texts without common words, such as a long list, tell nothing of the main one where
 * any text has some. Ties go to the language named first in `LANGUAGE_CODES`.
 *
 * @param told what the researcher says of each, where anything
 */
export function languagesOf(
  texts: readonly string[],
  told: readonly (LanguageCode | undefined)[] = [],
): SourceLanguages {
  const found = texts.map((text, i): FoundLanguage => {
    const code = told.at(i);
    return code === undefined ? findLanguage(text) : { code, isSure: true };
  });
  const isAnySure = found.some(({ isSure }) => isSure);
  const weight = new Map<LanguageCode, number>();
  found.forEach(({ code, isSure }, i) => {
    if (code !== '' && isSure === isAnySure) weight.set(code, (weight.get(code) ?? 0) + texts[i].length);
  });
  let main: LanguageCode = 'en';
  for (const code of LANGUAGE_CODES) {
    if ((weight.get(code) ?? 0) > (weight.get(main) ?? 0)) main = code;
  }
  // Who writes one of the languages known uses its common words: letters alone bring no further one in.
  const sure = new Set(found.flatMap(({ code, isSure }) => (isSure ? [code] : [])));
  const isBorne = ({ code, isSure }: FoundLanguage): boolean =>
    isSure || !isAnySure || code === 'other' || sure.has(code);
  const isTold = texts.map((_, i) => told.at(i) !== undefined);
  return {
    of: found.map((each) => (isBorne(each) ? each.code : '')),
    main,
    ...(isTold.includes(true) && { isTold }),
  };
}
