import { area, inset, type Point, type Polygon } from './geometry.ts';
import type { Graph } from '../network/graph.ts';
import type { Links } from '../network/links.ts';
import type { Themes } from '../themes/themes.ts';
import { drawLinks } from './drawn-links.ts';
import type { Land, Stood } from './ground.ts';
import { landOfThemes } from './land.ts';
import { placeName, type PlacedName } from './names.ts';
import { inkOf } from './palette.ts';
import { SMALLEST_TYPE } from './sheet.ts';
import { footOf, placeWords, writtenWords } from './words.ts';

const GAP_BETWEEN = 7;
/** A word is never as large as its theme's name. */
const BELOW_NAME = 0.86;

export interface MapSettings {
  /** Most links drawn inside parcels. */
  readonly shownLinks: number;
  /** Most bridges drawn. */
  readonly shownBridges: number;
}

export interface MapParcel {
  readonly theme: number;
  readonly letter: string;
  readonly name: string;
  readonly ink: string;
  /** The parcel as drawn, a gap away from its neighbours. */
  readonly polygon: Polygon;
  /** Area of the land it was given, before the gap, as a share of all parcels. */
  readonly landShare: number;
  /** Its name, after the letter, as it is written. */
  readonly written: PlacedName;
}

export interface MapLabel {
  readonly concept: number;
  readonly text: string;
  /** −1 for one that stands at the foot, in no theme. */
  readonly theme: number;
  /** Middle of the label with its bar. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly type: number;
  readonly bold: boolean;
  /** Length of the bar: mentions, longest bar as wide as its label allows. */
  readonly bar: number;
  /** From which zoom on it is shown: 1 for the whole map. */
  readonly zoom: number;
  /** Whether the researcher put it where it stands. */
  readonly pinned?: true;
}

export interface MapLink {
  readonly source: number;
  readonly target: number;
  readonly bridge: boolean;
  /** Whether only the same sources hold both; else they meet oftener than by chance. */
  readonly bySources: boolean;
  readonly theme: number;
  readonly width: number;
  readonly from: Point;
  readonly bend: Point;
  readonly to: Point;
}

/** Everything a drawing of the map needs, in map units. */
export interface MapScene {
  readonly parcels: readonly MapParcel[];
  /** Those shown on the whole map first. */
  readonly labels: readonly MapLabel[];
  readonly links: readonly MapLink[];
  /** Concepts with no theme, by number. */
  readonly loose: readonly number[];
  /** Concepts whose parcel has no room for their label at any zoom. */
  readonly hidden: readonly number[];
  /** Where everything stands, to begin from the next time. */
  readonly ground: readonly Land[];
}

/** What the map is laid out of. */
export interface MapInput {
  readonly keys: readonly string[];
  readonly labels: readonly string[];
  readonly mentions: ArrayLike<number>;
  readonly graph: Graph;
  readonly links: Links;
  readonly themes: Themes;
  readonly seed: number;
  readonly settings: MapSettings;
  /** Where themes and words stood last; what is known there stays as long as it may. */
  readonly ground?: readonly Land[];
  /** Concept key → where the researcher put its word. */
  readonly pins?: Readonly<Record<string, Point>>;
}

const nobody = (): MapScene => ({ parcels: [], labels: [], links: [], loose: [], hidden: [], ground: [] });

/** Lays out the map. The same network on the same ground gives the same map; a letter starts in the same quarter each time. */
export function layOutMap(input: MapInput): MapScene {
  const { keys, labels, mentions, links, themes, settings, ground = [] } = input;
  const { themeOf } = themes;
  const loose = labels.map((_, i) => i).filter((i) => themeOf[i] < 0);
  if (themes.themes.length === 0) return { ...nobody(), loose };
  const written = writtenWords(input);
  const { cells, sites } = landOfThemes(input, written);
  const whole = cells.reduce((sum, cell) => sum + area(cell), 0);
  const parcels = cells.map((cell, theme): MapParcel => {
    const { letter, label } = themes.themes[theme];
    const polygon = inset(cell, GAP_BETWEEN / 2);
    return {
      theme,
      letter,
      name: label,
      ink: inkOf(letter),
      polygon,
      landShare: area(cell) / whole,
      written: placeName(polygon, `${letter} ${label}`, ground.find((land) => land.letter === letter)?.name),
    };
  });
  const sized = labels.map((_, i) =>
    written(
      i,
      themeOf[i] < 0 ? SMALLEST_TYPE : Math.max(SMALLEST_TYPE, BELOW_NAME * parcels[themeOf[i]].written.type),
    ),
  );
  const { shown, hidden } = placeWords(input, parcels, sized);
  const foot = footOf(loose, labels, mentions);
  const onWhole = shown.filter(({ zoom }) => zoom === 1);
  return {
    parcels,
    labels: [...onWhole, ...foot, ...shown.filter(({ zoom }) => zoom > 1)],
    links: drawLinks(onWhole, parcels, links, themeOf, settings),
    loose,
    hidden,
    ground: groundNow(themes, keys, parcels, sites, shown, ground),
  };
}

/** Where themes and words stand now; of words that are not on the map where they stood. */
function groundNow(
  { themes }: Themes,
  keys: readonly string[],
  parcels: readonly MapParcel[],
  sites: readonly Land['site'][],
  shown: readonly MapLabel[],
  before: readonly Land[],
): Land[] {
  return themes.map(({ letter }, theme) => ({
    letter,
    site: sites[theme],
    name: [
      parcels[theme].written.x,
      parcels[theme].written.y,
      parcels[theme].written.type,
      parcels[theme].written.lines.length,
    ],
    places: Object.fromEntries([
      ...Object.entries(before.find((land) => land.letter === letter)?.places ?? {}),
      ...shown
        .filter((label) => label.theme === theme && label.zoom === 1)
        .map(({ concept, x, y, type }): [string, Stood] => [keys[concept], [x, y, type]]),
    ]),
  }));
}
