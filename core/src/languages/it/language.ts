import { ita } from 'stopword';
import { languageWith, wordsIn, type Language } from '../language.ts';

/** Days and months. */
const TIMES = `
lunedì martedì mercoledì giovedì venerdì sabato domenica gennaio febbraio marzo aprile maggio giugno luglio agosto settembre ottobre novembre dicembre
`;

/** Italian. */
export const ITALIAN: Language = languageWith('it', ita, {
  snowball: 'italian',
  isNumberWord: wordsIn(TIMES),
});
