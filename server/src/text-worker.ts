import { parentPort, workerData } from 'node:worker_threads';
import { mainText } from './main-text.ts';
import { PageError, type RawPage } from './page-fetch.ts';

/** What the worker says: the page's text, or why there is none. */
export type TextAnswer =
  { readonly text: ReturnType<typeof mainText> } | { readonly reason: string } | { readonly fault: string };

function answer(): TextAnswer {
  const { address, type, charset, bytes } = workerData as Omit<RawPage, 'address' | 'bytes'> & {
    readonly address: string;
    readonly bytes: Uint8Array;
  };
  try {
    return { text: mainText({ address: new URL(address), type, charset, bytes: Buffer.from(bytes) }) };
  } catch (error) {
    if (error instanceof PageError) return { reason: error.message };
    return { fault: error instanceof Error ? error.message : String(error) };
  }
}

parentPort?.postMessage(answer());
