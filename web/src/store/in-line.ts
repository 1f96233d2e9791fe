const lines = new Map<string, Promise<unknown>>();

/** Does what is asked of a study one after the other, in the order it was asked, whatever fails. */
export function inLine<T>(id: string, work: () => Promise<T>): Promise<T> {
  const before = lines.get(id) ?? Promise.resolve();
  const mine = before.then(work, work);
  lines.set(id, mine);
  const forget = (): void => {
    if (lines.get(id) === mine) lines.delete(id);
  };
  mine.then(forget, forget);
  return mine;
}
