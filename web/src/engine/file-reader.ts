import { STOPPED_MESSAGE } from '../pieces/stopped.ts';
import { proxy, releaseProxy, transfer, wrap, type Remote } from 'comlink';
import { readPlain } from '@green-thicket/core/formats/read/plain';
import { baseName } from '@green-thicket/core/formats/read/read-result';
import { NOTHING, type Intake } from '@green-thicket/core/intake/sources';
import { taking } from '@green-thicket/core/intake/taking';
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

/** Plain text needs no reader that could be made to be slow; undefined of what is more. */
function plainIntake(name: string, bytes: Uint8Array): Intake | undefined {
  const content = readPlain({ name, bytes });
  if (!content) return undefined;
  const { take, done } = taking(new Set());
  take(name, content);
  return done();
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
      Promise.resolve(plainIntake(name, bytes) ?? apart(name, bytes, onProgress)),
    close: end,
  };
}

/** Reads one file that becomes no source, under a name that says how it is to be read. */
export async function readAlone(name: string, file: Blob): Promise<Intake> {
  const reader = fileReader(new AbortController().signal);
  try {
    return await reader.read(name, new Uint8Array(await file.arrayBuffer()), () => undefined);
  } finally {
    reader.close();
  }
}
