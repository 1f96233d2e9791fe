import { transfer } from 'comlink';
import { buffersIn, helpingHand, type Hand } from '@green-thicket/core/engine/helping';

/** What a worker offers that does parts of long work for the one that computes a study. */
export function handOfWorker(): Hand {
  const hand = helpingHand();
  return {
    ...hand,
    async do(work: number, part: unknown): Promise<unknown> {
      const result = await hand.do(work, part);
      return transfer(result as object, buffersIn(result));
    },
  };
}
