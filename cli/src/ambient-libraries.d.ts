// A part of a library without types of its own: what of it is used here.

declare module 'comlink/dist/esm/node-adapter.mjs' {
  import type { Endpoint } from 'comlink';
  import type { MessagePort, Worker } from 'node:worker_threads';

  /** A thread, or what reaches it, as Comlink speaks with it. */
  export default function nodeEndpoint(port: MessagePort | Worker): Endpoint;
}
