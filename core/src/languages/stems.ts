import { newStemmer } from 'snowball-stemmers';
import type { Language } from './language.ts';

const stemmers = new Map<string, ReturnType<typeof newStemmer>>();

/** The Snowball stemmer of a language (Porter 2001); one that leaves words as they are where the language has none. */
export function stemmerOf({ snowball: name }: Pick<Language, 'snowball'>): (word: string) => string {
  if (name === undefined) return (word) => word;
  const stemmer = stemmers.get(name) ?? newStemmer(name);
  stemmers.set(name, stemmer);
  return (word) => stemmer.stem(word);
}
