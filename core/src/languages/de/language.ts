import { deu } from 'stopword';
import { languageWith, wordsIn, type Language } from '../language.ts';

/** Days and months. */
const TIMES = `
montag dienstag mittwoch donnerstag freitag samstag sonnabend sonntag januar jänner februar märz april mai juni juli august september oktober november dezember
`;

/** German. */
export const GERMAN: Language = languageWith('de', deu, {
  snowball: 'german',
  hasLemmas: true,
  isNumberWord: wordsIn(TIMES),
  nounsInCapitals: true,
  nameEndings: ['ens', 'ern', 'ers', 'en', 'er', 'es', 'ns', 'n', 's', "'"],
});
