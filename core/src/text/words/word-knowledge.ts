import type { Lexicon } from '../../languages/en/lexicon.ts';
import type { Tagger } from '../../languages/tagger.ts';
import { sentenceTagger } from './sentence-tags.ts';

/** What is known of a language's words beyond its lists of common ones. */
export interface WordKnowledge {
  readonly lexicon: Lexicon;
  /** The open words of a sentence with their parts of speech, as `SourceTags` has them. */
  readonly tagSentence: (sentence: string) => string;
}

/** @param makeTagger asked once, when the first sentence is to be tagged: a tagger takes a while to make */
export const wordKnowledge = (lexicon: Lexicon, makeTagger: () => Tagger): WordKnowledge => ({
  lexicon,
  tagSentence: sentenceTagger(() => lexicon, makeTagger),
});
