import { deu } from 'stopword';
import { languageWith, wordsIn, type Language } from '../language.ts';

/** Days and months, times and numbers. */
const TIMES = `
sekunde minute stunde tag woche monat jahr uhr zeit mal heute gestern abend morgen eins zwei drei vier fünf sechs sieben acht neun zehn elf zwölf zwanzig dreißig hundert tausend viertel hälfte
montag dienstag mittwoch donnerstag freitag samstag sonnabend sonntag januar jänner februar märz april mai juni juli august september oktober november dezember
`;

/** German. */
export const GERMAN: Language = languageWith('de', deu, {
  snowball: 'german',
  compounds: true,
  hasLemmas: true,
  isNumberWord: wordsIn(TIMES),
  nounsInCapitals: true,
  nameEndings: ['ens', 'ern', 'ers', 'en', 'er', 'es', 'ns', 'n', 's', "'"],
});
