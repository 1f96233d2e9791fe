/** How long a worker works before it looks for messages, in milliseconds. */
export const SLICE = 40;

// A channel's message comes sooner than a timer, which browsers hold back to 4 ms.
const channel = new MessageChannel();
const waiting: (() => void)[] = [];
function next(): void {
  waiting.shift()?.();
  // An ear that waits for nothing keeps a test from ending.
  if (waiting.length === 0) channel.port1.onmessage = null;
}

/** Lets messages that have come be taken first. */
export function yieldToMessages(): Promise<void> {
  return new Promise((resolve) => {
    waiting.push(resolve);
    channel.port1.onmessage = next;
    channel.port2.postMessage(null);
  });
}
