import { seriesIn, type BlockSeries } from './autocovariance.ts';
import type { Counts } from './counts.ts';
import { beginCount, countMeetings, meetingsOf, noMeetings, type MeetingSums } from './meetings.ts';
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

/** Adds up the shared windows and separate meetings of a block. */
function tallied(residuals: Residuals, windows: Windows): (block: number) => Int32Array {
  const { size, blocks, blockFirst, presentFirst, present } = residuals;
  let most = 0;
  for (let b = 0; b < blocks; b++) most = Math.max(most, presentFirst[b + 1] - presentFirst[b]);
  const count = beginCount(most, new Int32Array(size));
  const { together, meetings, sources, ended, seenIn, met, placeOf } = count;
  return (block) => {
    const concepts = present.subarray(presentFirst[block], presentFirst[block + 1]);
    const number = concepts.length;
    for (let x = 0; x < number; x++) placeOf[concepts[x]] = x;
    const [from, to] = [blockFirst[block], blockFirst[block + 1]];
    const pairs = countMeetings(residuals, windows, from, to, { ...count, number });
    const tally = new Int32Array(NUMBERS * pairs);
    for (let k = 0; k < pairs; k++) {
      const pair = met[k];
      tally[NUMBERS * k] = pairAt(pair, concepts, size);
      tally[NUMBERS * k + 1] = together[pair];
      tally[NUMBERS * k + 2] = meetings[pair];
      tally[NUMBERS * k + 3] = sources[pair];
      together[pair] = meetings[pair] = sources[pair] = ended[pair] = seenIn[pair] = 0;
    }
    return tally;
  };
}

/** The pair that is told by the places of its concepts in a block. */
const pairAt = (at: number, concepts: Int32Array, size: number): number =>
  concepts[Math.floor(at / concepts.length)] * size + concepts[at % concepts.length];
