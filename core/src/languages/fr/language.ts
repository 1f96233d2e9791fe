import { fra } from 'stopword';
import { languageWith, nounFirst, wordsIn, type Language } from '../language.ts';

/** Days and months, times and numbers. */
const TIMES = `
seconde minute heure jour journée semaine mois an année fois temps aujourd'hui hier demain un deux trois quatre cinq six sept huit neuf dix onze douze vingt trente cent mille quart moitié
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
