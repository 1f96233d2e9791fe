import { fra } from 'stopword';
import { languageWith, nounFirst, phrasesIn, wordsIn, type Language } from '../language.ts';

/** Days and months, times and numbers. */
const TIMES = `
seconde minute heure jour journée semaine mois an année fois temps aujourd'hui hier demain un deux trois quatre cinq six sept huit neuf dix onze douze vingt trente cent mille quart moitié
lundi mardi mercredi jeudi vendredi samedi dimanche janvier février mars avril mai juin juillet août septembre octobre novembre décembre
`;

/** Phrases whose words say nothing by themselves. */
const FIXED = `
par exemple, en cas de, dans le cas de, dans ce cas, en tout cas, en effet, en fait, à cause de, au cours de, à partir de, par rapport à, grâce à, au lieu de, en général, en particulier, d’accord, tout à fait, en train de,
à propos de, de temps en temps, en termes de, à titre de, en raison de, au sujet de, au moyen de, en face de, à côté de, au fur et à mesure, en vue de, de manière à, de façon à, de toute façon, en fonction de, dans le cadre de,
en dépit de, par conséquent, à savoir, en outre, tout à coup, en même temps, au niveau de, du point de vue, mesdames et messieurs, bien sûr
`;

/** French. */
export const FRENCH: Language = languageWith('fr', fra, {
  snowball: 'french',
  hasLemmas: true,
  phrases: nounFirst('de du des'),
  elides: true,
  isNumberWord: wordsIn(TIMES),
  fixedPhrases: phrasesIn(FIXED),
});
