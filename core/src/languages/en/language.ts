import { languageWith, phrasesIn, type Language } from '../language.ts';
import { isNumberWord, STOP_LAYERS } from './stop-words.ts';

/** Phrases whose words say nothing by themselves. */
const FIXED = `
per cent, with respect to, in respect of, in respect to, in this respect, in every respect, on behalf of, in behalf of, in their behalf, in its behalf, in his behalf, on their behalf, in spite of, by means of, in terms of,
in case of, in the case of, in any case, in favor of, in favour of, by virtue of, in lieu of, in accordance with, in addition to, in connection with, in conjunction with, in regard to,
with regard to, by way of, by the way, for the sake of, for the purpose of, in view of, with a view to, on account of, by reason of, in pursuance of, in consequence of, in front of, in place of, in order to,
in order that, of course, in fact, as a matter of fact, as a matter of course, for example, for instance, in general, in particular, at least, at last, at first, at once, to some extent, to a certain extent, to a large extent, as a result,
on the one hand, on the other hand, on the whole, so far, as well as, in the course of, in relation to, with reference to, by dint of, as regards, at the end of the day, to be honest, in the long run,
sort of, kind of, a lot of, lots of, a bit of, a couple of, as long as, in a way, by the time, in the end, at the moment, for the time being,
mr speaker, madam speaker, mr president, madam president, mr chairman, ladies and gentlemen, dear sir, dear sirs, kind regards, best regards, yours sincerely
`;

/** English. */
export const ENGLISH: Language = languageWith('en', [], {
  stopLayers: STOP_LAYERS,
  snowball: 'english',
  isNumberWord,
  hasLemmas: true,
  dictionary: 'WordNet',
  nameEndings: ["'s", "s'", "'", 's', 'es'],
  fixedPhrases: phrasesIn(FIXED),
});
