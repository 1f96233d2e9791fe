import { newStemmer } from 'snowball-stemmers';
import { LANGUAGES, type LanguageCode } from './language-names.ts';

const WITHOUT_STEMS: ReadonlySet<LanguageCode> = new Set(['zh', 'ja', 'other']);
const stemmers = new Map<LanguageCode, (word: string) => string>();

/** The Snowball stemmer of a language (Porter 2001); one that leaves words as they are where the language has none. */
export function stemmerOf(language: LanguageCode): (word: string) => string {
  let stemmer = stemmers.get(language);
  if (!stemmer) {
    if (WITHOUT_STEMS.has(language)) stemmer = (word) => word;
    else {
      const snowball = newStemmer(LANGUAGES[language].toLowerCase());
      stemmer = (word) => snowball.stem(word);
    }
    stemmers.set(language, stemmer);
  }
  return stemmer;
}
