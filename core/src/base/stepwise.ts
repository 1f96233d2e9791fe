/** What work can't go on before: a part of the program that is still on its way. Rejected where it does not come. */
export type Coming = Promise<void>;

/**
 * Work in steps: yields the share that is done, from 0 to 1, or what it waits for, and returns its result. Whoever drives
 * it may pause between steps, show progress, or stop it by `return`.
 */
export type Stepwise<Result> = Generator<number | Coming, Result, void>;

/** Runs work to its end without a pause; it is work that waits for nothing. */
export function finish<Result>(work: Stepwise<Result>): Result {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    if (typeof step.value !== 'number') throw new Error('This work waits for what is still to come.');
  }
}

/** Runs work to its end, waiting for what it waits for. */
export async function finishInTime<Result>(work: Stepwise<Result>): Promise<Result> {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    if (typeof step.value !== 'number') await step.value;
  }
}

/** Work that is done in one step. */
export function* inOneStep<Result>(make: () => Result): Stepwise<Result> {
  return make();
}

/** Work that is a part of longer work: what it has done is told as a share of that, from `from` on. */
export function* within<Result>(work: Stepwise<Result>, from: number, share: number): Stepwise<Result> {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    yield typeof step.value === 'number' ? from + share * step.value : step.value;
  }
}

/** What is loaded when it is first asked for, and held from then on; where that fails, it is loaded when it is asked for next. */
export function onceLoaded<Held>(load: () => Promise<Held>): () => Stepwise<Held> {
  let held: { readonly value: Held } | undefined;
  let coming: Coming | undefined;
  const bring = async (): Promise<void> => {
    try {
      held = { value: await load() };
    } finally {
      coming = undefined;
    }
  };
  return function* () {
    if (!held) yield (coming ??= bring());
    if (!held) throw new Error('It was not waited for.');
    return held.value;
  };
}
