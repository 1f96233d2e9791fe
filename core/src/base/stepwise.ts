/**
 * Work in steps: yields the share that is done, from 0 to 1, and returns its result. Whoever drives it may pause
 * between steps, show progress, or stop it by `return`.
 */
export type Stepwise<Result> = Generator<number, Result, void>;

/** Runs work to its end without a pause. */
export function finish<Result>(work: Stepwise<Result>): Result {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

/** Work that is done in one step. */
export function* inOneStep<Result>(make: () => Result): Stepwise<Result> {
  return make();
}
