import type { Stepwise } from '../../base/stepwise.ts';
import { scanTokens } from '../scan.ts';

/** Two sources that say the same, or nearly. */
export interface DuplicatePair {
  readonly a: number;
  readonly b: number;
  /** Share of the shorter one's shingles that stand in the other too, from 0 to 1; 1 for the same words throughout. */
  readonly overlap: number;
}

/** Words in a row that make a shingle (Broder 1997). */
const SHINGLE = 5;
/** Only shingles whose hash is divisible by this are kept: all of a short source, a sample of a long one. */
const KEEP_ONE_IN = 8;
/** A source with fewer shingles than this keeps all of them. */
const KEEP_ALL_UNDER = 400;
/** A shingle in more sources than this is a stock phrase and tells nothing. */
const COMMON = 50;
/** Shorter texts, such as “no” or “don’t know”, are alike without being copies. */
const FEWEST_WORDS = 8;
/** Pairs that share at least this are pointed out. */
const ENOUGH = 0.6;
const MOST_PAIRS = 500;

function shinglesOf(text: string): { all: number[]; words: number } {
  const hashes: number[] = [];
  scanTokens(text, (start, end) => {
    let hash = 0x811c9dc5;
    for (let i = start; i < end; i++) {
      hash = Math.imul(hash ^ text.charCodeAt(i) ^ (isCapital(text.charCodeAt(i)) ? 32 : 0), 0x01000193);
    }
    hashes.push(hash);
  });
  const all: number[] = [];
  const size = Math.min(SHINGLE, hashes.length);
  for (let i = 0; size > 0 && i + size <= hashes.length; i++) {
    let hash = 0;
    for (let j = i; j < i + size; j++) hash = Math.imul(hash ^ hashes[j], 0x9e3779b1) ^ (hash >>> 13);
    all.push(hash >>> 0);
  }
  return { all, words: hashes.length };
}

function isCapital(code: number): boolean {
  return code >= 65 && code <= 90;
}

/**
 * Pairs of sources whose words overlap, most first: the share of shingles of five words they have in common, of the
 * shorter one's (containment, Broder 1997). Takes time in proportion to the words, not to the pairs.
 */
export function* findDuplicates(texts: readonly string[]): Stepwise<DuplicatePair[]> {
  const holders = new Map<number, number[]>();
  const sizes = new Int32Array(texts.length);
  for (let source = 0; source < texts.length; source++) {
    const { all, words } = shinglesOf(texts[source]);
    yield (source + 1) / texts.length;
    if (words < FEWEST_WORDS) continue;
    const kept = all.length < KEEP_ALL_UNDER ? all : all.filter((hash) => hash % KEEP_ONE_IN === 0);
    for (const hash of new Set(kept)) {
      // A short source's shingles are looked up in the long one's sample, so both keep the sampled ones apart.
      const held = holders.get(hash);
      if (held) held.push(source);
      else holders.set(hash, [source]);
    }
    sizes[source] = all.length;
  }
  const shared = new Map<number, number>();
  for (const sources of holders.values()) {
    if (sources.length < 2 || sources.length > COMMON) continue;
    for (let i = 0; i < sources.length; i++) {
      for (let j = i + 1; j < sources.length; j++) {
        const pair = sources[i] * texts.length + sources[j];
        shared.set(pair, (shared.get(pair) ?? 0) + 1);
      }
    }
  }
  const sampled = (source: number, other: number): number => {
    // Where one of the two is sampled, only sampled shingles can meet.
    const both = sizes[source] < KEEP_ALL_UNDER && sizes[other] < KEEP_ALL_UNDER;
    return both ? sizes[source] : sizes[source] / KEEP_ONE_IN;
  };
  return [...shared]
    .map(([pair, count]): DuplicatePair => {
      const [a, b] = [Math.floor(pair / texts.length), pair % texts.length];
      return { a, b, overlap: Math.min(1, count / Math.max(1, Math.min(sampled(a, b), sampled(b, a)))) };
    })
    .filter(({ overlap }) => overlap >= ENOUGH)
    .sort((x, y) => y.overlap - x.overlap || x.a - y.a || x.b - y.b)
    .slice(0, MOST_PAIRS);
}
