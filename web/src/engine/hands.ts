import { wrap } from 'comlink';
import { helpersOf, type Hand, type StartedHand } from '@green-thicket/core/engine/helping';
import { coresInName } from './cores.ts';
import type { Helpers } from '@green-thicket/core/engine/jobs';

/** Work that is over sooner is not worth the start of a worker, which loads what it computes with, milliseconds. */
const WORTH_IT = 1000;
/** More would each hold the same again. */
const MOST = 3;

/** Workers that help are called so; they are made of the same file, so that what they compute with is kept once. */
export const HAND = 'hand';

function startHand(): StartedHand {
  const worker = new Worker(self.location.href, { type: 'module', name: HAND });
  const broken = new Promise<never>((_, reject) => {
    worker.addEventListener('error', ({ message }) => reject(new Error(message)), { once: true });
  });
  // It may break when nobody asks anything of it.
  broken.catch(() => undefined);
  return { hand: wrap<Hand>(worker), broken, stop: () => worker.terminate() };
}

/** Workers that help the one that computes, one for each further core. */
export const hands: Helpers = helpersOf({
  most: Math.min(MOST, coresInName(self.name) - 1),
  start: startHand,
  worthIt: WORTH_IT,
  pause: (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds)),
  warn: (reason) => console.warn('Going on with one worker', reason),
});
