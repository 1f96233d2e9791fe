import type { Counts } from './counts.ts';
import type { Windows } from './windows.ts';

/** What pairs come to; size × size, filled where the first concept is the smaller. */
export interface MeetingSums {
  /** Windows with both, those of them that do not overlap, and sources in which they share one. */
  readonly together: Int32Array;
  readonly meetings: Int32Array;
  readonly sources: Int32Array;
}

export const noMeetings = (size: number): MeetingSums => ({
  together: new Int32Array(size * size),
  meetings: new Int32Array(size * size),
  sources: new Int32Array(size * size),
});

/** Pairs as they are counted, told by the places of their concepts: first × number of places + second, the first being the smaller. */
export interface MeetingCount extends MeetingSums {
  /** Where the last window that counted as a meeting ended. */
  readonly ended: Int32Array;
  /** One more than the last source the pair was in. */
  readonly seenIn: Int32Array;
  /** The pairs that met, in the order in which they did first. */
  readonly met: Int32Array;
  readonly placeOf: Int32Array;
  readonly number: number;
}

/** @param number how many places there may be at most */
export const beginCount = (number: number, placeOf: Int32Array): MeetingCount => ({
  ...noMeetings(number),
  ended: new Int32Array(number * number),
  seenIn: new Int32Array(number * number),
  met: new Int32Array(number * number),
  placeOf,
  number,
});

/** The numbers from 0 on. */
const upTo = (count: number): Int32Array => {
  const list = new Int32Array(count);
  for (let i = 0; i < count; i++) list[i] = i;
  return list;
};

/** Counts what pairs share in all windows. */
export function meetingsOf(counts: Counts, windows: Windows): MeetingSums {
  const size = counts.windowsWith.length;
  const count = beginCount(size, upTo(size));
  countMeetings({ ...counts, windowAt: upTo(windows.count) }, windows, 0, windows.count, count);
  return count;
}

/**
 * Counts what pairs share in some windows, which stand in the order of the text: one counts as a meeting where it begins after the
 * last one that counted has ended. None overlaps one of another source.
 *
 * @returns how many pairs met
 */
export function countMeetings(
  {
    windowFirst,
    inWindow,
    windowAt,
  }: Pick<Counts, 'windowFirst' | 'inWindow'> & { readonly windowAt: Int32Array },
  { first, end, source }: Windows,
  from: number,
  to: number,
  { together, meetings, sources, ended, seenIn, met, placeOf, number }: MeetingCount,
): number {
  let pairs = 0;
  for (let at = from; at < to; at++) {
    const last = windowFirst[at + 1];
    const w = windowAt[at];
    const [begins, ends, inSource] = [first[w], end[w], source[w] + 1];
    for (let k = windowFirst[at]; k < last; k++) {
      const x = placeOf[inWindow[k]];
      for (let m = k + 1; m < last; m++) {
        const y = placeOf[inWindow[m]];
        const pair = x < y ? x * number + y : y * number + x;
        if (together[pair]++ === 0) met[pairs++] = pair;
        if (ended[pair] <= begins) {
          meetings[pair]++;
          ended[pair] = ends;
        }
        if (seenIn[pair] !== inSource) {
          sources[pair]++;
          seenIn[pair] = inSource;
        }
      }
    }
  }
  return pairs;
}
