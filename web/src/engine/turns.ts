import type { ViewName } from '@green-thicket/core/views/view-keys';
import { byNeed } from '@green-thicket/core/views/view-keys';

interface Waiting {
  readonly view: ViewName;
  readonly begin: () => Promise<void>;
}

/**
 * A line in which views wait to be made, one at a time, so that two never compute the same stage side by side; of those
 * that wait the one that needs the fewest stages is next.
 *
 * @returns puts a view in the line, and gives what comes of it
 */
export function turns(): <T>(view: ViewName, make: () => Promise<T>) => Promise<T> {
  const waiting: Waiting[] = [];
  let working = false;
  const work = async (): Promise<void> => {
    if (working) return;
    working = true;
    // Those of one message are all in the line before the first is chosen.
    await Promise.resolve();
    for (;;) {
      waiting.sort((a, b) => byNeed(a.view, b.view));
      const next = waiting.shift();
      if (!next) break;
      await next.begin();
    }
    working = false;
  };
  return (view, make) =>
    new Promise((resolve, reject) => {
      waiting.push({ view, begin: () => make().then(resolve, reject) });
      work().catch(reject);
    });
}
