/** What is told between steps: the share that is done, from 0 to 1, or others' part of the work that is waited for. */
export type Step = number | Promise<unknown>;

/**
 * Work in steps: yields the share that is done, from 0 to 1, and returns its result. Whoever drives it may pause
 * between steps, show progress, or stop it by `return`. Work that is shared with others may yield a promise too, and goes
 * on once that is kept.
 */
export type Stepwise<Result> = Generator<Step, Result, void>;

/**
 * Runs work to its end without a pause.
 *
 * @throws Error where the work waits for others, which takes a pause
 */
export function finish<Result>(work: Stepwise<Result>): Result {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    if (typeof step.value !== 'number')
      throw new Error('Work that waits for others can’t be done in one go.');
  }
}

/** Work that is done in one step. */
export function* inOneStep<Result>(make: () => Result): Stepwise<Result> {
  return make();
}
