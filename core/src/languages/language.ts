import type { LanguageCode } from './language-names.ts';

/** A list of stop words under its name. */
export interface StopLayer {
  readonly name: string;
  readonly words: readonly string[];
  /** Whether its words are no concepts by themselves, and parts of phrases all the same: times, as in day ticket. */
  readonly onlyAlone?: boolean;
  /** Whether it goes where numbers are let in. */
  readonly ofNumbers?: boolean;
}

/**
 * What is known of a language at once, whatever the study: its lists and habits of writing. What is large, as a lexicon, comes
 * when it is asked for (`knownBy`). A language is a folder here; nothing else asks which language it is.
 */
export interface Language {
  readonly code: LanguageCode;
  /** Layers of its stop list, each shown under its name; the first are function words. */
  readonly stopLayers: readonly StopLayer[];
  /** What Snowball calls it; undefined where it has no stems there. */
  readonly snowball?: string;
  /** Whether parts of speech and dictionary forms of its words are known (`WordKnowledge`). */
  readonly hasLemmas: boolean;
  /** Phrases in which words of content are words of grammar: a word that mostly stands in them is no concept by itself. */
  readonly fixedPhrases?: readonly string[];
  /** The dictionary that says what its words can mean, where there is one. */
  readonly dictionary?: string;
  /** Whether a word stands for a number or a time, as half, Monday, hour. */
  readonly isNumberWord: (word: string) => boolean;
  /** What a name may end in beside itself: possessive, plural and case, in small letters. */
  readonly nameEndings: readonly string[];
  /** Whether words are written together with an article or a pronoun before an apostrophe, as l'éducation. */
  readonly elides?: boolean;
  /** How its noun phrases are built, where not as (adjective | noun)* noun: *salud pública*, *pomme de terre*. */
  readonly phrases?: NounPhrases;
  /** Whether it writes compounds in one word: Nachtbus. */
  readonly compounds?: boolean;
  /** Whether it writes every noun with a capital, so that a capital tells nothing of names. */
  readonly nounsInCapitals: boolean;
}

/** Noun phrases that begin with their noun. */
export interface NounPhrases {
  readonly nounFirst: true;
  /** Words that join a noun to the one before it, small letters. */
  readonly linkers: ReadonlySet<string>;
}
export const nounFirst = (linkers: string): NounPhrases => ({
  nounFirst: true,
  linkers: new Set(linkers.split(' ')),
});

/** A language of which no more is known than its function words and stems. */
export const languageWith = (
  code: LanguageCode,
  functionWords: readonly string[],
  own: Partial<Language> = {},
): Language => ({
  code,
  stopLayers: functionWords.length > 0 ? [{ name: 'function words', words: functionWords }] : [],
  isNumberWord: () => false,
  nounsInCapitals: false,
  nameEndings: [],
  hasLemmas: false,
  ...own,
});

/** Whether a word in small letters is on a list. */
export function wordsIn(list: string): (word: string) => boolean {
  const words = new Set(listed(list));
  return (word) => words.has(word);
}

/** Phrases, commas between them. */
export const phrasesIn = (list: string): string[] =>
  list
    .trim()
    .split(/,\s*/)
    .filter((phrase) => phrase !== '');

/** The words of a list as it stands in a file. */
export const listed = (text: string): string[] => text.trim().split(/\s+/);
