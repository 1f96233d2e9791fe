import { ita } from 'stopword';
import { languageWith, nounFirst, wordsIn, type Language } from '../language.ts';

/** Days and months, times and numbers. */
const TIMES = `
secondo minuto ora giorno settimana mese anno volta tempo oggi ieri domani uno due tre quattro cinque sei sette otto nove dieci undici dodici venti trenta cento mille quarto metà
lunedì martedì mercoledì giovedì venerdì sabato domenica gennaio febbraio marzo aprile maggio giugno luglio agosto settembre ottobre novembre dicembre
`;

/** Italian. */
export const ITALIAN: Language = languageWith('it', ita, {
  snowball: 'italian',
  hasLemmas: true,
  phrases: nounFirst('di del dello della dei degli delle da'),
  elides: true,
  isNumberWord: wordsIn(TIMES),
});
