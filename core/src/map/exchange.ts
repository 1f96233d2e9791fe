import { vectorLength, type Point } from './geometry.ts';
import type { Pull } from './labels.ts';

/** How often all pairs of a parcel are looked at, and by how much an exchange must shorten their links. */
const EXCHANGES = 6;
const LESS = 1 - 1e-6;

/** Links of a label: to which others, and how much each counts. */
type Links = readonly { readonly other: number; readonly weight: number }[];

/**
 * Lets labels of a parcel change places, two by two, as long as that makes their links shorter, each counted by the square of its
 * strength: the places stay as evenly spread, and what is linked comes to be next to each other (a local search of the quadratic
 * assignment problem, Koopmans & Beckmann 1957).
 *
 * @param places of all labels; those of these labels are changed
 * @param exchanged the places two labels would have, or undefined where they cannot
 */
export function exchange(
  labels: readonly number[],
  places: Point[],
  pulls: readonly Pull[],
  exchanged: (a: number, b: number) => readonly [Point, Point] | undefined,
): void {
  const linksOf = new Map(labels.map((label) => [label, [] as { other: number; weight: number }[]]));
  for (const { source, target, strength } of pulls) {
    const weight = strength ** 2;
    linksOf.get(source)?.push({ other: target, weight });
    linksOf.get(target)?.push({ other: source, weight });
  }
  const lengthOf = (links: Links, [x, y]: Point): number => {
    let sum = 0;
    for (const { other, weight } of links)
      sum += weight * vectorLength(places[other][0] - x, places[other][1] - y);
    return sum;
  };
  for (let round = 0; round < EXCHANGES; round++) {
    let isBetter = false;
    for (const [at, a] of labels.entries()) {
      const ofA = linksOf.get(a) ?? [];
      for (const b of labels.slice(at + 1)) {
        const ofB = linksOf.get(b) ?? [];
        const [placeA, placeB] = [places[a], places[b]];
        const before = lengthOf(ofA, placeA) + lengthOf(ofB, placeB);
        // Most pairs are told apart without asking whether they fit.
        [places[a], places[b]] = [placeB, placeA];
        const isShorter = lengthOf(ofA, placeB) + lengthOf(ofB, placeA) < before * LESS;
        const others = isShorter ? exchanged(a, b) : undefined;
        if (others) [places[a], places[b]] = others;
        if (others && lengthOf(ofA, places[a]) + lengthOf(ofB, places[b]) < before * LESS) isBetter = true;
        else [places[a], places[b]] = [placeA, placeB];
      }
    }
    if (!isBetter) return;
  }
}
