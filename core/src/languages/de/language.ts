import { deu } from 'stopword';
import { languageWith, phrasesIn, wordsIn, type Language } from '../language.ts';

/** Days and months, times and numbers. */
const TIMES = `
sekunde minute stunde tag woche monat jahr uhr zeit mal heute gestern abend morgen eins zwei drei vier fünf sechs sieben acht neun zehn elf zwölf zwanzig dreißig hundert tausend viertel hälfte
montag dienstag mittwoch donnerstag freitag samstag sonnabend sonntag januar jänner februar märz april mai juni juli august september oktober november dezember
`;

/** Phrases whose words say nothing by themselves. */
const FIXED = `
zum Beispiel, im Rahmen, in Bezug auf, mit Bezug auf, im Fall, im Falle, auf jeden Fall, auf alle Fälle, auf keinen Fall, in diesem Fall, auf Grund, mit Hilfe, an Stelle, zur Zeit, im Prinzip, in der Regel, im Großen und Ganzen,
im Hinblick auf, in Hinsicht auf, in dieser Hinsicht, im Grunde, im Grunde genommen, mit Ausnahme, zum Teil, unter anderem, im Laufe, im Zuge, im Moment, im Endeffekt, im Gegensatz zu, im Vergleich zu, im Zusammenhang mit, in Form von,
mit Sicherheit, auf diese Weise, in gewisser Weise, auf der einen Seite, auf der anderen Seite, Gott sei Dank, sehr geehrte Damen und Herren, mit freundlichen Grüßen
`;

/** German. */
export const GERMAN: Language = languageWith('de', deu, {
  snowball: 'german',
  compounds: true,
  hasLemmas: true,
  isNumberWord: wordsIn(TIMES),
  nounsInCapitals: true,
  nameEndings: ['ens', 'ern', 'ers', 'en', 'er', 'es', 'ns', 'n', 's', "'"],
  fixedPhrases: phrasesIn(FIXED),
});
