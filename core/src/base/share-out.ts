import type { Stepwise } from './stepwise.ts';

/** Others who do parts of one piece of work, such as threads; each gives for a part what would come of it here. */
export interface Hands<Part, Result> {
  readonly count: number;
  /** True where this hand can begin at once; else waits till it can, or can't. */
  readonly ready: (hand: number) => true | Promise<boolean>;
  readonly do: (hand: number, part: Part) => Promise<Result>;
  /** No more is asked. */
  readonly end: () => void;
}

/** Parts that lie before each hand, so that it need not wait while its next is sent. */
const IN_ADVANCE = 2;

/** Has the parts of a piece of work done, and gives what comes of them in their order; each is told when it is done. */
export type InParts<Part, Result> = (
  parts: readonly Part[],
  tell?: (result: Result, part: number) => void,
) => Stepwise<Result[]>;

/**
 * Does the parts of a piece of work, from the first on, while others do them from the last on. What comes of them stands
 * in the order of the parts, whoever did them. Nobody is waited for: at the end, what others have not given yet is done
 * here too, and whoever is first is taken.
 *
 * @param work does a part here
 * @param hands who else does parts, where whoever drives this lets their answers come in between
 * @param tell is told what came of each part when it is done, in any order
 */
export function* shareOut<Part, Result>(
  parts: readonly Part[],
  work: (part: Part) => Stepwise<Result>,
  hands?: Hands<Part, Result>,
  tell: (result: Result, part: number) => void = () => undefined,
): Stepwise<Result[]> {
  const results = new Map<number, Result>();
  let [next, end] = [0, parts.length];
  const take = (at: number, result: Result): void => {
    if (results.has(at)) return;
    results.set(at, result);
    tell(result, at);
  };
  const handOut = async (hands: Hands<Part, Result>, hand: number): Promise<void> => {
    // What can begin at once is handed out before the first part is done here.
    const isReady = hands.ready(hand);
    if (isReady !== true && !(await isReady)) return;
    while (next < end) {
      const at = --end;
      take(at, await hands.do(hand, parts[at]));
    }
  };
  function* doHere(at: number): Stepwise<void> {
    const doing = work(parts[at]);
    while (!results.has(at)) {
      const step = doing.next();
      if (step.done) take(at, step.value);
      yield step.done || typeof step.value === 'number' ? results.size / parts.length : step.value;
    }
  }
  for (let k = 0; hands && k < hands.count * IN_ADVANCE; k++) {
    // A part that a hand can't do is done here, where its fault shows.
    handOut(hands, k % hands.count).catch(() => undefined);
  }
  try {
    while (next < end) yield* doHere(next++);
    for (let at = next; at < parts.length; at++) if (!results.has(at)) yield* doHere(at);
  } finally {
    // Stopped midway, nothing more is handed out.
    end = next;
    hands?.end();
  }
  return parts.map((_, at) => results.get(at) as Result);
}

/** Work done part by part here. */
export const oneByOne =
  <Part, Result>(work: (part: Part) => Stepwise<Result>): InParts<Part, Result> =>
  (parts, tell) =>
    shareOut(parts, work, undefined, tell);
