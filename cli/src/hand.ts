import { parentPort } from 'node:worker_threads';
import { expose, transfer } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { buffersIn, helpingHand } from '@green-thicket/core/engine/helping';

/** A thread that helps: it is started by `threads`. */
if (!parentPort) throw new Error('This is started as a thread.');
const hand = helpingHand();
expose(
  {
    ...hand,
    async do(work: number, part: unknown): Promise<unknown> {
      const result = await hand.do(work, part);
      return transfer(result as object, buffersIn(result));
    },
  },
  nodeEndpoint(parentPort),
);
