import { LANGUAGE_CODES, LANGUAGES, type LanguageCode } from '../languages/language-names.ts';
import { ownValue } from '../base/records.ts';
import { remembered } from '../base/remembered.ts';
import type { StudySource } from './study.ts';

/** What an attribute is called that says in which language a source is. */
const ATTRIBUTE =
  /^(?:language|lang|sprache|langue|idioma|lengua|lingua|língua|taal|språk)(?: of (?:the )?(?:interview|text))?$/iu;

/** What languages call themselves, beside their English names and their codes. */
const OWN_NAMES: readonly (readonly [LanguageCode, string])[] = [
  ['de', 'deutsch'],
  ['fr', 'français'],
  ['fr', 'francais'],
  ['es', 'español'],
  ['es', 'espanol'],
  ['es', 'castellano'],
  ['it', 'italiano'],
  ['pt', 'português'],
  ['pt', 'portugues'],
  ['nl', 'nederlands'],
  ['sv', 'svenska'],
  ['zh', '中文'],
  ['ja', '日本語'],
  ['other', 'other'],
];
const CODE_OF = new Map<string, LanguageCode>([
  ...LANGUAGE_CODES.map((code) => [code, code] as const),
  ...LANGUAGE_CODES.map((code) => [LANGUAGES[code].toLowerCase(), code] as const),
  ...OWN_NAMES.map(([code, name]) => [name, code] as const),
]);

/**
 * The language a word for one means, by its English name, its own or its code; undefined for any other word.
 *
 * @example languageCalled('Deutsch') // 'de'
 */
export const languageCalled = (word: string): LanguageCode | undefined =>
  CODE_OF.get(word.trim().toLowerCase().normalize('NFC'));

/** The attribute by which a study says in which language its sources are, where it has one. */
export function languageAttribute(sources: readonly StudySource[]): string | undefined {
  for (const { attributes } of sources) {
    const name = Object.keys(attributes).find((each) => ATTRIBUTE.test(each.trim()));
    if (name !== undefined) return name;
  }
  return undefined;
}

/** The language each source is told to be in by its attribute *language*, whatever that is called; undefined where by none. */
export const toldLanguages = remembered(
  (sources: readonly StudySource[]): readonly (LanguageCode | undefined)[] => {
    const attribute = languageAttribute(sources);
    if (attribute === undefined) return [];
    return sources.map(({ attributes }) => languageCalled(ownValue(attributes, attribute) ?? ''));
  },
);
