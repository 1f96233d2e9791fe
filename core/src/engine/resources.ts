import { stopWordsInForce, type StopWordsOf } from '../concepts/stop-words.ts';
import type { StudyState } from '../study/study.ts';
import type { LanguageCode } from '../languages/language-names.ts';
import type { Lexicon } from '../languages/en/lexicon.ts';
import type { Stepwise } from '../base/stepwise.ts';
import type { SourceText } from '../text/reading-part.ts';
import type { WordLanguages } from '../text/words/word-languages.ts';
import type { KnownOf } from '../languages/known-by.ts';
import type { WordKnowledge } from '../text/words/word-knowledge.ts';
import type { ThemeIdentity } from '../themes/identity.ts';
import { ownValue } from '../base/records.ts';
import type { Helpers } from './jobs.ts';
import type { KnownText, StopWordChoices } from './stage-keys.ts';

/** A study as the engine sees it. */
export interface StudyInput {
  readonly state: StudyState;
  /** Letters and members of the themes seen so far. */
  readonly register: readonly ThemeIdentity[];
}

/** What a text and a language give, whatever the study says: the same for the same ids and hashes. */
export interface Library {
  readonly original: (sourceId: string) => string;
  /** What is known of the words of each language. */
  readonly words: KnownOf<WordKnowledge>;
  /** Who does parts of long work, where there is anybody. */
  readonly helpers?: Helpers;
}

/** What a stage may ask for besides its inputs. */
export interface Resources extends Library {
  /** Says only which letters to go on with: a result that is at hand keeps the letters it has, so no key is made of it. */
  readonly register: readonly ThemeIdentity[];
}

/** Texts as they are read, with what is cut from each. */
export const textsOf = (texts: readonly KnownText[], original: Library['original']): SourceText[] =>
  texts.map(({ id, cuts = [] }) => ({ original: original(id), cuts }));

/** The lexicon of the first of some languages that has one. */
export function* lexiconOf(
  read: readonly LanguageCode[],
  words: Library['words'],
): Stepwise<Lexicon | undefined> {
  for (const language of read) {
    const known = yield* words(language);
    if (known?.lexicon) return known.lexicon;
  }
  return undefined;
}

/** The stop words in force, of each language that is spoken; the study's own and those let back in are of all. */
export function stopWordsOf(
  { listedStopWords, numbers, own, allowed }: StopWordChoices,
  { all, ofType }: WordLanguages,
): StopWordsOf {
  const lists = all.map((language) =>
    stopWordsInForce({ language: listedStopWords ? language : undefined, own, allowed, numbers }),
  );
  return (type) => lists[ofType[type]];
}

/** The label of each concept: the researcher's, or its key. */
export const conceptLabels = (
  labels: StudyState['conceptLabels'],
  { keys, written }: { readonly keys: readonly string[]; readonly written: readonly string[] },
): string[] => keys.map((key, i) => ownValue(labels, key) ?? written[i]);
