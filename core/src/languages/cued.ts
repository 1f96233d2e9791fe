import { GERMAN_CUES } from './de/cues.ts';
import { SPANISH_CUES } from './es/cues.ts';
import { FRENCH_CUES } from './fr/cues.ts';
import { ITALIAN_CUES } from './it/cues.ts';
import type { LanguageCode } from './language-names.ts';
import type { Cues } from './cues.ts';
import { DUTCH_CUES } from './nl/cues.ts';
import { PORTUGUESE_CUES } from './pt/cues.ts';

/** Languages whose parts of speech are told by their neighbours, with the dictionary of their forms where there is one. */
export const CUED: Readonly<
  Partial<Record<LanguageCode, { readonly cues: Cues; readonly dictionary?: FormsName }>>
> = {
  de: { cues: GERMAN_CUES, dictionary: 'german' },
  fr: { cues: FRENCH_CUES, dictionary: 'french' },
  it: { cues: ITALIAN_CUES, dictionary: 'italian' },
  es: { cues: SPANISH_CUES },
  pt: { cues: PORTUGUESE_CUES },
  nl: { cues: DUTCH_CUES },
};

/** The dictionaries of forms, core/lexicon/NAME.txt. */
export type FormsName = 'german' | 'french' | 'italian';
