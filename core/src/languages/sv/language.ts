import { swe } from 'stopword';
import { languageWith, wordsIn, type Language } from '../language.ts';

/** Days and months. */
const TIMES = `
måndag tisdag onsdag torsdag fredag lördag söndag januari februari mars april maj juni juli augusti september oktober november december
`;

/** Swedish. */
export const SWEDISH: Language = languageWith('sv', swe, {
  snowball: 'swedish',
  compounds: true,
  isNumberWord: wordsIn(TIMES),
});
