import { adjustForMany } from '../numeric/chance.ts';
import { ranked } from '../base/order.ts';
import type { Counts } from './counts.ts';
import type { Evidence } from './evidence.ts';
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
  /** Chance within sources (`weighEvidence`). */
  readonly p: Float64Array;
  /** p adjusted for all pairs of concepts (Benjamini & Hochberg 1995). */
  readonly q: Float64Array;
  /** Chance that the same sources hold both, and the same adjusted. */
  readonly pBetween: Float64Array;
  readonly qBetween: Float64Array;
  /** Windows with both that do not overlap. */
  readonly meetings: Int32Array;
  /** Sources in which they share a window. */
  readonly sources: Int32Array;
  /** 1 where they share more windows than within sources by chance. */
  readonly up: Uint8Array;
  /** 1 where they meet oftener than by chance within sources, 2 where only the same sources hold both, 0 where neither. */
  readonly beyond: Uint8Array;
  /** 1 where the link stands. */
  readonly stands: Uint8Array;
  readonly standing: number;
}

/** A link stands on meetings in at least so many sources, or on so many separate meetings in one. */
const FEWEST_SOURCES = 2;
const FEWEST_MEETINGS = 3;

/** Whether two concepts meet in sources enough, or often enough in one. */
export const meetsOftenEnough = (sources: number, meetings: number): boolean =>
  sources >= FEWEST_SOURCES || meetings >= FEWEST_MEETINGS;

/** What the links are found from. */
export interface LinkInput {
  readonly counts: Counts;
  readonly windows: Windows;
  readonly evidence: Evidence;
}

/** G² of the table of windows; sliding windows see every sentence several times, so it is divided by the overlap. */
export function overlapCorrectedG2(
  both: number,
  withFirst: number,
  withSecond: number,
  windows: number,
  overlap: number,
): number {
  return logLikelihood(both / overlap, withFirst / overlap, withSecond / overlap, windows / overlap);
}

/** Measures every pair of concepts that shares a window and says which links stand. */
export function findLinks({ counts, windows, evidence }: LinkInput, settings: LinkSettings): Links {
  const n = counts.windowsWith.length;
  const tests = (n * (n - 1)) / 2;
  const found: number[] = [];
  for (let i = 0; i < n; i++) {
    for (let j = i + 1; j < n; j++) if (counts.together[i * n + j] > 0) found.push(i * n + j);
  }
  const of = (pair: number): [number, number, number, number] => [
    counts.together[pair],
    counts.windowsWith[Math.floor(pair / n)],
    counts.windowsWith[pair % n],
    windows.count,
  ];
  const floats = (make: (pair: number) => number): Float64Array => Float64Array.from(found, make);
  const strength = floats((pair) => MEASURES[settings.measure].of(...of(pair)));
  const p = floats((pair) => evidence.pWithin[pair]);
  const q = adjustForMany(p, tests);
  const pBetween = floats((pair) => evidence.pBetween[pair]);
  const qBetween = adjustForMany(pBetween, tests);
  const beyond = Uint8Array.from(found, (pair, i) => {
    if (q[i] < settings.maximumQ && evidence.together[pair] > evidence.expected[pair]) return 1;
    return qBetween[i] < settings.maximumQ && evidence.betweenUp[pair] === 1 ? 2 : 0;
  });
  const stands = Uint8Array.from(found, (pair, i) => {
    const oftenEnough =
      counts.together[pair] >= settings.minimumTogether &&
      meetsOftenEnough(evidence.sources[pair], evidence.meetings[pair]);
    return oftenEnough && strength[i] > settings.cutOff && beyond[i] > 0 ? 1 : 0;
  });
  const order = ranked(found.length, (i) => strength[i]);
  const sorted = [...order.filter((i) => stands[i] === 1), ...order.filter((i) => stands[i] === 0)];
  return {
    source: Int32Array.from(sorted, (i) => Math.floor(found[i] / n)),
    target: Int32Array.from(sorted, (i) => found[i] % n),
    both: Int32Array.from(sorted, (i) => counts.together[found[i]]),
    strength: Float64Array.from(sorted, (i) => strength[i]),
    npmi: Float64Array.from(sorted, (i) => npmi(...of(found[i]))),
    g2: Float64Array.from(sorted, (i) => overlapCorrectedG2(...of(found[i]), windows.overlap)),
    p: Float64Array.from(sorted, (i) => p[i]),
    q: Float64Array.from(sorted, (i) => q[i]),
    pBetween: Float64Array.from(sorted, (i) => pBetween[i]),
    qBetween: Float64Array.from(sorted, (i) => qBetween[i]),
    meetings: Int32Array.from(sorted, (i) => evidence.meetings[found[i]]),
    sources: Int32Array.from(sorted, (i) => evidence.sources[found[i]]),
    up: Uint8Array.from(sorted, (i) => (evidence.together[found[i]] > evidence.expected[found[i]] ? 1 : 0)),
    beyond: Uint8Array.from(sorted, (i) => beyond[i]),
    stands: Uint8Array.from(sorted, (i) => stands[i]),
    standing: stands.reduce((sum, each) => sum + each, 0),
  };
}
