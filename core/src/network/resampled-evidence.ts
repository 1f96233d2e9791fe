import { clusterSummer, tellSums, type ClusterSums } from './cluster-sums.ts';
import { chanceAdder, chancesAgain } from './chance-sums.ts';
import type { Counts } from './counts.ts';
import { judgeClusters, pairsAsked, type Evidence } from './evidence.ts';
import { isCluster, residualsOf, windowsByVoice, windowWeights, withLastCluster } from './residuals.ts';
import type { Windows } from './windows.ts';

/** Numbers of pairs that meet, by cluster, that are kept for the next draw; of more, each draw adds its own up. */
const MOST_KEPT = 20_000_000;

/**
 * The evidence of sources drawn from a collection, each as often as it is drawn. How long windows are is taken from the
 * whole collection. Chances are told of pairs that share a window, of some
 * concepts where these are named, and those of the same sources up to `claimed`.
 */
export function evidenceOfDraws(
  counts: Counts,
  windows: Windows,
  claimed = 1,
): (drawn: readonly number[], among?: Uint8Array) => Evidence {
  const bySource = windowsByVoice(windows);
  const weights = windowWeights(counts, windows);
  const residuals = residualsOf(counts, windows, weights);
  const varying = pairsAsked(counts);
  const summed = keptSums(clusterSummer(residuals, windows));
  const clusterOf: number[] = [];
  let long = 0;
  for (const list of bySource) clusterOf.push(isCluster(list) ? long++ : -1);
  const adding = chancesAgain(residuals, varying);
  return (drawn, among) => {
    const asked = { ofAllPairs: false, between: claimed, among };
    const times = new Float64Array(residuals.clusters);
    for (const source of drawn) if (clusterOf[source] >= 0) times[clusterOf[source]]++;
    const short = drawn.filter((source) => clusterOf[source] < 0).map((source) => bySource[source]);
    if (short.length === 0)
      return judgeClusters({ ...residuals, times }, tellSums(residuals.size, summed), varying, asked, adding);
    // Short sources stand in one cluster, the last, which is made anew of those drawn.
    times[long] = 1;
    const again = countsOf(counts, windows, short);
    const last = residualsOf(
      again.counts,
      again.windows,
      Float64Array.from(short.flat(), (window) => weights[window]),
    );
    const sumsOfLast = clusterSummer(last, again.windows)(0);
    return judgeClusters(
      { ...withLastCluster(residuals, last), times },
      tellSums(residuals.size, (cluster) => (cluster === long ? sumsOfLast : summed(cluster))),
      varying,
      asked,
      (...given) => {
        const [ofLong, ofLast] = [adding(...given), chanceAdder(given[0], given[1], given[2])];
        return {
          add: (cluster, ...rest) => (cluster === long ? ofLast : ofLong).add(cluster, ...rest),
          finish() {
            ofLong.finish();
            ofLast.finish();
          },
        };
      },
    );
  };
}

/** Keeps the sums of clusters, the first of them where they are too many to hold all. */
function keptSums(sumsOf: (cluster: number) => ClusterSums): (cluster: number) => ClusterSums {
  const kept: ClusterSums[] = [];
  let held = 0;
  return (cluster) => {
    if (cluster in kept) return kept[cluster];
    const sums = sumsOf(cluster);
    if (held < MOST_KEPT) kept[cluster] = sums;
    held += sums.met.length;
    return sums;
  };
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
