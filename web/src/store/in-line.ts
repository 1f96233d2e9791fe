const lines = new Map<string, Promise<unknown>>();

/** One after the other in this tab alone: without a browser, as in tests, there is no other. */
function inLineHere<T>(id: string, work: () => Promise<T>): Promise<T> {
  const before = lines.get(id) ?? Promise.resolve();
  const mine = before.then(work, work);
  lines.set(id, mine);
  const forget = (): void => {
    if (lines.get(id) === mine) lines.delete(id);
  };
  mine.then(forget, forget);
  return mine;
}

/** The platform's locks; undefined outside a browser. */
const platformLocks = (): LockManager | undefined =>
  (globalThis as { navigator?: { locks?: LockManager } }).navigator?.locks;

let waiting = 0;
const watchers = new Set<() => void>();
function wait(by: 1 | -1): void {
  waiting += by;
  for (const watcher of watchers) watcher();
}

/** Whether something asked for here waits for another tab; calls back whenever that changes, and gives what ends that. */
export const othersAtWork = {
  now: (): boolean => waiting > 0,
  watch(watcher: () => void): () => void {
    watchers.add(watcher);
    return () => watchers.delete(watcher);
  },
};

/** Shorter waits are not worth a word, in milliseconds. */
const NOTICED = 400;

const lockOf = (id: string): string => `green-thicket study ${id}`;

/**
 * Does what is asked of a study one after the other, in the order it was asked, whatever fails: in this tab, in its worker and in
 * every other tab. Whatever writes to a study stands in this line.
 */
export function inLine<T>(id: string, work: () => Promise<T>): Promise<T> {
  const locks = platformLocks();
  if (!locks) return inLineHere(id, work);
  let noticed = false;
  const timer = setTimeout(() => {
    noticed = true;
    wait(1);
  }, NOTICED);
  const ended = (): void => {
    clearTimeout(timer);
    if (noticed) wait(-1);
    noticed = false;
  };
  return (
    locks.request(lockOf(id), () => {
      ended();
      return work();
    }) as Promise<T>
  ).finally(ended);
}

/** Does something of a study only where nothing is under way with it, in whichever tab; says whether it did. */
export function ifIdle(id: string, work: () => Promise<void>): Promise<boolean> {
  const run = (): Promise<boolean> => work().then(() => true);
  const locks = platformLocks();
  if (!locks) return lines.has(id) ? Promise.resolve(false) : inLineHere(id, run);
  return locks.request(lockOf(id), { ifAvailable: true }, (lock) =>
    lock ? run() : Promise.resolve(false),
  ) as Promise<boolean>;
}

/** Runs work while no other tab or worker does the same. */
export function alone<T>(name: string, work: () => Promise<T>): Promise<T> {
  const locks = platformLocks();
  return locks ? (locks.request(name, work) as Promise<T>) : inLineHere(name, work);
}
