import type { ThemeIdentity } from '../themes/identity.ts';
import { tenth } from './sheet.ts';
import { sheetOf, type SheetName } from '../base/sheets.ts';

/** Where a theme and its concepts stood on the map last. */
export interface Land {
  readonly letter: string;
  /** What it stood on. */
  readonly sheet: SheetName;
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
    return land
      ? { ...theme, sheet: land.sheet, site: land.site, name: land.name, places: land.places }
      : theme;
  });
}

/** Where themes stood last, by their letters, as far as it is known; on a sheet of another shape, at the same shares of it. */
export function groundOf(register: readonly ThemeIdentity[], sheet: SheetName): Land[] {
  return register.flatMap(({ letter, sheet: stoodOn, site, name, places = {} }) => {
    if (!site || !name) return [];
    if (stoodOn === sheet) return [{ letter, sheet, site, name, places }];
    const [before, now] = [sheetOf(stoodOn), sheetOf(sheet)];
    const [across, down] = [now.width / before.width, now.height / before.height];
    const moved = (x: number, y: number): [number, number] => [tenth(x * across), tenth(y * down)];
    return [
      {
        letter,
        sheet,
        // A weight is of the kind of an area.
        site: [...moved(site[0], site[1]), tenth(site[2] * across * down)],
        name: [...moved(name[0], name[1]), name[2], name[3]],
        places: Object.fromEntries(
          Object.entries(places).map(([key, [x, y, type]]): [string, Stood] => [key, [...moved(x, y), type]]),
        ),
      },
    ];
  });
}
