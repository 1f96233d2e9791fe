import { GERMAN } from './de/language.ts';
import { ENGLISH } from './en/language.ts';
import { SPANISH } from './es/language.ts';
import { FRENCH } from './fr/language.ts';
import { ITALIAN } from './it/language.ts';
import { JAPANESE } from './ja/language.ts';
import { languageWith, type Language } from './language.ts';
import type { LanguageCode } from './language-names.ts';
import { DUTCH } from './nl/language.ts';
import { PORTUGUESE } from './pt/language.ts';
import { SWEDISH } from './sv/language.ts';
import { CHINESE } from './zh/language.ts';

/** Every language by its code; the published stop lists are those of the package stopword (MIT, from the lists its licence names). */
export const LANGUAGE_OF: Readonly<Record<LanguageCode, Language>> = {
  en: ENGLISH,
  de: GERMAN,
  fr: FRENCH,
  es: SPANISH,
  it: ITALIAN,
  pt: PORTUGUESE,
  nl: DUTCH,
  sv: SWEDISH,
  zh: CHINESE,
  ja: JAPANESE,
  other: languageWith('other', []),
};

/** Endings that names have in any of the languages, the longest first, with none as the last. */
export const NAME_ENDINGS: readonly string[] = [
  ...new Set(Object.values(LANGUAGE_OF).flatMap(({ nameEndings }) => nameEndings)),
  '',
].sort((a, b) => b.length - a.length || (a < b ? -1 : 1));
