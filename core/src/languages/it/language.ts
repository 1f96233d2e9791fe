import { ita } from 'stopword';
import { languageWith, nounFirst, phrasesIn, wordsIn, type Language } from '../language.ts';

/** Days and months, times and numbers. */
const TIMES = `
secondo minuto ora giorno settimana mese anno volta tempo oggi ieri domani uno due tre quattro cinque sei sette otto nove dieci undici dodici venti trenta cento mille quarto metà
lunedì martedì mercoledì giovedì venerdì sabato domenica gennaio febbraio marzo aprile maggio giugno luglio agosto settembre ottobre novembre dicembre
`;

/** Phrases whose words say nothing by themselves. */
const FIXED = `
per esempio, ad esempio, a causa di, in caso di, nel caso di, in ogni caso, per quanto riguarda, al posto di, a proposito di, in realtà, in effetti, di solito, grazie a, in modo da, in modo che, per mezzo di, d’accordo, in generale,
in particolare, in base a, da parte di, dal punto di vista, nel corso di, nell’ambito di, rispetto a, in termini di, per conto di, di fronte a, a partire da, ogni tanto, per fortuna, più o meno, a volte, in questo modo, allo stesso modo,
di conseguenza, in seguito, signore e signori
`;

/** Italian. */
export const ITALIAN: Language = languageWith('it', ita, {
  snowball: 'italian',
  hasLemmas: true,
  phrases: nounFirst('di del dello della dei degli delle da'),
  elides: true,
  isNumberWord: wordsIn(TIMES),
  fixedPhrases: phrasesIn(FIXED),
});
