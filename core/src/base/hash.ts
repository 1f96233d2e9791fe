import { byCodeUnits } from './order.ts';

/**
 * A 106-bit hash of a text as 22 base-36 characters or fewer (two MurmurHash3-like lanes of 53 bits each). For telling
 * inputs apart, not for security.
 */
export function hashText(text: string): string {
  return lane(text, 0x5eed) + '-' + lane(text, 0x7a11);
}

/** A whole number below 2³¹ from a text (FNV-1a), to seed a generator with. */
export function hashNumber(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 1;
}

function lane(text: string, seed: number): string {
  let high = 0xdeadbeef ^ seed;
  let low = 0x41c6ce57 ^ seed;
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    high = Math.imul(high ^ code, 2654435761);
    low = Math.imul(low ^ code, 1597334677);
  }
  high = Math.imul(high ^ (high >>> 16), 2246822507) ^ Math.imul(low ^ (low >>> 13), 3266489909);
  low = Math.imul(low ^ (low >>> 16), 2246822507) ^ Math.imul(high ^ (high >>> 13), 3266489909);
  return (4294967296 * (2097151 & low) + (high >>> 0)).toString(36);
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
