/** A source of uniform numbers in [0, 1); every random choice in a result comes from one of these. */
export type Random = () => number;

/**
 * A seeded generator: sfc32 (Doty-Humphrey, PractRand), its state filled by splitmix32 from the seed and the stream.
 *
 * @param seed any whole number; the same seed gives the same numbers on every machine
 * @param stream tells apart generators that share a seed (runs, bootstrap of a group)
 */
export function seededRandom(seed: number, stream = 0): Random {
  let filler = (seed ^ Math.imul(stream + 1, 0x9e3779b9)) | 0;
  const fill = (): number => {
    filler = (filler + 0x9e3779b9) | 0;
    let z = filler ^ (filler >>> 16);
    z = Math.imul(z, 0x21f0aaad);
    z ^= z >>> 15;
    z = Math.imul(z, 0x735a2d97);
    return z ^ (z >>> 15);
  };
  let a = fill();
  let b = fill();
  let c = fill();
  let counter = 1;
  return () => {
    const t = (((a + b) | 0) + counter) | 0;
    counter = (counter + 1) | 0;
    a = b ^ (b >>> 9);
    b = (c + (c << 3)) | 0;
    c = (c << 21) | (c >>> 11);
    c = (c + t) | 0;
    return (t >>> 0) / 4294967296;
  };
}

/** A whole number from 0 to limit − 1. */
export function randomInteger(random: Random, limit: number): number {
  return Math.floor(random() * limit);
}

/** Shuffles in place (Fisher & Yates) and returns the same array. */
export function shuffle<T extends { length: number; [index: number]: number }>(items: T, random: Random): T {
  for (let i = items.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    const held = items[i];
    items[i] = items[j];
    items[j] = held;
  }
  return items;
}
