import { nld } from 'stopword';
import { languageWith, wordsIn, type Language } from '../language.ts';

/** Days and months. */
const TIMES = `
maandag dinsdag woensdag donderdag vrijdag zaterdag zondag januari februari maart april mei juni juli augustus september oktober november december
`;

/** Dutch. */
export const DUTCH: Language = languageWith('nl', nld, {
  snowball: 'dutch',
  hasLemmas: true,
  isNumberWord: wordsIn(TIMES),
});
