import { ita } from 'stopword';
import { languageWith, nounFirst, wordsIn, type Language } from '../language.ts';

/** Days and months. */
const TIMES = `
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
