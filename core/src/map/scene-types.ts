import type { Graph } from '../network/graph.ts';
import type { Links } from '../network/links.ts';
import type { Themes } from '../themes/themes.ts';
import type { Point, Polygon } from './geometry.ts';
import type { Land } from './ground.ts';
import type { PlacedName } from './names.ts';
import type { Sheet, SheetName } from '../base/sheets.ts';

export interface MapSettings {
  /** Most links drawn inside parcels. */
  readonly shownLinks: number;
  /** Most bridges drawn. */
  readonly shownBridges: number;
  /** The shape of what it is drawn on. */
  readonly sheet: SheetName;
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
  readonly sheet: Sheet;
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
  /** Concept key → where the researcher put its word, in shares of the sheet’s width and height. */
  readonly pins?: Readonly<Record<string, Point>>;
}
