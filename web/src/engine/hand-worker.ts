import { expose, transfer } from 'comlink';
import { buffersIn, helpingHand } from '@green-thicket/core/engine/helping';
import { sentenceTagger } from '@green-thicket/core/text/words/sentence-tags';
import { english } from './english.ts';

/** A worker that does parts of long work for the one that computes a study. */
const hand = helpingHand({ tagSentence: sentenceTagger(english.lexicon, english.tagger) });
expose({
  ...hand,
  async do(work: number, part: unknown): Promise<unknown> {
    const result = await english.with(() => hand.do(work, part));
    return transfer(result as object, buffersIn(result));
  },
});
