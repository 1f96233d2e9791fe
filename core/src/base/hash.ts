import { byCodeUnits } from './order.ts';

/**
 * A 106-bit hash of a text as 22 base-36 characters or fewer (two MurmurHash3-like lanes of 53 bits each). For telling
 * inputs apart, not for security.
 */
export function hashText(text: string): string {
  // Both lanes are mixed in one pass: a multiplication need not wait for those of the other.
  let [high, low] = [0xdeadbeef ^ FIRST_SEED, 0x41c6ce57 ^ FIRST_SEED];
  let [otherHigh, otherLow] = [0xdeadbeef ^ OTHER_SEED, 0x41c6ce57 ^ OTHER_SEED];
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    high = Math.imul(high ^ code, 2654435761);
    low = Math.imul(low ^ code, 1597334677);
    otherHigh = Math.imul(otherHigh ^ code, 2654435761);
    otherLow = Math.imul(otherLow ^ code, 1597334677);
  }
  return `${laneOf(high, low)}-${laneOf(otherHigh, otherLow)}`;
}
const FIRST_SEED = 0x5eed;
const OTHER_SEED = 0x7a11;

/** The 53 bits of a lane, from what its text was mixed to. */
function laneOf(mixedHigh: number, mixedLow: number): string {
  const high =
    Math.imul(mixedHigh ^ (mixedHigh >>> 16), 2246822507) ^
    Math.imul(mixedLow ^ (mixedLow >>> 13), 3266489909);
  const low =
    Math.imul(mixedLow ^ (mixedLow >>> 16), 2246822507) ^ Math.imul(high ^ (high >>> 13), 3266489909);
  return (4294967296 * (2097151 & low) + (high >>> 0)).toString(36);
}

/** A whole number below 2³¹ from a text (FNV-1a), to seed a generator with. */
export function hashNumber(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 1;
}

/** JSON with object keys in code-unit order, so that equal values give equal text. */
export function canonicalJson(value: unknown): string {
  return JSON.stringify(value, (_key, inner: unknown) => {
    if (inner === null || typeof inner !== 'object' || Array.isArray(inner)) return inner;
    const record = inner as Record<string, unknown>;
    return Object.fromEntries(Object.entries(record).sort(([a], [b]) => byCodeUnits(a, b)));
  });
}

/** The hash of any JSON value. */
export function hashValue(value: unknown): string {
  return hashText(canonicalJson(value));
}
