import type { Counts } from './counts.ts';
import { voiceOf, type Windows } from './windows.ts';

/** Windows are laid in so many strata by their length, each with as many windows. */
const STRATA = 20;
/** A window without any content weighs this share of one with as much as others. */
const LEAST_CONTENT = 0.05;
/** Fewest windows over which a concept's presence is followed, so that bursts are seen; longer where windows overlap more. */
const FEWEST_LAGS = 4;
const MOST_LAGS = 64;
/**
 * Sources of fewer windows, such as short answers, are taken together as one cluster: what a single answer holds says all
 * there is to say of who keeps company with whom.
 */
const SHORT_SOURCE = 8;

/**
 * How the windows that hold concepts differ from what their lengths make likely. Windows stand by clusters, within which
 * company is judged: a source each, and the short sources together as the last.
 */
export interface Residuals {
  readonly size: number;
  readonly clusters: number;
  /** How often each cluster counts: once, or as often as its source is drawn. */
  readonly times: Float64Array;
  /** First window of each cluster; one more than there are clusters. */
  readonly clusterFirst: Int32Array;
  /** Concepts of window w: `inWindow[windowFirst[w] … windowFirst[w + 1])`. */
  readonly windowFirst: Int32Array;
  readonly inWindow: Int32Array;
  /** Where window w stands among the collection's. */
  readonly windowAt: Int32Array;
  /** How many concepts windows as long hold on average: a long window holds more of everything. */
  readonly weight: Float64Array;
  /** Windows ahead that are looked at. */
  readonly lags: number;
  /** clusters × (lags + 1): sums of the products of the weights of windows so far apart. */
  readonly products: Float64Array;
  /** Sum of the weights of each cluster's windows, and of their squares. */
  readonly sums: Float64Array;
  readonly squares: Float64Array;
  /**
   * Concepts of cluster b, in their order: `present[presentFirst[b] … presentFirst[b + 1])`; most clusters hold few. Of each,
   * the windows that hold it, and the sum of their weights.
   */
  readonly presentFirst: Int32Array;
  readonly present: Int32Array;
  readonly presentHeld: Float64Array;
  readonly presentWeight: Float64Array;
}

/** The weight of each window, by strata of length. */
export function windowWeights(counts: Counts, windows: Windows): Float64Array {
  const length = windows.end.map((end, w) => end - windows.first[w]);
  const sorted = length.slice().sort();
  const cuts: number[] = [];
  for (let k = 1; k < STRATA; k++) {
    const cut = sorted[Math.floor((k * windows.count) / STRATA)];
    if (cut > (cuts.at(-1) ?? sorted[0])) cuts.push(cut);
  }
  // Lengths are few: each has its stratum found once.
  const stratumOf = new Uint8Array((sorted.at(-1) ?? 0) + 1);
  for (let each = 0, stratum = 0; each < stratumOf.length; each++) {
    while (stratum < cuts.length && each >= cuts[stratum]) stratum++;
    stratumOf[each] = stratum;
  }
  const held = new Float64Array(cuts.length + 1);
  const number = new Float64Array(cuts.length + 1);
  for (let w = 0; w < windows.count; w++) {
    held[stratumOf[length[w]]] += counts.windowFirst[w + 1] - counts.windowFirst[w];
    number[stratumOf[length[w]]]++;
  }
  // A stratum without any concept still has some weight, so that nothing is divided by 0.
  const weights = held.map((each, stratum) => Math.max(each / number[stratum], 1e-3));
  const weightOf = new Float64Array(windows.count);
  for (let w = 0; w < windows.count; w++) weightOf[w] = weights[stratumOf[length[w]]];
  if (counts.content) weighByContent(weightOf, counts.content, stratumOf, length);
  return weightOf;
}

/**
 * Thick passages hold more of everything than thin ones of the same length. A window's weight is taken so many times as it holds
 * content in times of what windows of its length hold, drawn to 1 as far as the content of windows as long differs by mere counting:
 * not as far as a best guess is, but so that the weights differ as the true ones do (Louis 1984).
 */
