import { CUED, type FormsName } from '../../languages/cued.ts';
import type { LanguageCode } from '../../languages/language-names.ts';
import { LANGUAGE_OF } from '../../languages/languages.ts';
import type { Lexicon } from '../../languages/en/lexicon.ts';
import { parseWordForms, remembering, withCompounds } from '../../languages/word-forms.ts';
import type { CuedWords } from './parts-by-neighbours.ts';

/** What is known of a language's words beyond its lists of common ones: a lexicon of senses, or forms and cues. */
export type WordKnowledge =
  | { readonly lexicon: Lexicon; readonly cued?: undefined }
  | { readonly lexicon?: undefined; readonly cued: CuedWords };

/**
 * What is known of each language whose parts of speech are told by neighbours.
 *
 * @param read reads a dictionary of forms and makes of it what is known, which is kept
 */
export function cuedKnowledge<Made>(
  read: (name: FormsName | undefined, make: (text: string | undefined) => WordKnowledge) => Made,
): Partial<Record<LanguageCode, () => Made>> {
  return Object.fromEntries(
    Object.entries(CUED).map(([code, { cues, dictionary }]) => {
      const { nounsInCapitals } = LANGUAGE_OF[code as LanguageCode];
      let known: WordKnowledge | undefined;
      const make = (text: string | undefined): WordKnowledge => {
        if (known) return known;
        const forms = text === undefined ? undefined : parseWordForms(text);
        known = {
          cued: {
            forms: forms && remembering(nounsInCapitals ? withCompounds(forms) : forms),
            cues,
            nounsInCapitals,
          },
        };
        return known;
      };
      return [code, () => read(dictionary, make)];
    }),
  );
}
