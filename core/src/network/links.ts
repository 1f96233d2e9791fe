import { adjustForMany } from '../numeric/chance.ts';
import { ranked } from '../base/order.ts';
import type { Evidence } from './evidence.ts';
import { cosine, jaccard, logLikelihood, MEASURES, npmi, type Measure } from './measures.ts';

export interface LinkSettings {
  readonly measure: Measure;
  /** A link stands above this value of the measure. */
  readonly cutOff: number;
  /** Fewest windows two concepts share. */
  readonly minimumTogether: number;
  /** Largest q: the share of false links to put up with among those that stand. */
  readonly maximumQ: number;
  /** What it takes to stand: meetings beyond chance within sources, or that or which sources hold both. */
  readonly standsBy: 'either' | 'meetings';
}

/** Pairs of concepts that share a window, and what chance has to do with it. */
export interface JudgedPairs {
  readonly source: Int32Array;
  readonly target: Int32Array;
  /** Windows with both. */
  readonly both: Int32Array;
  /** The measure the cut-off is on. */
  readonly strength: Float64Array;
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
}

/** The pairs sorted, those that stand first, each by falling strength: the first `standing` of them are links. */
export interface Links extends JudgedPairs {
  readonly npmi: Float64Array;
  readonly jaccard: Float64Array;
  readonly cosine: Float64Array;
  /** Signed log-likelihood G² of the overlap-corrected table. */
  readonly g2: Float64Array;
  readonly standing: number;
}

/** A link stands on meetings in at least so many sources, or on so many separate meetings in one. */
const FEWEST_SOURCES = 2;
const FEWEST_MEETINGS = 3;

/** Whether two concepts meet in sources enough, or often enough in one. */
export const meetsOftenEnough = (sources: number, meetings: number): boolean =>
  sources >= FEWEST_SOURCES || meetings >= FEWEST_MEETINGS;

/** Whether a pair stands once it is strong enough: it meets often enough, and beyond chance. */
export function mayStand(
  { both, sources, meetings, beyond }: Pick<JudgedPairs, 'both' | 'sources' | 'meetings' | 'beyond'>,
  pair: number,
  settings: Pick<LinkSettings, 'minimumTogether' | 'standsBy'>,
): boolean {
  const isBeyond = beyond[pair] === 1 || (beyond[pair] === 2 && settings.standsBy === 'either');
  return (
    isBeyond && both[pair] >= settings.minimumTogether && meetsOftenEnough(sources[pair], meetings[pair])
  );
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

/** Judges every pair that shares a window, among all pairs there could be; in the order of the concepts. */
export function judgePairs(evidence: Evidence, settings: LinkSettings): JudgedPairs {
  const { size: n, windowsWith, together } = evidence;
  const tests = (n * (n - 1)) / 2;
  const found: number[] = [];
  for (let i = 0; i < n; i++) {
    for (let j = i + 1; j < n; j++) if (together[i * n + j] > 0) found.push(i * n + j);
  }
  const source = Int32Array.from(found, (pair) => Math.floor(pair / n));
  const target = Int32Array.from(found, (pair) => pair % n);
  const both = Int32Array.from(found, (pair) => together[pair]);
  const measure = MEASURES[settings.measure].of;
  const strength = Float64Array.from(found, (_, i) =>
    measure(both[i], windowsWith[source[i]], windowsWith[target[i]], evidence.windows),
  );
  const p = Float64Array.from(found, (pair) => evidence.pWithin[pair]);
  const q = adjustForMany(p, tests);
  const pBetween = Float64Array.from(found, (pair) => evidence.pBetween[pair]);
  const qBetween = adjustForMany(pBetween, tests);
  const up = Uint8Array.from(found, (pair) => (together[pair] > evidence.expected[pair] ? 1 : 0));
  const beyond = Uint8Array.from(found, (pair, i) => {
    if (q[i] < settings.maximumQ && up[i] === 1) return 1;
    return qBetween[i] < settings.maximumQ && evidence.betweenUp[pair] === 1 ? 2 : 0;
  });
  const meetings = Int32Array.from(found, (pair) => evidence.meetings[pair]);
  const sources = Int32Array.from(found, (pair) => evidence.sources[pair]);
  const stands = Uint8Array.from(found, (_, i) =>
    strength[i] > settings.cutOff && mayStand({ both, sources, meetings, beyond }, i, settings) ? 1 : 0,
  );
  return { source, target, both, strength, p, q, pBetween, qBetween, meetings, sources, up, beyond, stands };
}

/**
 * Measures every pair of concepts that shares a window and says which links stand.
 *
 * @param overlap windows that see each place of the text, on average
 */
export function findLinks(evidence: Evidence, overlap: number, settings: LinkSettings): Links {
  const judged = judgePairs(evidence, settings);
  const { source, target, both, strength, beyond, stands } = judged;
  const order = ranked(source.length, (i) => strength[i]);
  const sorted = [...order.filter((i) => stands[i] === 1), ...order.filter((i) => stands[i] === 0)];
  const whole = (list: ArrayLike<number>): Int32Array => Int32Array.from(sorted, (i) => list[i]);
  const real = (of: (i: number) => number): Float64Array => Float64Array.from(sorted, of);
  const flags = (list: ArrayLike<number>): Uint8Array => Uint8Array.from(sorted, (i) => list[i]);
  const tableOf = (i: number): [both: number, first: number, second: number, windows: number] => [
    both[i],
    evidence.windowsWith[source[i]],
    evidence.windowsWith[target[i]],
    evidence.windows,
  ];
  return {
    source: whole(source),
    target: whole(target),
    both: whole(both),
    strength: real((i) => strength[i]),
    npmi: real((i) => npmi(...tableOf(i))),
    jaccard: real((i) => jaccard(both[i], evidence.windowsWith[source[i]], evidence.windowsWith[target[i]])),
    cosine: real((i) => cosine(both[i], evidence.windowsWith[source[i]], evidence.windowsWith[target[i]])),
    g2: real((i) => overlapCorrectedG2(...tableOf(i), overlap)),
    p: real((i) => judged.p[i]),
    q: real((i) => judged.q[i]),
    pBetween: real((i) => judged.pBetween[i]),
    qBetween: real((i) => judged.qBetween[i]),
    meetings: whole(judged.meetings),
    sources: whole(judged.sources),
    up: flags(judged.up),
    beyond: flags(beyond),
    stands: flags(stands),
    standing: stands.reduce((sum, each) => sum + each, 0),
  };
}
