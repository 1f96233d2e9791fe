import type { Coming, Stepwise } from './stepwise.ts';

/** Work in steps that several take on together. */
export interface Joint<Result> {
  /** One more takes part. */
  readonly join: () => void;
  /** Takes the work on by a step; undefined where it came to its end by that. */
  readonly goOn: () => number | Coming | undefined;
  /** Gives the result, or throws what the work threw; undefined till it came to its end. */
  readonly end: (() => Result) | undefined;
  /** One takes part no longer: true where that was the last one, with whom the work ends. */
  readonly leave: () => boolean;
}

/** Work that several may take on; it runs once. */
export function joint<Result>(work: Stepwise<Result>): Joint<Result> {
  let taking = 0;
  let end: (() => Result) | undefined;
  return {
    join() {
      taking++;
    },
    goOn() {
      try {
        const step = work.next();
        if (!step.done) return step.value;
        const { value } = step;
        end = () => value;
      } catch (error) {
        end = () => {
          throw error;
        };
      }
      return undefined;
    },
    get end() {
      return end;
    },
    leave() {
      taking--;
      if (taking > 0) return false;
      // After its end this does nothing.
      work.return(undefined as never);
      return true;
    },
  };
}
