import { CUED, type FormsName } from '../../languages/cued.ts';
import type { LanguageCode } from '../../languages/language-names.ts';
import { LANGUAGE_OF } from '../../languages/languages.ts';
import type { Lexicon } from '../../languages/en/lexicon.ts';
import type { Tagger } from '../../languages/tagger.ts';
import { parseWordForms, remembering, withCompounds } from '../../languages/word-forms.ts';
import type { CuedWords } from './parts-by-neighbours.ts';
import { sentenceTagger } from './sentence-tags.ts';

/** What is known of a language's words beyond its lists of common ones: a lexicon with a tagger, or forms and cues. */
export type WordKnowledge =
  | {
      readonly lexicon: Lexicon;
      /** The open words of a sentence with their parts of speech, as `SourceTags` has them. */
      readonly tagSentence: (sentence: string) => string;
      readonly cued?: undefined;
    }
  | { readonly lexicon?: undefined; readonly tagSentence?: undefined; readonly cued: CuedWords };

/** @param makeTagger asked once, when the first sentence is to be tagged: a tagger takes a while to make */
export const wordKnowledge = (lexicon: Lexicon, makeTagger: () => Tagger): WordKnowledge => ({
  lexicon,
  tagSentence: sentenceTagger(() => lexicon, makeTagger),
});

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
