import { francAll } from 'franc-min';
import { LANGUAGE_CODES, type LanguageCode } from './language-names.ts';

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
/** Characters looked at: more hardly ever change the answer. */
const LOOKED_AT = 3000;
/** A text with fewer letters than this is too short to tell. */
const FEWEST_LETTERS = 40;

/** The language of each source, empty where it is too short to tell or none of those known, and the one most words are in. */
export interface SourceLanguages {
  readonly of: readonly (LanguageCode | '')[];
  readonly main: LanguageCode;
}

/** The language a text is written in, empty where that can't be told; by its script, or else by its letter triples. */
export function detectLanguage(text: string): LanguageCode | '' {
  const start = text.length > 2 * LOOKED_AT ? text.indexOf(' ', Math.floor(text.length / 4)) + 1 : 0;
  const sample = text.slice(start, start + LOOKED_AT);
  const letters = sample.match(/\p{L}/gu)?.length ?? 0;
  const kana = sample.match(/[\p{scx=Hira}\p{scx=Kana}]/gu)?.length ?? 0;
  const han = sample.match(/\p{Script=Han}/gu)?.length ?? 0;
  if (kana + han > 5 && kana + han > letters * 0.3) return kana > 0.1 * (kana + han) ? 'ja' : 'zh';
  if (letters < FEWEST_LETTERS) return '';
  const [best] = francAll(sample, { minLength: 1, only: Object.keys(BY_ALPHABET) });
  // A language in another script gets no score at all.
  return best && best[1] > 0 ? (BY_ALPHABET[best[0]] ?? '') : '';
}

/** Detects the language of every source. Ties go to the language named first in `LANGUAGE_CODES`. */
export function languagesOf(texts: readonly string[]): SourceLanguages {
  const of = texts.map(detectLanguage);
  const weight = new Map<LanguageCode, number>();
  of.forEach((code, i) => {
    if (code !== '') weight.set(code, (weight.get(code) ?? 0) + texts[i].length);
  });
  let main: LanguageCode = 'en';
  for (const code of LANGUAGE_CODES) {
    if ((weight.get(code) ?? 0) > (weight.get(main) ?? 0)) main = code;
  }
  return { of, main };
}
