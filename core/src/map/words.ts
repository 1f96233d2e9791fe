import { largest, least } from '../base/extent.ts';
import { ownValue } from '../base/records.ts';
import { clip, halfPlanes, inset, roomForBox, type Polygon } from './geometry.ts';
import { boxOfName } from './names.ts';
import { nearestFree, type Box } from './free-place.ts';
import type { Pull } from './labels.ts';
import { placeLabels } from './placement.ts';
import type { MapInput, MapLabel, MapParcel } from './scene-types.ts';
import { FOOT, MARGIN, SMALLEST_TYPE, tenth } from './sheet.ts';
import { sheetOf, type Sheet } from '../base/sheets.ts';
import { textWidth } from './text-width.ts';

const PADDING = 7;
const FIRST_TYPE = 17.5;
export const LARGEST_TYPE = 32;
/** Room under a label for its bar. */
const BAR_ROOM = 5;
/** Words that gave way come in at such zooms, each smaller on the map and as large as others by then. */
const ZOOMS = [1.5, 2.2, 3.2, 4.6] as const;

/** The size and weight of a concept's word on the map. */
export interface Written {
  readonly type: number;
  readonly bold: boolean;
  readonly bar: number;
  readonly width: number;
  readonly height: number;
}

/**
 * The size and weight of every concept's word, by its mentions.
 *
 * @returns a function of the concept and the largest type it may have
 */
export function writtenWords({
  labels,
  mentions,
}: Pick<MapInput, 'labels' | 'mentions'>): (concept: number, largestType?: number) => Written {
  // Of a round number, so that one mention more or less changes no size.
  const most = 2 ** Math.ceil(Math.log2(largest(Array.from(mentions), 1)));
  return (i, largestType = LARGEST_TYPE) => {
    const share = Math.sqrt(mentions[i] / most);
    const type = Math.max(
      SMALLEST_TYPE,
      Math.min(largestType, FIRST_TYPE + (LARGEST_TYPE - FIRST_TYPE) * share),
    );
    const bold = mentions[i] > most * 0.25;
    const bar = 6 + 84 * (mentions[i] / most);
    return {
      type,
      bold,
      bar,
      width: Math.max(textWidth(labels[i], type, bold) + 4, bar),
      height: type * 1.15 + BAR_ROOM,
    };
  };
}

/** Puts the words of every theme into its parcel; what finds no room on the whole map comes with zoom. */
export function placeWords(
  { keys, labels, links, themes: { themeOf, themes }, seed, settings, ground = [], pins = {} }: MapInput,
  parcels: readonly MapParcel[],
  sized: readonly Written[],
): { shown: MapLabel[]; hidden: number[] } {
  const sheet = sheetOf(settings.sheet);
  const onMap = labels.map((_, i) => i).filter((i) => themeOf[i] >= 0);
  const placeIn = new Int32Array(labels.length).fill(-1);
  onMap.forEach((concept, place) => (placeIn[concept] = place));
  const strongest = links.standing > 0 ? links.strength[0] : 1;
  const pulls: Pull[] = [];
  for (let l = 0; l < links.standing; l++) {
    const [source, target] = [placeIn[links.source[l]], placeIn[links.target[l]]];
    if (source >= 0 && target >= 0) pulls.push({ source, target, strength: links.strength[l] / strongest });
  }
  const places = new Map(ground.map((land) => [land.letter, land.places]));
  const lands = parcels.map(({ polygon }) => inset(polygon, PADDING));
  // A name is read first: no word stands above it, but for those that come with zoom and find no other place.
  const below = parcels.map(({ written }, p) =>
    clip(lands[p], { nx: 0, ny: -1, limit: written.height / 2 - written.y }),
  );
  const placed = placeLabels(
    below,
    onMap.map((i) => {
      const kept = ownValue(places.get(themes[themeOf[i]].letter), keys[i]);
      const { width, height, type } = sized[i];
      const put = ownValue(pins, keys[i]);
      const pin = put && ([put[0] * sheet.width, put[1] * sheet.height] as const);
      return {
        key: labels[i],
        parcel: themeOf[i],
        width,
        height,
        smallest: Math.min(1, SMALLEST_TYPE / type),
        ...(pin ? { pin } : {}),
        ...(kept ? { kept: { at: [kept[0], kept[1]], scale: kept[2] / type } } : {}),
      };
    }),
    pulls,
    parcels.map(({ written, theme }) => ({ ...boxOfName(written), parcel: theme })),
    seed,
  );
  const wordOf = (concept: number): Word => ({
    concept,
    text: labels[concept],
    theme: themeOf[concept],
    written: sized[concept],
  });
  const shown: MapLabel[] = [];
  const given: number[] = [];
  onMap.forEach((concept, at) => {
    const place = placed[at];
    if (place) {
      const label = labelAt(wordOf(concept), place, 1);
      shown.push(ownValue(pins, keys[concept]) ? { ...label, pinned: true } : label);
    } else given.push(concept);
  });
  // Most mentioned first: sizes follow mentions.
  given.sort((a, b) => sized[b].type - sized[a].type || a - b);
  const hidden: number[] = [];
  for (const concept of given) {
    const label = comesWithZoom(wordOf(concept), {
      parcel: lands[themeOf[concept]],
      boxes: [
        ...shown.filter(({ theme }) => theme === themeOf[concept]),
        boxOfName(parcels[themeOf[concept]].written),
      ],
    });
    if (label) shown.push(label);
    else hidden.push(concept);
  }
  return { shown, hidden };
}

