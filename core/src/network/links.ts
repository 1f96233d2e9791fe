import { Int32List } from '../base/int32-list.ts';
import { adjustForMany } from '../numeric/chance.ts';
import { ranked } from '../base/order.ts';
import { remembered } from '../base/remembered.ts';
import { taken } from '../base/taken.ts';
import { conceptsMeant, type Evidence } from './evidence.ts';
import { clustersCounted } from './residuals.ts';
import { asksChance, logLikelihood, MEASURE_NAMES, MEASURES, type Measure } from './measures.ts';

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
  /** Windows in all, and the sources by which company is judged; short ones are one together. */
  readonly windows: number;
  readonly clusters: number;
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
  /** Windows with each concept. */
  readonly windowsWith: Float64Array;
  /** Windows that see each place of the text, on average. */
  readonly overlap: number;
  readonly standing: number;
}

/** Where chance is not asked, a link is still said to be beyond it below this q. */
const SAID_BEYOND = 0.05;

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
  settings: Pick<LinkSettings, 'minimumTogether' | 'standsBy' | 'maximumQ'>,
): boolean {
  const isBeyond =
    beyond[pair] === 1 || (beyond[pair] === 2 && settings.standsBy === 'either') || !asksChance(settings);
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

/** What chance has to do with the pairs that share a window, whatever is asked of a link. */
export interface PairChances extends Omit<JudgedPairs, 'strength' | 'beyond' | 'stands'> {
  readonly size: number;
  /** Windows with each concept. */
  readonly windowsWith: Float64Array;
  /** 1 where the same sources hold both more than chance has it. */
  readonly betweenUp: Uint8Array;
}

/**
 * The chances of every pair that shares a window, adjusted for all pairs there could be; in the order of the concepts.
 *
 * @param among 1 for each concept that takes part, of which alone it is adjusted; all where it is left out
 */
export function chancesOfPairs(evidence: Evidence, among?: Uint8Array): PairChances {
  const { size: n, windows, windowsWith, together, expected } = evidence;
  const meant = conceptsMeant(n, among);
  const tests = (meant.length * (meant.length - 1)) / 2;
  const found = new Int32List();
  for (let a = 0; a < meant.length; a++) {
    for (let b = a + 1; b < meant.length; b++) {
      const pair = meant[a] * n + meant[b];
      if (together[pair] > 0) found.push(pair);
    }
  }
  const pairs = found.done();
  const [p, pBetween] = [taken(evidence.pWithin, pairs), taken(evidence.pBetween, pairs)];
  const [source, target] = [new Int32Array(pairs.length), new Int32Array(pairs.length)];
  const both = new Int32Array(pairs.length);
  const up = new Uint8Array(pairs.length);
  for (let at = 0; at < pairs.length; at++) {
    const pair = pairs[at];
    source[at] = Math.floor(pair / n);
    target[at] = pair % n;
    both[at] = together[pair];
    if (together[pair] > expected[pair]) up[at] = 1;
  }
  return {
    size: n,
    windows,
    clusters: clustersCounted(evidence.residuals),
    windowsWith,
    source,
    target,
    both,
    p,
    q: adjustForMany(p, tests),
    pBetween,
    qBetween: adjustForMany(pBetween, tests),
    meetings: taken(evidence.meetings, pairs),
    sources: taken(evidence.sources, pairs),
    up,
    betweenUp: taken(evidence.betweenUp, pairs),
  };
}

/** Measures the pairs and says which are links. */
export function claimPairs(chances: PairChances, settings: LinkSettings): JudgedPairs {
  const { source, target, both, windows, windowsWith, q, qBetween, up, betweenUp } = chances;
  const measure = MEASURES[settings.measure].of;
  const strength = new Float64Array(both.length);
  const beyond = new Uint8Array(both.length);
  const stands = new Uint8Array(both.length);
  const largest = asksChance(settings) ? settings.maximumQ : SAID_BEYOND;
  const meeting = { both, sources: chances.sources, meetings: chances.meetings, beyond };
  for (let i = 0; i < both.length; i++) {
    strength[i] = measure(both[i], windowsWith[source[i]], windowsWith[target[i]], windows);
    if (q[i] < largest && up[i] === 1) beyond[i] = 1;
    else if (qBetween[i] < largest && betweenUp[i] === 1) beyond[i] = 2;
    if (strength[i] > settings.cutOff && mayStand(meeting, i, settings)) stands[i] = 1;
  }
  return { ...chances, strength, beyond, stands };
}

/** A pair by each measure that is no count, G² of the overlap-corrected table; not a number where there is no text to tell by. */
export type Measured = Readonly<Record<Exclude<Measure, 'count'>, number>>;
/** The measures that are no count, in the order they are shown. */
export const MEASURED = MEASURE_NAMES.filter((name) => name !== 'count');

/** Something of each measure that is no count. */
export const byMeasure = (of: (name: keyof Measured) => number): Measured =>
  Object.fromEntries(MEASURED.map((name) => [name, of(name)])) as Record<keyof Measured, number>;

/** A pair by every measure: few are looked at of all there are. */
export function measuresOf(
  { source, target, both, windows, windowsWith, overlap }: Links,
  pair: number,
): Measured {
  const [shared, first, second] = [both[pair], windowsWith[source[pair]], windowsWith[target[pair]]];
  return byMeasure((name) => {
    if (windows === 0) return NaN;
    return name === 'g2'
      ? overlapCorrectedG2(shared, first, second, windows, overlap)
      : MEASURES[name].of(shared, first, second, windows);
  });
}

/** What of the pairs hangs on no setting of links: a cut-off that is dragged asks for the same again and again. */
const pairsOf = remembered((evidence: Evidence) => ({
  chances: chancesOfPairs(evidence),
  /** The pairs by falling strength, by measure. */
  falling: new Map<Measure, readonly number[]>(),
}));

/**
 * Measures every pair of concepts that shares a window and says which links stand.
 *
 * @param overlap windows that see each place of the text, on average
 */
export function findLinks(evidence: Evidence, overlap: number, settings: LinkSettings): Links {
  const pairs = pairsOf(evidence);
  const judged = claimPairs(pairs.chances, settings);
  const { source, target, both, strength, stands } = judged;
  const order = pairs.falling.get(settings.measure) ?? ranked(source.length, (i) => strength[i]);
  pairs.falling.set(settings.measure, order);
  const sorted = new Int32Array(order.length);
  let standing = 0;
  for (const i of order) if (stands[i] === 1) sorted[standing++] = i;
  let rest = standing;
  for (const i of order) if (stands[i] === 0) sorted[rest++] = i;
  return {
    windows: judged.windows,
    clusters: judged.clusters,
    windowsWith: evidence.windowsWith,
    overlap,
    source: taken(source, sorted),
    target: taken(target, sorted),
    both: taken(both, sorted),
    strength: taken(strength, sorted),
    p: taken(judged.p, sorted),
    q: taken(judged.q, sorted),
    pBetween: taken(judged.pBetween, sorted),
    qBetween: taken(judged.qBetween, sorted),
    meetings: taken(judged.meetings, sorted),
    sources: taken(judged.sources, sorted),
    up: taken(judged.up, sorted),
    beyond: taken(judged.beyond, sorted),
    stands: taken(stands, sorted),
    standing,
  };
}
