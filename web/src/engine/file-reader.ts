import { STOPPED_MESSAGE } from '../pieces/stopped.ts';
import { proxy, releaseProxy, transfer, wrap, type Remote } from 'comlink';
import { baseName, endingOf } from '@green-thicket/core/formats/read/read-result';
import { NOTHING, readFiles, type Intake } from '@green-thicket/core/intake/intake';
import type { ReaderWorker } from './reader-worker.ts';

/** A file that says nothing of itself for so long is given up, in milliseconds. */
const PATIENCE = 30_000;

/** The part of a thread that is needed here; for tests a channel stands in for it. */
export interface Thread {
  readonly remote: Remote<ReaderWorker>;
  readonly end: () => void;
}

function startThread(): Thread {
  const worker = new Worker(new URL('./reader-worker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<ReaderWorker>(worker);
  return {
    remote,
    end: () => {
      remote[releaseProxy]();
      worker.terminate();
    },
  };
}

/** Plain text needs no reader that could be made to be slow. */
const PLAIN_ENDINGS: ReadonlySet<string> = new Set(['.txt', '.text', '.md', '.markdown']);

function isPlain(name: string, bytes: Uint8Array): boolean {
  const [a, b] = bytes;
  const isPacked = (a === 0x50 && b === 0x4b) || (a === 0x25 && b === 0x50) || (a === 0xd0 && b === 0xcf);
  return PLAIN_ENDINGS.has(endingOf(name)) && !isPacked;
}

/**
 * Reads files one at a time, what is more than plain text in a thread of its own. The signal ends the thread at once,
 * whatever it is at; so does a file that takes too long, which is refused with a sentence while the others are read on.
 */
export function fileReader(
  signal: AbortSignal,
  start: () => Thread = startThread,
  patience = PATIENCE,
): {
  readonly read: (name: string, bytes: Uint8Array, onProgress: (share: number) => void) => Promise<Intake>;
  /** Ends the thread; nothing is read afterwards. */
  readonly close: () => void;
} {
  let thread: Thread | undefined;
  const end = (): void => {
    thread?.end();
    thread = undefined;
  };
  const apart = (name: string, bytes: Uint8Array, onProgress: (share: number) => void): Promise<Intake> =>
    new Promise((resolve, reject) => {
      thread ??= start();
      let timer: ReturnType<typeof setTimeout>;
      const done = (settle: () => void): void => {
        clearTimeout(timer);
        signal.removeEventListener('abort', stop);
        settle();
      };
      const stop = (): void => {
        end();
        done(() => reject(new Error(STOPPED_MESSAGE)));
      };
      const giveUp = (): void => {
        end();
        const reason = `${baseName(name)} was given up: reading it takes longer than ${patience / 1000} seconds. Save its words as plain text (.txt or .csv) and add that.`;
        done(() => resolve({ ...NOTHING, refused: [{ name, reason }] }));
      };
      const wait = (): void => {
        clearTimeout(timer);
        timer = setTimeout(giveUp, patience);
      };
      wait();
      signal.addEventListener('abort', stop);
      if (signal.aborted) {
        stop();
        return;
      }
      const told = proxy((share: number) => {
        wait();
        onProgress(share);
      });
      thread.remote.read(name, transfer(bytes, [bytes.buffer]), told).then(
        (intake) => done(() => resolve(intake)),
        (error: unknown) => done(() => reject(error as Error)),
      );
    });
  return {
    read: (name, bytes, onProgress) =>
      isPlain(name, bytes)
        ? readFiles([{ name, bytes }], new Set(), { onProgress, stopped: () => signal.aborted })
        : apart(name, bytes, onProgress),
    close: end,
  };
}
