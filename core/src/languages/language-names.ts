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

export type LanguageCode = keyof typeof LANGUAGES;

export const LANGUAGE_CODES: readonly LanguageCode[] = [
  'en',
  'de',
  'fr',
  'es',
  'it',
  'pt',
  'nl',
  'sv',
  'zh',
  'ja',
  'other',
];

const NOUNS_IN_CAPITALS: ReadonlySet<LanguageCode> = new Set(['de']);

/** Whether a language writes every noun with a capital, so that a capital tells nothing of names. */
export const writesNounsWithCapitals = (language: LanguageCode): boolean => NOUNS_IN_CAPITALS.has(language);
