import { parentPort } from 'node:worker_threads';
import { expose, transfer } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { buffersIn, helpingHand } from '@green-thicket/core/engine/helping';
import { finishInTime } from '@green-thicket/core/base/stepwise';
import { createTagger } from '@green-thicket/core/languages/en/tagger';
import { wordsWith } from './lexicon-file.ts';

/** A thread that helps: it is started by `threads`. */
if (!parentPort) throw new Error('This is started as a thread.');
const words = wordsWith(createTagger);
const hand = helpingHand({ words });
expose(
  {
    ...hand,
    async end(work: number): Promise<void> {
      await hand.end(work);
      // What it tags with is made ready while nobody waits.
      (await finishInTime(words('en')))?.tagSentence?.('They wait.');
    },
    async do(work: number, part: unknown): Promise<unknown> {
      const result = await hand.do(work, part);
      return transfer(result as object, buffersIn(result));
    },
  },
  nodeEndpoint(parentPort),
);
