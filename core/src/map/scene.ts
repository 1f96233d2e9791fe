import { largest, least } from '../base/extent.ts';
import type { Graph } from '../network/graph.ts';
import type { Links } from '../network/links.ts';
import { ranked } from '../base/order.ts';
import type { Themes } from '../themes/themes.ts';
import {
  area,
  centroid,
  halfPlanes,
  inset,
  isInside,
  roomForBox,
  type Point,
  type Polygon,
} from './geometry.ts';
import { indexOfLetter } from '../themes/letters.ts';
import { inkOf } from './palette.ts';
import { outline, partLand, spreadOver, stressPlaces } from './parcels.ts';
import { placeLabels, type Box } from './placement.ts';
import { textWidth } from './text-width.ts';

export const MAP_WIDTH = 1000;
export const MAP_HEIGHT = 860;
const MARGIN = 14;
const GAP_BETWEEN = 7;
const PADDING = 9;
const SMALLEST_TYPE = 16.5;
const LARGEST_TYPE = 29;
const NAME_TYPE = 14.5;
/** Room under a label for its bar. */
const BAR_ROOM = 5;

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
  readonly nameX: number;
  readonly nameY: number;
  readonly nameType: number;
}

export interface MapLabel {
  readonly concept: number;
  readonly text: string;
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
  readonly labels: readonly MapLabel[];
  readonly links: readonly MapLink[];
  /** Concepts with no theme, by number. */
  readonly loose: readonly number[];
  /** Concepts whose parcel has no room for their label at any size. */
  readonly hidden: readonly number[];
}

/** Lays out the map. The same network gives the same map; a letter starts in the same quarter each time. */
export function layOutMap({
  labels,
  mentions,
  graph,
  links,
  themes,
  seed,
  settings,
}: {
  readonly labels: readonly string[];
  readonly mentions: ArrayLike<number>;
  readonly graph: Graph;
  readonly links: Links;
  readonly themes: Themes;
  readonly seed: number;
  readonly settings: MapSettings;
}): MapScene {
  const { themeOf } = themes;
  const loose = labels.map((_, i) => i).filter((i) => themeOf[i] < 0);
  if (themes.themes.length === 0) return { parcels: [], labels: [], links: [], loose, hidden: [] };
  const cells = landOfThemes(graph, themes);
  const whole = cells.reduce((sum, cell) => sum + cell.size, 0);
  const parcels = cells.map(({ cell, size }, theme): MapParcel => {
    const { letter, label } = themes.themes[theme];
    const polygon = inset(cell, GAP_BETWEEN / 2);
    const { at, type } = placeName(polygon, `${letter} ${label}`);
    return {
      theme,
      letter,
      name: label,
      ink: inkOf(letter),
      polygon,
      landShare: size / whole,
      nameX: at[0],
      nameY: at[1],
      nameType: type,
    };
  });

  const onMap = labels.map((_, i) => i).filter((i) => themeOf[i] >= 0);
  const most = largest(onMap.map((i) => mentions[i]));
  const typeOf = (i: number): number =>
    SMALLEST_TYPE + (LARGEST_TYPE - SMALLEST_TYPE) * Math.sqrt(mentions[i] / most);
  const isBold = (i: number): boolean => mentions[i] > most * 0.4;
  const barOf = (i: number): number => 6 + 84 * (mentions[i] / most);
  const widthOf = (i: number): number => Math.max(textWidth(labels[i], typeOf(i), isBold(i)) + 4, barOf(i));
  const placeIn = new Int32Array(labels.length).fill(-1);
  onMap.forEach((concept, place) => (placeIn[concept] = place));
  const standing = Array.from({ length: links.standing }, (_, i) => i);
  const strongest = standing.length > 0 ? links.strength[0] : 1;
  const placed = placeLabels(
    parcels.map((parcel) => inset(parcel.polygon, PADDING)),
    onMap.map((i) => ({
      key: labels[i],
      parcel: themeOf[i],
      width: widthOf(i),
      height: typeOf(i) * 1.15 + BAR_ROOM,
    })),
    standing
      .filter((l) => placeIn[links.source[l]] >= 0 && placeIn[links.target[l]] >= 0)
      .map((l) => ({
        source: placeIn[links.source[l]],
        target: placeIn[links.target[l]],
        strength: links.strength[l] / strongest,
      })),
    parcels.map((parcel) => ({ ...nameBox(parcel), parcel: parcel.theme })),
    seed,
  );
  const mapLabels: MapLabel[] = [];
  const hidden: number[] = [];
  onMap.forEach((concept, i) => {
    const place = placed[i];
    if (!place) {
      hidden.push(concept);
      return;
    }
    mapLabels.push({
      concept,
      text: labels[concept],
      theme: themeOf[concept],
      x: place.x,
      y: place.y,
      width: widthOf(concept) * place.scale,
      height: (typeOf(concept) * 1.15 + BAR_ROOM) * place.scale,
      type: typeOf(concept) * place.scale,
      bold: isBold(concept),
      bar: barOf(concept) * place.scale,
    });
  });
  return {
    parcels,
    labels: mapLabels,
    links: drawLinks(mapLabels, links, themeOf, strongest, settings),
    loose,
    hidden,
  };
}

