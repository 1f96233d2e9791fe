import { expose } from 'comlink';
import { readFiles } from '@green-thicket/core/intake/intake';
import { type Intake } from '@green-thicket/core/intake/sources';

/** What the thread that reads documents and tables offers. It is ended where a file takes too long or reading is stopped. */
export interface ReaderWorker {
  /** Reads one file. */
  read(name: string, bytes: Uint8Array, onProgress: (share: number) => void): Promise<Intake>;
}

const api: ReaderWorker = {
  read: (name, bytes, onProgress) => readFiles([{ name, bytes }], new Set(), { onProgress }),
};

expose(api);
