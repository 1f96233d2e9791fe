import { blockSummer, type BlockSums } from './block-sums.ts';
import type { Counts } from './counts.ts';
import { judgeBlocks, weighEvidence, type Evidence } from './evidence.ts';
import { isBlock, residualsOf, windowsBySource, type Residuals } from './residuals.ts';
import type { Windows } from './windows.ts';

/** Sums of pairs by block that are kept for the next draw; of more, each draw adds its own up. */
const MOST_KEPT = 16_000_000;

/**
 * The evidence of sources drawn from a collection, each as often as it is drawn. How long windows are is taken from the
 * whole collection.
 */
export function evidenceOfDraws(counts: Counts, windows: Windows): (drawn: readonly number[]) => Evidence {
  const bySource = windowsBySource(windows);
  // Short sources stand in one block, the last, which is made anew of those drawn.
  if (!bySource.every(isBlock)) {
    return (drawn) => {
      const again = countsOf(
        counts,
        windows,
        drawn.map((source) => bySource[source]),
      );
      return weighEvidence(again.counts, again.windows);
    };
  }
  const residuals = residualsOf(counts, windows);
  const summed = keptSums(residuals, blockSummer(residuals, windows));
  return (drawn) => {
    const times = new Float64Array(residuals.blocks);
    for (const source of drawn) times[source]++;
    return judgeBlocks({ ...residuals, times }, summed);
  };
}

/** Keeps the sums of blocks, where they are not too many to hold. */
function keptSums(
  { size, blocks }: Residuals,
  sumsOf: (block: number) => BlockSums,
): (block: number) => BlockSums {
  if (size * size * blocks > MOST_KEPT) return sumsOf;
  const kept: BlockSums[] = [];
  return (block) => (kept[block] ??= sumsOf(block));
}

/** The counts of the windows of some sources, each as often as it is listed. */
export function countsOf(
  counts: Counts,
  windows: Windows,
  drawn: readonly (readonly number[])[],
): { counts: Counts; windows: Windows } {
  const n = counts.windowsWith.length;
  const count = drawn.reduce((sum, list) => sum + list.length, 0);
  const inWindow: number[] = [];
  const windowFirst = new Int32Array(count + 1);
  const [first, end, source] = [new Int32Array(count), new Int32Array(count), new Int32Array(count)];
  const together = new Int32Array(n * n);
  let w = 0;
  let start = 0;
  drawn.forEach((list, s) => {
    const shift = start - windows.first[list[0]];
    for (const from of list) {
      const [low, high] = [counts.windowFirst[from], counts.windowFirst[from + 1]];
      for (let a = low; a < high; a++) {
        inWindow.push(counts.inWindow[a]);
        for (let b = low; b < high; b++) together[counts.inWindow[a] * n + counts.inWindow[b]]++;
      }
      first[w] = windows.first[from] + shift;
      end[w] = windows.end[from] + shift;
      source[w] = s;
      start = Math.max(start, end[w]);
      windowFirst[++w] = inWindow.length;
    }
  });
  return {
    counts: {
      windowFirst,
      inWindow: Int32Array.from(inWindow),
      windowsWith: Int32Array.from({ length: n }, (_, i) => together[i * n + i]),
      together,
    },
    windows: { count, first, end, source, overlap: windows.overlap },
  };
}
