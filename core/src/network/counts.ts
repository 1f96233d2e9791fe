import type { Occurring } from '../concepts/renumbered.ts';
import type { Concepts } from '../concepts/selection.ts';
import { Int32List } from '../base/int32-list.ts';
import type { Windows } from './windows.ts';

/** Which concepts are in which windows, and how often two share one. */
export interface Counts {
  /** Concepts of window w: `inWindow[windowFirst[w] … windowFirst[w + 1])`, each once. */
  readonly windowFirst: Int32Array;
  readonly inWindow: Int32Array;
  /** n_i: windows with each concept. */
  readonly windowsWith: Int32Array;
  /** n_ij: windows with both, concepts × concepts, symmetric, with n_i on the diagonal. */
  readonly together: Int32Array;
  /** Words and phrases of content in each window, whether concepts or not; left out where it is not known. */
  readonly content?: Int32Array;
}

/** How many occurrences of anything each window holds, wholly. */
export function contentOfWindows(
  { occurrenceFirst, occurrenceEnd }: Pick<Occurring, 'occurrenceFirst' | 'occurrenceEnd'>,
  windows: Windows,
): Int32Array {
  const content = new Int32Array(windows.count);
  let from = 0;
  for (let w = 0; w < windows.count; w++) {
    while (from < occurrenceFirst.length && occurrenceFirst[from] < windows.first[w]) from++;
    let to = from;
    while (to < occurrenceFirst.length && occurrenceEnd[to] <= windows.end[w]) to++;
    content[w] = to - from;
  }
  return content;
}

/**
 * How many windows hold each of some candidates or concepts, wholly. Windows and occurrences stand in the order of the
 * text, so those that hold an occurrence follow each other, and each occurrence adds those the last one did not.
 */
export function windowsWithEach(
  { occurrence, occurrenceFirst, occurrenceEnd }: Occurring,
  windows: Windows,
  count: number,
): Int32Array {
  const held = new Int32Array(count);
  // One past the last window counted for each.
  const counted = new Int32Array(count);
  let from = 0;
  let to = 0;
  for (let i = 0; i < occurrence.length; i++) {
    while (from < windows.count && windows.end[from] < occurrenceEnd[i]) from++;
    while (to < windows.count && windows.first[to] <= occurrenceFirst[i]) to++;
    const each = occurrence[i];
    const added = to - Math.max(from, counted[each]);
    if (added <= 0) continue;
    held[each] += added;
    counted[each] = to;
  }
  return held;
}

/** The concepts of every window, each once. */
export function conceptsInWindows(
  {
    keys,
    occurrence,
    occurrenceFirst,
    occurrenceEnd,
  }: Pick<Concepts, 'keys' | 'occurrence' | 'occurrenceFirst' | 'occurrenceEnd'>,
  windows: Windows,
): Pick<Counts, 'windowFirst' | 'inWindow'> {
  const windowFirst = new Int32Array(windows.count + 1);
  const inWindow = new Int32List();
  const stamp = new Int32Array(keys.length).fill(-1);
  let from = 0;
  for (let w = 0; w < windows.count; w++) {
    while (from < occurrence.length && occurrenceFirst[from] < windows.first[w]) from++;
    for (let i = from; i < occurrence.length && occurrenceEnd[i] <= windows.end[w]; i++) {
      if (stamp[occurrence[i]] === w) continue;
      stamp[occurrence[i]] = w;
      inWindow.push(occurrence[i]);
    }
    windowFirst[w + 1] = inWindow.length;
  }
  return { windowFirst, inWindow: inWindow.done() };
}

/**
 * Counts concepts and pairs over the windows, exactly.
 *
 * @param content everything of content that the texts hold, concepts and others
 */
export function countTogether(
  concepts: Pick<Concepts, 'keys' | 'occurrence' | 'occurrenceFirst' | 'occurrenceEnd'>,
  windows: Windows,
  content?: Pick<Occurring, 'occurrenceFirst' | 'occurrenceEnd'>,
): Counts {
  const n = concepts.keys.length;
  const { windowFirst, inWindow } = conceptsInWindows(concepts, windows);
  const together = new Int32Array(n * n);
  const windowsWith = new Int32Array(n);
  for (let w = 0; w < windows.count; w++) {
    const to = windowFirst[w + 1];
    for (let k = windowFirst[w]; k < to; k++) {
      const x = inWindow[k];
      windowsWith[x]++;
      for (let m = k + 1; m < to; m++) {
        const y = inWindow[m];
        together[x < y ? x * n + y : y * n + x]++;
      }
    }
  }
  for (let i = 0; i < n; i++) {
    together[i * n + i] = windowsWith[i];
    for (let j = i + 1; j < n; j++) together[j * n + i] = together[i * n + j];
  }
  const counts = { windowFirst, inWindow, windowsWith, together };
  return content ? { ...counts, content: contentOfWindows(content, windows) } : counts;
}
