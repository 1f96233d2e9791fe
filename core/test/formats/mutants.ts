import type { Random } from '../../src/numeric/random.ts';

const MAGIC: readonly (readonly number[])[] = [
  [0x50, 0x4b, 0x03, 0x04],
  [0x50, 0x4b, 0x05, 0x06],
  [0x25, 0x50, 0x44, 0x46],
  [0xff, 0xfe],
  [0xef, 0xbb, 0xbf],
  [0, 0, 0, 0],
  [0xff, 0xff, 0xff, 0xff],
  [...'"<&,;\n{[(*'].map((character) => character.charCodeAt(0)),
];

const below = (random: Random, limit: number): number => Math.floor(random() * Math.max(1, limit));

/** A file with one to four things done to it: bits flipped, pieces cut, repeated, moved or written over. */
export function mutant(bytes: Uint8Array, random: Random): Uint8Array {
  let out = bytes.slice();
  for (let times = 1 + below(random, 4); times > 0; times--) {
    const at = below(random, out.length);
    const length = 1 + below(random, Math.min(out.length - at, 4000));
    switch (below(random, 6)) {
      case 0:
        out[at] ^= 1 << below(random, 8);
        break;
      case 1:
        out = out.slice(0, at);
        break;
      case 2:
        out = Uint8Array.of(...out.slice(0, at), ...out.slice(at + length));
        break;
      case 3: {
        const piece = out.slice(at, at + length);
        out = Uint8Array.of(...out.slice(0, at), ...piece, ...piece, ...out.slice(at + length));
        break;
      }
      case 4:
        out.set(MAGIC[below(random, MAGIC.length)].slice(0, out.length - at), at);
        break;
      default:
        for (let i = at; i < at + length; i++) out[i] = below(random, 256);
    }
    if (out.length === 0) break;
  }
  return out;
}
