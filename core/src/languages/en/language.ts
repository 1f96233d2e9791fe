import { languageWith, type Language } from '../language.ts';
import { isNumberWord, STOP_LAYERS } from './stop-words.ts';

/** English. */
export const ENGLISH: Language = languageWith('en', [], {
  stopLayers: STOP_LAYERS,
  snowball: 'english',
  isNumberWord,
  hasLemmas: true,
  dictionary: 'WordNet',
  nameEndings: ["'s", "s'", "'", 's', 'es'],
});
