import { Worker } from 'node:worker_threads';
import type { PageText } from './main-text.ts';
import { PageError, type RawPage } from './page-fetch.ts';
import type { TextAnswer } from './text-worker.ts';

export interface ApartLimits {
  /** Most time for finding the main text, in milliseconds. */
  readonly mostTime?: number;
  /** Most memory for it, in megabytes. */
  readonly mostMemory?: number;
  /** The built worker; beside the built server where it is left out. */
  readonly worker?: URL;
}

const MOST_TIME = 10_000;
const MOST_MEMORY = 512;
const BUILT_WORKER = new URL('./text-worker.js', import.meta.url);
const TANGLED =
  'The page is too large or too tangled to find its main text in. Copy its words and paste them.';

/**
 * The title and main text of a page, found in a thread of its own, so that a page made to be slow holds nothing else up: past
 * its time or its memory it is ended.
 *
 * Throws a PageError that says why there is no text.
 */
export function mainTextApart(
  { address, type, charset, bytes }: RawPage,
  { mostTime = MOST_TIME, mostMemory = MOST_MEMORY, worker = BUILT_WORKER }: ApartLimits = {},
): Promise<PageText> {
  return new Promise((resolve, reject) => {
    const thread = new Worker(worker, {
      workerData: { address: address.href, type, charset, bytes: new Uint8Array(bytes) },
      resourceLimits: { maxOldGenerationSizeMb: mostMemory },
    });
    const end = (): void => {
      clearTimeout(timer);
      thread.terminate().catch(reject);
    };
    const timer = setTimeout(() => {
      end();
      reject(new PageError(TANGLED));
    }, mostTime);
    thread.on('message', (answer: TextAnswer) => {
      end();
      if ('text' in answer) resolve(answer.text);
      else reject('reason' in answer ? new PageError(answer.reason) : new Error(answer.fault));
    });
    thread.on('error', (error: NodeJS.ErrnoException) => {
      end();
      reject(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? new PageError(TANGLED) : error);
    });
  });
}
