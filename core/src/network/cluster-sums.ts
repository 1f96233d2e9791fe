import { seriesIn, type ClusterSeries } from './autocovariance.ts';
import type { Counts } from './counts.ts';
import { beginCount, countMeetings, meetingsOf, noMeetings, type MeetingSums } from './meetings.ts';
import type { Residuals } from './residuals.ts';
import type { Windows } from './windows.ts';

/** What one cluster says by itself, whichever others it is added up with. */
export interface ClusterSums extends ClusterSeries {
  /**
   * Four numbers for each pair that shares a window in the cluster: the pair, as first concept × number of concepts + second, the
   * first being the smaller; windows with both; those of them that do not overlap; sources they are in. In one list, as they are
   * added up one after the other.
   */
  readonly met: Int32Array;
}
const NUMBERS = 4;

/** Adds up what clusters say by themselves, to be added again and again. The lists it needs for it are made once. */
export function clusterSummer(residuals: Residuals, windows: Windows): (cluster: number) => ClusterSums {
  const tally = tallied(residuals, windows);
  const seriesOf = seriesIn(residuals);
  return (cluster) => ({ met: tally(cluster), ...seriesOf(cluster) });
}

/** Tells what clusters say, one after the other. */
export interface ClusterTeller {
  /** What pairs come to before the first cluster is told. */
  readonly begin: () => MeetingSums;
  /** Adds a cluster's pairs to that, as often as it counts, and tells how its concepts vary. */
  readonly tell: (cluster: number, sums: MeetingSums, often: number) => ClusterSeries;
}

/** Tells of clusters that count once each: their pairs are counted at once. */
export const tellOnce = (residuals: Residuals, counts: Counts, windows: Windows): ClusterTeller => ({
  begin: () => meetingsOf(counts, windows),
  tell: seriesIn(residuals),
});

/** Tells what was added up of clusters. */
export const tellSums = (size: number, sumsOf: (cluster: number) => ClusterSums): ClusterTeller => ({
  begin: () => noMeetings(size),
  tell(cluster, { together, meetings, sources }, often) {
    const sums = sumsOf(cluster);
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

/** Adds up the shared windows and separate meetings of a cluster. */
function tallied(residuals: Residuals, windows: Windows): (cluster: number) => Int32Array {
  const { size, clusters, clusterFirst, presentFirst, present } = residuals;
  let most = 0;
  for (let b = 0; b < clusters; b++) most = Math.max(most, presentFirst[b + 1] - presentFirst[b]);
  const count = beginCount(most, new Int32Array(size));
  const { together, meetings, sources, ended, seenIn, met, placeOf } = count;
  return (cluster) => {
    const concepts = present.subarray(presentFirst[cluster], presentFirst[cluster + 1]);
    const number = concepts.length;
    for (let x = 0; x < number; x++) placeOf[concepts[x]] = x;
    const [from, to] = [clusterFirst[cluster], clusterFirst[cluster + 1]];
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

/** The pair that is told by the places of its concepts in a cluster. */
const pairAt = (at: number, concepts: Int32Array, size: number): number =>
  concepts[Math.floor(at / concepts.length)] * size + concepts[at % concepts.length];
