import type { ThemeIdentity } from '../themes/identity.ts';

/** Where a theme and its concepts stood on the map last. */
export interface Land {
  readonly letter: string;
  /** Its site and weight in the power diagram of the land. */
  readonly site: readonly [x: number, y: number, weight: number];
  /** The middle, the type size and the number of lines of its name. */
  readonly name: StoodName;
  /** Concept key → where its word stood, and how large. */
  readonly places: Readonly<Record<string, Stood>>;
}

export type StoodName = readonly [x: number, y: number, type: number, lines: number];

/** The middle of something written, and its type size, in map units. */
export type Stood = readonly [x: number, y: number, type: number];

/** The register of letters with where each theme stood on a map that was drawn. */
export function withGround(
  register: readonly ThemeIdentity[],
  ground: readonly Land[] | undefined,
): ThemeIdentity[] {
  const landOf = new Map(ground?.map((land) => [land.letter, land]));
  return register.map((theme) => {
    const land = landOf.get(theme.letter);
    return land ? { ...theme, site: land.site, name: land.name, places: land.places } : theme;
  });
}

/** Where themes stood last, by their letters, as far as it is known. */
export function groundOf(register: readonly ThemeIdentity[]): Land[] {
  return register.flatMap(({ letter, site, name, places = {} }) =>
    site && name ? [{ letter, site, name, places }] : [],
  );
}
