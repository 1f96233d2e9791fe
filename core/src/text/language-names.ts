/** The languages the study can be read in: with stop words for all, stems or word division where the language has them. */
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
];
