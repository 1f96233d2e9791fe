import { shareOut, type Hands, type InParts } from '../base/share-out.ts';
import { inOneStep, type Stepwise } from '../base/stepwise.ts';
import type { PairChances } from '../network/links.ts';
import type { SourceText } from '../text/reading-part.ts';
import type { CleaningStep } from '../text/cleaning/steps.ts';
import { readTokens, type Tokens } from '../text/tokens.ts';
import {
  resampleGrouper,
  pairResampler,
  type PairResampling,
  type ResampleInput,
} from '../themes/resample.ts';
import {
  resolutionGrouper,
  steadinessTeller,
  type SweptNetwork,
  type TriedGrouping,
} from '../themes/resolution.ts';

/** A kind of long work whose parts do not hang on each other: what all parts share, a part, and what comes of it; plain data, which goes to other threads. */
interface Job<Shared, Part, Result> {
  readonly shared: Shared;
  readonly part: Part;
  readonly result: Result;
}

export interface Jobs {
  /** Reads the words of sources in a row. */
  read: Job<
    { readonly steps: readonly CleaningStep[]; readonly leftOut: readonly string[] },
    readonly SourceText[],
    Tokens
  >;
  /** What chance has to do with pairs in a draw of sources. */
  resamplePairs: Job<PairResampling, number, PairChances>;
  /** Groups a network at a resolution. */
  group: Job<SweptNetwork, number, Int32Array>;
  /** How steady a grouping is. */
  compare: Job<SweptNetwork, TriedGrouping, number>;
  /** Groups the concepts of a draw of sources. */
  groupResample: Job<ResampleInput, number, Int32Array>;
}
export type JobName = keyof Jobs;
export type SharedOf<J extends JobName> = Jobs[J]['shared'];
export type PartOf<J extends JobName> = Jobs[J]['part'];
export type ResultOf<J extends JobName> = Jobs[J]['result'];

/** Does the parts of a job that share something. */
export type Doer<J extends JobName> = (part: PartOf<J>) => Stepwise<ResultOf<J>>;

/** How each job is done, here or elsewhere. */
export const JOBS: {
  readonly [J in JobName]: (shared: SharedOf<J>) => Doer<J>;
} = {
  read:
    ({ steps, leftOut }) =>
    (sources) =>
      readTokens(sources, steps, new Set(leftOut)),
  resamplePairs: (shared) => {
    const draw = pairResampler(shared);
    return (number) => inOneStep(() => draw(number));
  },
  group: (shared) => {
    const group = resolutionGrouper(shared);
    return (resolution) => inOneStep(() => group(resolution));
  },
  compare: (shared) => steadinessTeller(shared),
  groupResample: (shared) => resampleGrouper(shared),
};

/** Those who do parts of jobs elsewhere. */
export interface Helpers {
  readonly begin: <J extends JobName>(
    job: J,
    shared: SharedOf<J>,
  ) => Hands<PartOf<J>, ResultOf<J>> | undefined;
}

/**
 * Does a job here, and, where it is long enough for that, with the helpers there are: what all parts share is worked out
 * by each of them.
 */
export const inParts =
  <J extends JobName>(
    job: J,
    shared: SharedOf<J>,
    { helpers }: { readonly helpers?: Helpers },
    isLong = true,
  ): InParts<PartOf<J>, ResultOf<J>> =>
  (parts, tell) =>
    shareOut<PartOf<J>, ResultOf<J>>(
      parts,
      JOBS[job](shared),
      isLong && parts.length > 1 ? helpers?.begin(job, shared) : undefined,
      tell,
    );
