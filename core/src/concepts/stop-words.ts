import type { StopLayer } from '../languages/language.ts';
import type { LanguageCode } from '../languages/language-names.ts';
import { LANGUAGE_OF } from '../languages/languages.ts';

/** The layers of a language's stop list. */
export const stopLayers = (language: LanguageCode): readonly StopLayer[] => LANGUAGE_OF[language].stopLayers;

const functionWordsFound = new Map<LanguageCode, ReadonlySet<string>>();

/** The function words of a language, as stop lists have them (`stopForm`). */
export function functionWordsOf(language: LanguageCode): ReadonlySet<string> {
  let words = functionWordsFound.get(language);
  if (!words) {
    words = new Set(
      stopLayers(language)
        .slice(0, 1)
        .flatMap(({ words }) => words.map(stopForm)),
    );
    functionWordsFound.set(language, words);
  }
  return words;
}

/** The layers of a language's stop list that a word is on. */
export function layersWith(word: string, language: LanguageCode): string[] {
  const form = stopForm(word.trim());
  return stopLayers(language)
    .filter((layer) => layer.words.some((each) => stopForm(each) === form))
    .map((layer) => layer.name);
}

/** The fixed phrases of a language that a word is part of: where it mostly stands in them it is no concept by itself. */
export function fixedPhrasesWith(word: string, language: LanguageCode): readonly string[] {
  const form = stopForm(word.trim());
  return (LANGUAGE_OF[language].fixedPhrases ?? []).filter((phrase) =>
    phrase.split(' ').some((each) => stopForm(each) === form),
  );
}

/** How a stop word is stopped: it may be no part of a phrase either, or only no concept by itself. */
export type StopWords = ReadonlyMap<string, 'everywhere' | 'alone'>;

/** The stop words in force for a type: those of its language. */
export type StopWordsOf = (type: number) => StopWords;

/** A word as stop lists have it: small letters, straight apostrophes, composed accents. */
export function stopForm(word: string): string {
  return word.toLowerCase().replaceAll('’', "'").normalize('NFC');
}

export interface StopWordSettings {
  /** The language whose published list is in force; none for only the study's own. */
  readonly language: LanguageCode | undefined;
  /** The study's own stop words. */
  readonly own: readonly string[];
  /** Words of the published list that are let back in. */
  readonly allowed?: readonly string[];
  /** Whether numbers and times are let in with their words. */
  readonly numbers?: boolean;
}

/** All stop words in force. A word on the study's own list is stopped whatever is let back in. */
export function stopWordsInForce({
  language,
  own,
  allowed = [],
  numbers = false,
}: StopWordSettings): StopWords {
  const words = new Map<string, 'everywhere' | 'alone'>();
  for (const layer of language ? stopLayers(language) : []) {
    if (numbers && layer.ofNumbers) continue;
    const how = layer.onlyAlone ? 'alone' : 'everywhere';
    for (const word of layer.words) {
      const form = stopForm(word);
      if (!words.has(form)) words.set(form, how);
    }
  }
  for (const word of allowed) words.delete(stopForm(word));
  for (const word of own) words.set(stopForm(word), 'everywhere');
  return words;
}
