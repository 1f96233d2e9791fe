import { dropOriginals } from './studies.ts';

const lockOf = (id: string): string => `green-thicket bringing into ${id}`;

/** Does work that keeps texts before they are recorded; meanwhile nobody takes them for left over. */
export async function whileBringingIn<T>(id: string, work: () => Promise<T>): Promise<T> {
  return (await navigator.locks.request(lockOf(id), { mode: 'shared' }, work)) as T;
}

/** Lets go of texts that were kept and never recorded, as where the browser ended while they came in. */
export async function dropLooseTexts(id: string): Promise<void> {
  await navigator.locks.request(lockOf(id), { ifAvailable: true }, async (lock) => {
    if (lock) await dropOriginals(id);
  });
}
