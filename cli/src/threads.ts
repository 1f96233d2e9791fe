import { Worker } from 'node:worker_threads';
import { wrap } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { helpersOf, type Hand, type StartedHand } from '@green-thicket/core/engine/helping';
import type { Stepwise } from '@green-thicket/core/base/stepwise';
import { faultOf } from './usage-error.ts';

/** Work that is over sooner is not worth the start of a thread, milliseconds. */
const WORTH_IT = 300;
/** How long work goes on before threads are listened to, milliseconds. */
const SLICE = 20;

function startThread(): StartedHand {
  const worker = new Worker(new URL('./hand.js', import.meta.url));
  // Nobody waits for a thread that has nothing to do.
  worker.unref();
  const broken = new Promise<never>((_, reject) => worker.once('error', reject));
  // It may break when nobody asks anything of it.
  broken.catch(() => undefined);
  const hand: Hand = wrap<Hand>(nodeEndpoint(worker));
  const stop = (): void => {
    worker.terminate().catch(() => undefined);
  };
  return { hand, broken, stop };
}

/** Threads that help, besides the one that asks them. */
export function threads(count: number, say: (line: string) => void): ReturnType<typeof helpersOf> {
  return helpersOf({
    most: count - 1,
    start: startThread,
    worthIt: WORTH_IT,
    pause: (milliseconds) =>
      new Promise((resolve) => {
        setTimeout(resolve, milliseconds).unref();
      }),
    warn: (reason) => say(`Going on with one thread: ${String(reason)}`),
  });
}

const letOthersSpeak = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** Runs work to its end, together with threads that do parts of it. */
export async function toTheEndTogether<T>(work: Stepwise<T>): Promise<T> {
  try {
    let pause = performance.now() + SLICE;
    for (;;) {
      const step = work.next();
      if (step.done) return step.value;
      if (typeof step.value !== 'number') await step.value;
      if (performance.now() < pause) continue;
      await letOthersSpeak();
      pause = performance.now() + SLICE;
    }
  } catch (error) {
    throw faultOf(error);
  }
}
