/**
 * The languages the study can be read in: with stop words for all but the last, stems or word division where the language
 * has them. Whatever is written in none of them is read word by word as it stands.
 */
export const LANGUAGES = {
  en: 'English',
  de: 'German',
  fr: 'French',
  es: 'Spanish',
  it: 'Italian',
  pt: 'Portuguese',
  nl: 'Dutch',
  sv: 'Swedish',
  zh: 'Chinese',
  ja: 'Japanese',
  other: 'another language',
} as const;

/** The language a text is taken for till it is told. */
export const USUAL_LANGUAGE = 'en';

export type LanguageCode = keyof typeof LANGUAGES;

export const LANGUAGE_CODES = Object.keys(LANGUAGES) as readonly LanguageCode[];
