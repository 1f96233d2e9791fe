import { expose, transfer } from 'comlink';
import { buffersIn, helpingHand } from '@green-thicket/core/engine/helping';
import { knowledge } from './knowledge.ts';

/** A worker that does parts of long work for the one that computes a study. */
const hand = helpingHand(knowledge);
expose({
  ...hand,
  async do(work: number, part: unknown): Promise<unknown> {
    const result = await hand.do(work, part);
    return transfer(result as object, buffersIn(result));
  },
});
