import { nld } from 'stopword';
import { languageWith, wordsIn, type Language } from '../language.ts';

/** Days and months, times and numbers. */
const TIMES = `
seconde minuut uur dag week maand jaar keer tijd vandaag gisteren morgen een twee drie vier vijf zes zeven acht negen tien elf twaalf twintig dertig honderd duizend kwart helft
maandag dinsdag woensdag donderdag vrijdag zaterdag zondag januari februari maart april mei juni juli augustus september oktober november december
`;

/** Dutch. */
export const DUTCH: Language = languageWith('nl', nld, {
  snowball: 'dutch',
  compounds: true,
  hasLemmas: true,
  isNumberWord: wordsIn(TIMES),
});
