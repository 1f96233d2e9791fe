/** How far work was at a time, in milliseconds. */
export interface WorkDone {
  readonly time: number;
  /** From 0 to 1. */
  readonly share: number;
}

/** Milliseconds of work before it can be told how long it will take. */
const SURE = 800;

/**
 * Seconds the rest takes where it goes on as fast as since `first`; undefined where that can't be told yet.
 *
 * @example secondsLeft({ time: 0, share: 0.1 }, { time: 2000, share: 0.5 }) // 2.5
 */
export function secondsLeft(first: WorkDone, now: WorkDone): number | undefined {
  const [passed, done] = [now.time - first.time, now.share - first.share];
  return passed > SURE && done > 0 ? ((passed / 1000) * (1 - now.share)) / done : undefined;
}