function weighByContent(
  weights: Float64Array,
  content: Int32Array,
  stratumOf: Uint8Array,
  length: Int32Array,
): void {
  const number = new Float64Array(STRATA);
  const sum = new Float64Array(STRATA);
  const squares = new Float64Array(STRATA);
  for (let w = 0; w < content.length; w++) {
    const stratum = stratumOf[length[w]];
    number[stratum]++;
    sum[stratum] += content[w];
    squares[stratum] += content[w] ** 2;
  }
  const mean = sum.map((each, s) => each / Math.max(1, number[s]));
  const drawn = squares.map((each, s) => {
    const variance = each / Math.max(1, number[s]) - mean[s] ** 2;
    return variance > 0 ? Math.sqrt(Math.max(0, 1 - mean[s] / variance)) : 0;
  });
  for (let w = 0; w < content.length; w++) {
    const s = stratumOf[length[w]];
    if (mean[s] > 0) weights[w] *= Math.max(LEAST_CONTENT, 1 + drawn[s] * (content[w] / mean[s] - 1));
  }
}

/** The windows of each who speaks in any (`voiceOf`: a person, or a source that is somebody else's), in the order of the text. */
export function windowsByVoice(windows: Windows): number[][] {
  const lists: number[][] = [];
  const voice = voiceOf(windows);
  for (let w = 0; w < windows.count; w++) (lists[voice[w]] ??= []).push(w);
  return lists.filter((list) => list !== undefined);
}

/** Whether the windows of a source are a cluster of their own. */
export const isCluster = (windowsOfSource: readonly number[]): boolean =>
  windowsOfSource.length >= SHORT_SOURCE;

/** The windows, cluster by cluster, and where each cluster begins: those of a source, and the sources of a person, follow each other. */
function clustersOf(windows: Windows): {
  readonly windowAt: Int32Array;
  readonly clusterFirst: Int32Array;
} {
  const { count } = windows;
  const voice = voiceOf(windows);
  const windowAt = new Int32Array(count);
  const short: number[] = [];
  const clusterFirst: number[] = [0];
  let at = 0;
  for (let from = 0, to = 0; from < count; from = to) {
    while (to < count && voice[to] === voice[from]) to++;
    if (to - from < SHORT_SOURCE) {
      for (let w = from; w < to; w++) short.push(w);
      continue;
    }
    for (let w = from; w < to; w++) windowAt[at++] = w;
    clusterFirst.push(at);
  }
  windowAt.set(short, at);
  if (short.length > 0) clusterFirst.push(count);
  return { windowAt, clusterFirst: Int32Array.from(clusterFirst) };
}

/**
 * Works out what the residuals of a collection's windows are found from.
 *
 * @param weights of each window, where they are known
 */
