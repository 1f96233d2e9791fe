import { seriesIn, type BlockSeries } from './autocovariance.ts';
import type { Counts } from './counts.ts';
import { meetingsOf, noMeetings, type MeetingSums } from './meetings.ts';
import type { Residuals } from './residuals.ts';
import type { Windows } from './windows.ts';

/** What one block says by itself, whichever others it is added up with. */
export interface BlockSums extends BlockSeries {
  /**
   * Four numbers for each pair that shares a window in the block: the pair, as first concept × number of concepts + second, the
   * first being the smaller; windows with both; those of them that do not overlap; sources they are in. In one list, as they are
   * added up one after the other.
   */
  readonly met: Int32Array;
}
const NUMBERS = 4;

/** Adds up what blocks say by themselves, to be added again and again. The lists it needs for it are made once. */
export function blockSummer(residuals: Residuals, windows: Windows): (block: number) => BlockSums {
  const tally = tallied(residuals, windows);
  const seriesOf = seriesIn(residuals);
  return (block) => ({ met: tally(block), ...seriesOf(block) });
}

/** Tells what blocks say, one after the other. */
export interface BlockTeller {
  /** What pairs come to before the first block is told. */
  readonly begin: () => MeetingSums;
  /** Adds a block's pairs to that, as often as it counts, and tells how its concepts vary. */
  readonly tell: (block: number, sums: MeetingSums, often: number) => BlockSeries;
}

/** Tells of blocks that count once each: their pairs are counted at once. */
export const tellOnce = (residuals: Residuals, counts: Counts, windows: Windows): BlockTeller => ({
  begin: () => meetingsOf(counts, windows),
  tell: seriesIn(residuals),
});

/** Tells what was added up of blocks. */
export const tellSums = (size: number, sumsOf: (block: number) => BlockSums): BlockTeller => ({
  begin: () => noMeetings(size),
  tell(block, { together, meetings, sources }, often) {
    const sums = sumsOf(block);
    const { met } = sums;
    for (let k = 0; k < met.length; k += NUMBERS) {
      const pair = met[k];
      together[pair] += often * met[k + 1];
      meetings[pair] += often * met[k + 2];
      sources[pair] += often * met[k + 3];
    }
    return sums;
  },
});

/** Of each pair of a block's concepts, told by their places there: windows with both, those that do not overlap, sources, and where and in which the last one was. */
interface Meetings {
  readonly both: Int32Array;
  readonly meetings: Int32Array;
  readonly sources: Int32Array;
  readonly ended: Int32Array;
  readonly lastSource: Int32Array;
}

/** Adds up the shared windows and separate meetings of a block. */
function tallied(residuals: Residuals, windows: Windows): (block: number) => Int32Array {
  const { size, blocks, presentFirst, present } = residuals;
  let most = 0;
  for (let b = 0; b < blocks; b++) most = Math.max(most, presentFirst[b + 1] - presentFirst[b]);
  const list = (value: number): Int32Array => new Int32Array(most * most).fill(value);
  const counted = {
    both: list(0),
    meetings: list(0),
    sources: list(0),
    ended: list(-1),
    lastSource: list(-1),
  };
  const seen = list(0);
  const placeOf = new Int32Array(size);
  return (block) => {
    const concepts = present.subarray(presentFirst[block], presentFirst[block + 1]);
    const number = concepts.length;
    for (let x = 0; x < number; x++) placeOf[concepts[x]] = x;
    const pairs = countMeetings(residuals, windows, block, { ...counted, seen, placeOf, number });
    const met = new Int32Array(NUMBERS * pairs);
    const { both, meetings, sources, ended, lastSource } = counted;
    for (let k = 0; k < pairs; k++) {
      const pair = seen[k];
      met[NUMBERS * k] = pairAt(pair, concepts, size);
      met[NUMBERS * k + 1] = both[pair];
      met[NUMBERS * k + 2] = meetings[pair];
      met[NUMBERS * k + 3] = sources[pair];
      both[pair] = meetings[pair] = sources[pair] = 0;
      ended[pair] = lastSource[pair] = -1;
    }
    return met;
  };
}

/** The pair that is told by the places of its concepts in a block. */
const pairAt = (at: number, concepts: Int32Array, size: number): number =>
  concepts[Math.floor(at / concepts.length)] * size + concepts[at % concepts.length];

/**
 * Counts those of one block: a window counts as a meeting where it begins after the last one that counted has ended. Apart, as
 * what a function is handed is known to the machine to stay what it is.
 *
 * @param seen is filled with the pairs that met
 * @returns how many they are
 */
function countMeetings(
  { blockFirst, windowFirst, inWindow, windowAt }: Residuals,
  { first, end, source }: Windows,
  block: number,
  {
    both,
    meetings,
    sources,
    ended,
    lastSource,
    seen,
    placeOf,
    number,
  }: Meetings & { readonly seen: Int32Array; readonly placeOf: Int32Array; readonly number: number },
): number {
  let met = 0;
  const last = blockFirst[block + 1];
  for (let at = blockFirst[block]; at < last; at++) {
    const to = windowFirst[at + 1];
    const w = windowAt[at];
    const begins = first[w];
    const ends = end[w];
    const from = source[w];
    for (let k = windowFirst[at]; k < to; k++) {
      const x = placeOf[inWindow[k]];
      for (let m = k + 1; m < to; m++) {
        const y = placeOf[inWindow[m]];
        const pair = x < y ? x * number + y : y * number + x;
        if (both[pair]++ === 0) seen[met++] = pair;
        if (ended[pair] <= begins) {
          meetings[pair]++;
          ended[pair] = ends;
        }
        if (lastSource[pair] !== from) {
          sources[pair]++;
          lastSource[pair] = from;
        }
      }
    }
  }
  return met;
}
