import type { Counts } from './counts.ts';
import type { Windows } from './windows.ts';

/** What pairs come to; size × size, filled where the first concept is the smaller. */
export interface MeetingSums {
  /** Windows with both, those of them that do not overlap, and sources in which they share one. */
  readonly together: Float64Array;
  readonly meetings: Int32Array;
  readonly sources: Int32Array;
}

export const noMeetings = (size: number): MeetingSums => ({
  together: new Float64Array(size * size),
  meetings: new Int32Array(size * size),
  sources: new Int32Array(size * size),
});

/**
 * Counts what pairs share: a window counts as a meeting where it begins after the last one that counted has ended. As windows
 * stand in the order of the text, none overlaps one of another source.
 */
export function meetingsOf(
  { windowFirst, inWindow, windowsWith, together }: Counts,
  { count, first, end, source }: Windows,
): MeetingSums {
  const size = windowsWith.length;
  const sums = noMeetings(size);
  for (let i = 0; i < size; i++) {
    for (let pair = i * size + i + 1; pair < (i + 1) * size; pair++) sums.together[pair] = together[pair];
  }
  const { meetings, sources } = sums;
  const ended = new Int32Array(size * size);
  // One more than the last source each pair was in.
  const seenIn = new Int32Array(size * size);
  for (let w = 0; w < count; w++) {
    const to = windowFirst[w + 1];
    const [begins, ends, from] = [first[w], end[w], source[w] + 1];
    for (let k = windowFirst[w]; k < to; k++) {
      const x = inWindow[k];
      for (let m = k + 1; m < to; m++) {
        const y = inWindow[m];
        const pair = x < y ? x * size + y : y * size + x;
        if (ended[pair] <= begins) {
          meetings[pair]++;
          ended[pair] = ends;
        }
        if (seenIn[pair] !== from) {
          sources[pair]++;
          seenIn[pair] = from;
        }
      }
    }
  }
  return sums;
}
