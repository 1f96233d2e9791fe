import { nld } from 'stopword';
import { languageWith, phrasesIn, wordsIn, type Language } from '../language.ts';

/** Days and months, times and numbers. */
const TIMES = `
seconde minuut uur dag week maand jaar keer tijd vandaag gisteren morgen een twee drie vier vijf zes zeven acht negen tien elf twaalf twintig dertig honderd duizend kwart helft
maandag dinsdag woensdag donderdag vrijdag zaterdag zondag januari februari maart april mei juni juli augustus september oktober november december
`;

/** Phrases whose words say nothing by themselves. */
const FIXED = `
in verband met, ten opzichte van, op basis van, in plaats van, met betrekking tot, ten behoeve van, in geval van, in het geval van, in ieder geval, in elk geval, in principe, in feite, op grond van, aan de hand van, in het algemeen,
met name, ter wille van, in de loop van, op het gebied van, van tijd tot tijd, aan de ene kant, aan de andere kant, op dit moment, door middel van, in de zin van, met behulp van, ten gevolge van, in tegenstelling tot, op die manier,
onder andere, dames en heren
`;

/** Dutch. */
export const DUTCH: Language = languageWith('nl', nld, {
  snowball: 'dutch',
  compounds: true,
  hasLemmas: true,
  isNumberWord: wordsIn(TIMES),
  fixedPhrases: phrasesIn(FIXED),
});
