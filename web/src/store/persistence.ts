/** What the browser says of keeping what it holds. */
export interface Persistence {
  /** Whether it has promised not to clear the studies by itself. */
  readonly promised: boolean;
  /** Bytes in use and bytes still free for the application; undefined where the browser does not say. */
  readonly used: number | undefined;
  readonly free: number | undefined;
}

/** How the browser keeps the studies. */
export async function persistence(): Promise<Persistence> {
  const { storage } = navigator;
  const { usage, quota } = await storage.estimate();
  return {
    promised: await storage.persisted(),
    used: usage,
    free: usage === undefined || quota === undefined ? undefined : Math.max(0, quota - usage),
  };
}

/** Asks the browser to keep the studies until they are deleted; whether it promises is up to it. */
export async function askToPersist(): Promise<void> {
  if (!(await navigator.storage.persisted())) await navigator.storage.persist();
}
