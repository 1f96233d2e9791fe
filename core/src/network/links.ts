import { adjustForMany, fisherExact } from '../numeric/chance.ts';
import { ranked } from '../base/order.ts';
import { chiSquareTail } from '../numeric/special.ts';
import type { Counts } from './counts.ts';
import { logLikelihood, MEASURES, npmi, type Measure } from './measures.ts';
import type { Windows } from './windows.ts';

export interface LinkSettings {
  readonly measure: Measure;
  /** A link stands above this value of the measure. */
  readonly cutOff: number;
  /** Fewest windows two concepts share. */
  readonly minimumTogether: number;
  /** Largest q: the share of false links to put up with among those that stand. */
  readonly maximumQ: number;
}

/** Pairs of concepts that share a window, sorted by falling strength; the first `standing` of them are links. */
export interface Links {
  readonly source: Int32Array;
  readonly target: Int32Array;
  /** Windows with both. */
  readonly both: Int32Array;
  /** The measure the cut-off is on. */
  readonly strength: Float64Array;
  readonly npmi: Float64Array;
  /** Signed log-likelihood G² of the overlap-corrected table. */
  readonly g2: Float64Array;
  readonly p: Float64Array;
  /** p adjusted for all pairs of concepts (Benjamini & Hochberg 1995). */
  readonly q: Float64Array;
  /** 1 where the link stands. */
  readonly stands: Uint8Array;
  readonly standing: number;
}

/** Below this expected count χ² no longer holds and Fisher's exact test is used. */
const SMALLEST_EXPECTED = 5;

/**
 * G² and its chance for a pair. Sliding windows see every sentence several times, so the table is divided by the
 * overlap before it is tested.
 */
export function chanceOfPair(
  both: number,
  withFirst: number,
  withSecond: number,
  windows: number,
  overlap: number,
): { g2: number; p: number } {
  const a = both / overlap;
  const first = withFirst / overlap;
  const second = withSecond / overlap;
  const total = windows / overlap;
  const g2 = logLikelihood(a, first, second, total);
  const smallest = Math.min(first, total - first) * (Math.min(second, total - second) / total);
  if (smallest >= SMALLEST_EXPECTED) return { g2, p: chiSquareTail(Math.abs(g2)) };
  const shared = Math.round(a);
  const onlyFirst = Math.max(0, Math.round(first) - shared);
  const onlySecond = Math.max(0, Math.round(second) - shared);
  const neither = Math.max(0, Math.round(total) - shared - onlyFirst - onlySecond);
  return { g2, p: fisherExact(shared, onlyFirst, onlySecond, neither) };
}

/** Measures every pair of concepts that shares a window and says which links stand. */
export function findLinks(counts: Counts, windows: Windows, settings: LinkSettings): Links {
  const n = counts.windowsWith.length;
  const source: number[] = [];
  const target: number[] = [];
  for (let i = 0; i < n; i++) {
    for (let j = i + 1; j < n; j++) {
      if (counts.together[i * n + j] > 0) {
        source.push(i);
        target.push(j);
      }
    }
  }
  const of = (pair: number): [number, number, number, number] => [
    counts.together[source[pair] * n + target[pair]],
    counts.windowsWith[source[pair]],
    counts.windowsWith[target[pair]],
    windows.count,
  ];
  const pairs = source.length;
  const strength = Float64Array.from({ length: pairs }, (_, i) => MEASURES[settings.measure].of(...of(i)));
  const g2 = new Float64Array(pairs);
  const p = new Float64Array(pairs);
  for (let i = 0; i < pairs; i++) ({ g2: g2[i], p: p[i] } = chanceOfPair(...of(i), windows.overlap));
  const q = adjustForMany(p, (n * (n - 1)) / 2);
  const together = (i: number): number => counts.together[source[i] * n + target[i]];
  const stands = (i: number): boolean =>
    together(i) >= settings.minimumTogether &&
    strength[i] > settings.cutOff &&
    q[i] < settings.maximumQ &&
    g2[i] > 0;
  const order = ranked(pairs, (i) => strength[i]);
  const sorted = [...order.filter(stands), ...order.filter((i) => !stands(i))];
  return {
    source: Int32Array.from(sorted, (i) => source[i]),
    target: Int32Array.from(sorted, (i) => target[i]),
    both: Int32Array.from(sorted, together),
    strength: Float64Array.from(sorted, (i) => strength[i]),
    npmi: Float64Array.from(sorted, (i) => npmi(...of(i))),
    g2: Float64Array.from(sorted, (i) => g2[i]),
    p: Float64Array.from(sorted, (i) => p[i]),
    q: Float64Array.from(sorted, (i) => q[i]),
    stands: Uint8Array.from(sorted, (i) => (stands(i) ? 1 : 0)),
    standing: order.filter(stands).length,
  };
}
