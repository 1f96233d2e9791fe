import { stopWordsInForce, type StopWords } from '../concepts/stop-words.ts';
import { hashValue } from '../base/hash.ts';
import type { LanguageCode } from '../text/language-names.ts';
import type { SourceLanguages } from '../text/languages.ts';
import type { Lexicon } from '../text/lexicon.ts';
import type { SourceText } from '../text/reading-part.ts';
import type { SentenceTags } from '../text/sentence-tags.ts';
import type { ThemeIdentity } from '../themes/identity.ts';
import { fewestToSpeak } from '../themes/themes.ts';
import type { StudySource, StudyState } from '../study/study.ts';
import { workingSources } from '../study/subset.ts';
import { ownValue } from '../base/records.ts';

/** A study as the stages see it. */
export interface StudyInput {
  readonly state: StudyState;
  /** Letters and members of the themes seen so far. */
  readonly register: readonly ThemeIdentity[];
}

/** What a stage may ask for besides its inputs. */
export interface Resources {
  readonly original: (sourceId: string) => string;
  readonly lexicon: () => Lexicon;
  /** What was tagged so far, and whatever is asked for. */
  readonly tags: SentenceTags;
}

/** What a value that never changes amounts to, found once. */
export function remembered<K extends object, V>(make: (value: K) => V): (value: K) => V {
  const made = new WeakMap<K, V>();
  return (value) => {
    let result = made.get(value);
    if (result === undefined) made.set(value, (result = make(value)));
    return result;
  };
}

/** Which sources these are, and which texts: thousands of them are told by one hash, whatever else is decided. */
export const sourcesHash = remembered((sources: readonly StudySource[]) =>
  hashValue(sources.map(({ id }) => id)),
);
export const textsHash = remembered((sources: readonly StudySource[]) =>
  hashValue(sources.map(({ id, textHash, cuts }) => [id, textHash, cuts ?? []])),
);

export const originalsOf = ({ state }: StudyInput, { original }: Resources): string[] =>
  workingSources(state).map((source) => original(source.id));

/** The texts of the sources worked with, with what is cut from each. */
export function textsOf({ state }: StudyInput, original: Resources['original']): SourceText[] {
  return workingSources(state).map((source) => ({
    original: original(source.id),
    cuts: source.cuts ?? [],
  }));
}

/** The language the study is read in: the one chosen, or the one most of its words are in. */
export function languageOf(state: StudyState, languages: SourceLanguages): LanguageCode {
  const { language } = state.settings.concepts;
  return language === 'auto' ? languages.main : language;
}

/** The choices that decide which words are stopped. */
export function stopWordChoices({ settings, stopWords, allowedWords }: StudyState): unknown {
  const { listedStopWords, language, numbers } = settings.concepts;
  return [listedStopWords, language, numbers, stopWords, allowedWords];
}

/** A study before the researcher stopped any word: what is found of it holds whatever is stopped later. */
export const withoutOwn = (state: StudyState): StudyState => ({ ...state, stopWords: [] });

/** The stop words in force in a study. */
export function stopWordsOf(state: StudyState, languages: SourceLanguages): StopWords {
  const { listedStopWords, numbers } = state.settings.concepts;
  return stopWordsInForce({
    language: listedStopWords ? languageOf(state, languages) : undefined,
    own: state.stopWords,
    allowed: state.allowedWords,
    numbers,
  });
}

/** The label of each concept: the researcher's, or its key. */
export function conceptLabels(state: StudyState, keys: readonly string[]): string[] {
  return keys.map((key) => ownValue(state.conceptLabels, key) ?? key);
}

export function fewestInWindow(state: StudyState): number {
  return fewestToSpeak(state.settings.windows.unit, state.settings.windows.size);
}