export function residualsOf(
  counts: Counts,
  windows: Windows,
  weights = windowWeights(counts, windows),
): Residuals {
  const size = counts.windowsWith.length;
  const { windowAt, clusterFirst } = clustersOf(windows);
  const clusters = clusterFirst.length - 1;
  const windowFirst = new Int32Array(windows.count + 1);
  const inWindow = new Int32Array(counts.inWindow.length);
  const weight = new Float64Array(windows.count);
  const times = new Float64Array(clusters).fill(1);
  const sums = new Float64Array(clusters);
  const squares = new Float64Array(clusters);
  const presentFirst = new Int32Array(clusters + 1);
  // No cluster has more concepts than its windows hold.
  const present = new Int32Array(inWindow.length);
  const presentHeld = new Float64Array(inWindow.length);
  const presentWeight = new Float64Array(inWindow.length);
  const heldHere = new Float64Array(size);
  const weightHere = new Float64Array(size);
  let at = 0;
  let presences = 0;
  for (let b = 0; b < clusters; b++) {
    for (let w = clusterFirst[b]; w < clusterFirst[b + 1]; w++) {
      const from = windowAt[w];
      const own = weights[from];
      weight[w] = own;
      sums[b] += own;
      squares[b] += own * own;
      for (let k = counts.windowFirst[from]; k < counts.windowFirst[from + 1]; k++) {
        const concept = counts.inWindow[k];
        inWindow[at++] = concept;
        heldHere[concept]++;
        weightHere[concept] += own;
      }
      windowFirst[w + 1] = at;
    }
    for (let i = 0; i < size; i++) {
      if (heldHere[i] === 0) continue;
      present[presences] = i;
      presentHeld[presences] = heldHere[i];
      presentWeight[presences++] = weightHere[i];
      heldHere[i] = weightHere[i] = 0;
    }
    presentFirst[b + 1] = presences;
  }
  const lags = Math.min(MOST_LAGS, Math.max(FEWEST_LAGS, Math.ceil(windows.overlap) + 1));
  const products = new Float64Array(clusters * (lags + 1));
  for (let b = 0; b < clusters; b++) {
    for (let l = 0; l <= lags; l++) {
      let sum = 0;
      for (let at = clusterFirst[b]; at + l < clusterFirst[b + 1]; at++) sum += weight[at] * weight[at + l];
      products[b * (lags + 1) + l] = sum;
    }
  }
  return {
    size,
    clusters,
    times,
    clusterFirst,
    windowFirst,
    inWindow,
    windowAt,
    weight,
    lags,
    products,
    sums,
    squares,
    presentFirst,
    present: present.slice(0, presences),
    presentHeld: presentHeld.slice(0, presences),
    presentWeight: presentWeight.slice(0, presences),
  };
}

/** Residuals with another last cluster: the only one of others that have one. */
export function withLastCluster(residuals: Residuals, last: Residuals): Residuals {
  const { size, clusters, clusterFirst, windowFirst, presentFirst, lags } = residuals;
  const at = clusters - 1;
  const windows = clusterFirst[at];
  const mentions = windowFirst[windows];
  const presences = presentFirst[at];
  const joined = <List extends Int32Array | Float64Array>(list: List, head: number, tail: List): List => {
    const whole = new (list.constructor as new (length: number) => List)(head + tail.length);
    whole.set(list.subarray(0, head));
    whole.set(tail, head);
    return whole;
  };
  return {
    size,
    clusters,
    times: residuals.times,
    clusterFirst: joined(clusterFirst, clusters, Int32Array.of(windows + last.clusterFirst[1])),
    windowFirst: joined(
      windowFirst,
      windows,
      last.windowFirst.map((place) => place + mentions),
    ),
    inWindow: joined(residuals.inWindow, mentions, last.inWindow),
    windowAt: joined(residuals.windowAt, windows, last.windowAt),
    weight: joined(residuals.weight, windows, last.weight),
    lags,
    products: joined(residuals.products, at * (lags + 1), last.products),
    sums: joined(residuals.sums, at, last.sums),
    squares: joined(residuals.squares, at, last.squares),
    presentFirst: joined(presentFirst, clusters, Int32Array.of(presences + last.presentFirst[1])),
    present: joined(residuals.present, presences, last.present),
    presentHeld: joined(residuals.presentHeld, presences, last.presentHeld),
    presentWeight: joined(residuals.presentWeight, presences, last.presentWeight),
  };
}

/** size × clusters: windows of a cluster that hold a concept. */
export function heldByCluster({
  size,
  clusters,
  presentFirst,
  present,
  presentHeld,
}: Residuals): Float64Array {
  const held = new Float64Array(size * clusters);
  for (let b = 0; b < clusters; b++)
    for (let k = presentFirst[b]; k < presentFirst[b + 1]; k++)
      held[present[k] * clusters + b] = presentHeld[k];
  return held;
}

/** How many clusters there are, each as often as it counts. */
export const clustersCounted = ({ times }: Residuals): number => times.reduce((sum, each) => sum + each, 0);