/** The land of each theme: placed by the links between themes, sized by share. */
function landOfThemes(graph: Graph, themes: Themes): { cell: Point[]; size: number }[] {
  const count = themes.themes.length;
  const between = Array.from({ length: count }, () => new Array<number>(count).fill(0));
  for (let v = 0; v < graph.size; v++) {
    const a = themes.themeOf[v];
    for (let e = graph.offset[v]; a >= 0 && e < graph.offset[v + 1]; e++) {
      const b = themes.themeOf[graph.neighbour[e]];
      if (b >= 0 && b !== a) between[a][b] += graph.weight[e];
    }
  }
  // Large themes have many links by their size alone.
  const closeness = between.map((row, a) =>
    row.map((sum, b) => sum / (themes.themes[a].concepts.length * themes.themes[b].concepts.length)),
  );
  const golden = Math.PI * (3 - Math.sqrt(5));
  const start = themes.themes.map(({ letter }): Point => {
    const number = indexOfLetter(letter);
    const away = Math.sqrt(number + 0.5);
    return [away * Math.cos(number * golden), away * Math.sin(number * golden)];
  });
  const land = outline(MAP_WIDTH, MAP_HEIGHT, MARGIN);
  const smallest = 1e-4;
  const cells = partLand(
    land,
    spreadOver(land, stressPlaces(closeness, start)),
    themes.themes.map(({ share }) => Math.max(share, smallest)),
  );
  return cells.map((cell) => ({ cell, size: area(cell) }));
}

function nameBox(parcel: MapParcel): Box {
  return {
    x: parcel.nameX,
    y: parcel.nameY,
    width: textWidth(`${parcel.letter} ${parcel.name}`, parcel.nameType, true) + 6,
    height: parcel.nameType * 1.3,
  };
}

/** A parcel's name goes as high in it as it fits, made smaller where nothing else helps. */
function placeName(polygon: Polygon, text: string): { at: Point; type: number } {
  const planes = halfPlanes(inset(polygon, 5));
  const [middle] = centroid(polygon);
  const ys = polygon.map((p) => p[1]);
  const xs = polygon.map((p) => p[0]);
  const [left, right, top] = [least(xs), largest(xs), least(ys)];
  for (let type = NAME_TYPE; type > 3; type *= 0.9) {
    const width = textWidth(text, type, true) + 6;
    const room = roomForBox(planes, width, type * 1.3);
    for (let y = top; y < top + (largest(ys) - top) / 2; y += 3) {
      const fits: number[] = [];
      for (let x = left; x <= right; x += 3) if (isInside(room, x, y)) fits.push(x);
      if (fits.length === 0) continue;
      const x = fits.reduce((best, at) => (Math.abs(at - middle) < Math.abs(best - middle) ? at : best));
      return { at: [x, y], type };
    }
  }
  return { at: centroid(polygon), type: 3 };
}

/** The strongest links inside parcels as quiet curves, the strongest bridges beside them. */
function drawLinks(
  labels: readonly MapLabel[],
  links: Links,
  themeOf: Int32Array,
  strongest: number,
  settings: MapSettings,
): MapLink[] {
  const labelOf = new Map(labels.map((label) => [label.concept, label]));
  const drawn: MapLink[] = [];
  let inside = 0;
  let bridges = 0;
  for (const l of ranked(links.standing, (i) => links.strength[i])) {
    const a = labelOf.get(links.source[l]);
    const b = labelOf.get(links.target[l]);
    if (!a || !b) continue;
    const bridge = themeOf[a.concept] !== themeOf[b.concept];
    if (bridge ? bridges >= settings.shownBridges : inside >= settings.shownLinks) continue;
    if (bridge) bridges++;
    else inside++;
    const dx = b.x - a.x;
    const dy = b.y - a.y;
    // A slight bow, always to the same side, keeps parallel links apart.
    const bow = 0.12;
    drawn.push({
      source: a.concept,
      target: b.concept,
      bridge,
      bySources: links.beyond[l] === 2,
      theme: bridge ? -1 : a.theme,
      width: 0.8 + 2.4 * (links.strength[l] / strongest) ** 2,
      from: [a.x, a.y],
      bend: [(a.x + b.x) / 2 - dy * bow, (a.y + b.y) / 2 + dx * bow],
      to: [b.x, b.y],
    });
  }
  return drawn;
}