/** A concept as a word of the map. */
interface Word {
  readonly concept: number;
  readonly text: string;
  readonly theme: number;
  readonly written: Written;
}

/** A word small enough for the room that is left, shown from the zoom on at which it can be read. */
function comesWithZoom(
  word: Word,
  { parcel, boxes }: { readonly parcel: Polygon; readonly boxes: readonly Box[] },
): MapLabel | undefined {
  const { written } = word;
  if (parcel.length < 3) return undefined;
  const planes = halfPlanes(parcel);
  const [wishX, wishY] = [
    (least(parcel.map(([x]) => x)) + largest(parcel.map(([x]) => x))) / 2,
    (least(parcel.map(([, y]) => y)) + largest(parcel.map(([, y]) => y))) / 2,
  ];
  for (const zoom of ZOOMS) {
    const scale = SMALLEST_TYPE / written.type / zoom;
    const [width, height] = [written.width * scale, written.height * scale];
    const room = roomForBox(planes, width, height);
    const place = nearestFree({ room, boxes, width, height, wishX, wishY, parcel });
    if (place) return labelAt(word, { x: place[0], y: place[1], scale }, zoom);
  }
  return undefined;
}

function labelAt(
  { concept, text, theme, written: { width, height, type, bold, bar } }: Word,
  { x, y, scale }: { readonly x: number; readonly y: number; readonly scale: number },
  zoom: number,
): MapLabel {
  // Kept to a hundredth, and places to a tenth, so that the next map begins just where this one stands.
  const held = Math.round(type * scale * 100) / 100;
  const ratio = held / type;
  return {
    concept,
    text,
    theme,
    x: tenth(x),
    y: tenth(y),
    width: width * ratio,
    height: height * ratio,
    type: held,
    bold,
    bar: bar * ratio,
    zoom,
  };
}

/** Concepts in no theme, side by side at the foot of the map, most mentioned first, as many as fit. */
export function footOf(
  loose: readonly number[],
  labels: readonly string[],
  mentions: ArrayLike<number>,
  sheet: Sheet,
): MapLabel[] {
  const order = [...loose].sort((a, b) => mentions[b] - mentions[a] || a - b);
  const lead = textWidth(FOOT_LEAD, SMALLEST_TYPE) + 24;
  const row: MapLabel[] = [];
  let x = lead;
  for (const concept of order) {
    const width = textWidth(labels[concept], SMALLEST_TYPE) + 4;
    if (x + width > sheet.width - 2 * MARGIN - FOOT_MORE) break;
    row.push({
      concept,
      text: labels[concept],
      theme: -1,
      x: x + width / 2,
      y: sheet.height - FOOT / 2,
      width,
      height: SMALLEST_TYPE * 1.15 + BAR_ROOM,
      type: SMALLEST_TYPE,
      bold: false,
      bar: 0,
      zoom: 1,
    });
    x += width + 14;
  }
  return row;
}

/** What stands before the words at the foot, and the room for how many more there are. */
export const FOOT_LEAD = 'In no theme:';
const FOOT_MORE = 80;
