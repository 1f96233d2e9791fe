import type { ViewName } from '@green-thicket/core/views/view-keys';
import { BEHIND } from './protocol.ts';
import { byNeed } from '@green-thicket/core/views/view-keys';

interface Waiting {
  readonly view: ViewName;
  readonly isBehind: boolean;
  readonly begin: () => Promise<void>;
}

/** A line in which views wait to be made. */
export interface Line {
  /** Puts a view in the line, and gives what comes of it. */
  readonly take: <T>(view: ViewName, make: () => Promise<T>, isBehind?: boolean) => Promise<T>;
  /** Lets whatever waits go first; for work that nothing waits for. */
  readonly letOthersPast: () => Promise<void>;
}

/**
 * A line in which views wait to be made, one at a time, so that two never compute the same stage side by side; of those
 * that wait the one that needs the fewest stages is next; those nothing waits for come last.
 */
export function turns(): Line {
  const waiting: Waiting[] = [];
  let working = false;
  const next = (): Waiting | undefined => {
    waiting.sort((a, b) => Number(a.isBehind) - Number(b.isBehind) || byNeed(a.view, b.view));
    return waiting.shift();
  };
  const work = async (): Promise<void> => {
    if (working) return;
    working = true;
    // Those of one message are all in the line before the first is chosen.
    await Promise.resolve();
    for (let turn = next(); turn; turn = next()) await turn.begin();
    working = false;
  };
  return {
    take: (view, make, isBehind = BEHIND.has(view)) =>
      new Promise((resolve, reject) => {
        waiting.push({ view, isBehind, begin: () => make().then(resolve, reject) });
        work().catch(reject);
      }),
    async letOthersPast() {
      while (waiting.some(({ isBehind }) => !isBehind)) await next()?.begin();
    },
  };
}
