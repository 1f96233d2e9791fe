import { fra } from 'stopword';
import { languageWith, nounFirst, wordsIn, type Language } from '../language.ts';

/** Days and months. */
const TIMES = `
lundi mardi mercredi jeudi vendredi samedi dimanche janvier février mars avril mai juin juillet août septembre octobre novembre décembre
`;

/** French. */
export const FRENCH: Language = languageWith('fr', fra, {
  snowball: 'french',
  hasLemmas: true,
  phrases: nounFirst('de du des'),
  elides: true,
  isNumberWord: wordsIn(TIMES),
});
