import { least } from '../base/extent.ts';
import { exchange } from './exchange.ts';
import { GAP, nearestFree, overlaps, type Box } from './free-place.ts';
import {
  area,
  halfPlanes,
  isInside,
  roomForBox,
  vectorLength,
  type Point,
  type Polygon,
} from './geometry.ts';
import type { Label, Placed, Pull } from './labels.ts';
import { MOST_SPREAD, wishesOf } from './wishes.ts';

/** Labels that stood there before may be so much nearer to each other: places are kept to a tenth of a unit. */
const KEPT_GAP = 2.8;
/** A word that stood there may reach a little into the padding of its parcel when a border moves. */
const KEPT_MARGIN = 4;
/** What is far for a word that stood somewhere, in map units; and how much nearer a smaller one must come to be taken. */
const FAR = 25;
const NEARER = 0.7;
const SHRINK = 0.93;
const SMALLEST_SCALE = 0.3;
/** Of more labels in a parcel those that are placed keep their places. */
const MOST_EXCHANGED = 40;

/**
 * Puts labels into their parcels, wholly inside and never on each other. Labels fill a parcel evenly: each strives for the
 * middle of the part of the parcel that is nearer to it than to any other (Lloyd 1982), beginning near the middle where it is
 * linked most inside, and on the side of the parcels it is linked to; then those that stood there before are set on their
 * places, then the largest, each on the free place nearest to its wish. A parcel too small for its labels has them made smaller,
 * each as far as it may be.
 *
 * @param parcels convex polygons the labels must stay in
 * @param taken boxes already in a parcel, such as its name
 * @returns a place for each label, or undefined where even the smallest size does not fit
 */
export function placeLabels(
  parcels: readonly Polygon[],
  labels: readonly Label[],
  pulls: readonly Pull[],
  taken: readonly (Box & { readonly parcel: number })[],
  seed: number,
): (Placed | undefined)[] {
  const wishes = wishesOf(parcels, labels, pulls, taken, seed);
  const placed = new Array<Placed | undefined>(labels.length).fill(undefined);
  parcels.forEach((parcel, p) => {
    const own = labels.map((_, i) => i).filter((i) => labels[i].parcel === p);
    const fixed = taken.filter((box) => box.parcel === p);
    const least_ = least(
      own.map((i) => labels[i].smallest ?? SMALLEST_SCALE),
      1,
    );
    // So many will not fit at full size: the tries are spared.
    for (let scale = own.length > MOST_SPREAD ? least_ : 1; ; scale = Math.max(least_, scale * SHRINK)) {
      const isLast = scale <= least_;
      if (!isLast && !mayFit(parcel, own, labels, fixed, scale)) continue;
      const found = legalise({ parcel, own, labels, wishes, fixed }, scale, isLast);
      if (!found) continue;
      own.forEach((label, i) => (placed[label] = found[i]));
      break;
    }
    if (own.length <= MOST_EXCHANGED) exchangePlaced(parcel, own, { labels, placed, wishes, fixed }, pulls);
  });
  return placed;
}

/** Lets the labels of a parcel change places where both fit, but for those that were put somewhere or stood there. */
function exchangePlaced(
  parcel: Polygon,
  own: readonly number[],
  {
    labels,
    placed,
    wishes,
    fixed,
  }: {
    readonly labels: readonly Label[];
    readonly placed: (Placed | undefined)[];
    readonly wishes: Point[];
    readonly fixed: readonly Box[];
  },
  pulls: readonly Pull[],
): void {
  const planes = halfPlanes(parcel);
  const shown = own.filter((i) => placed[i] !== undefined);
  // From here on a label that is placed is told by its place.
  for (const i of shown) wishes[i] = [placed[i]?.x ?? 0, placed[i]?.y ?? 0];
  const sizes = new Map(
    shown.map((i) => {
      const scale = placed[i]?.scale ?? 1;
      const [width, height] = [labels[i].width * scale, labels[i].height * scale];
      return [i, { width, height, room: roomForBox(planes, width, height) }];
    }),
  );
  const boxOf = (i: number): Box => {
    const { width, height } = sizes.get(i) ?? { width: 0, height: 0 };
    return { x: wishes[i][0], y: wishes[i][1], width, height };
  };
  const fits = (i: number): boolean => {
    const box = boxOf(i);
    return (
      isInside(sizes.get(i)?.room ?? planes, box.x, box.y) &&
      !fixed.some((other) => overlaps(other, box, GAP)) &&
      !shown.some((other) => other !== i && overlaps(boxOf(other), box, GAP))
    );
  };
  const movable = shown.filter((i) => !labels[i].kept && !labels[i].pin);
  // They are exchanged already when it is asked.
  exchange(movable, wishes, pulls, (a, b) => (fits(a) && fits(b) ? [wishes[a], wishes[b]] : undefined));
  for (const i of movable) {
    const { scale } = placed[i] ?? { scale: 1 };
    placed[i] = { x: wishes[i][0], y: wishes[i][1], scale };
  }
}

/** A label at a place. */
interface Placing {
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  readonly place: Point;
  /** How far it is from where it would be. */
  readonly away: number;
}

function smallestOf({ width, height, smallest = SMALLEST_SCALE }: Label): {
  width: number;
  height: number;
  scale: number;
} {
  const scale = Math.min(1, smallest);
  return { width: width * scale, height: height * scale, scale };
}

/** The size a label is tried in; one that stood there is never made larger. */
function sizeAt(
  { width, height, smallest = SMALLEST_SCALE, kept }: Label,
  scale: number,
): { width: number; height: number; scale: number } {
  const held = Math.max(Math.min(scale, kept?.scale ?? 1), Math.min(1, smallest));
  return { width: width * held, height: height * held, scale: held };
}

/** Whether a parcel is as large as what is to stand in it: where it is not, no place need be looked for. */
function mayFit(
  parcel: Polygon,
  own: readonly number[],
  labels: readonly Label[],
  fixed: readonly Box[],
  scale: number,
): boolean {
  // What stood there may be nearer to each other, and may reach a little over the border.
  const room = (box: { width: number; height: number }): number =>
    Math.max(0, box.width - 2 * KEPT_MARGIN) * Math.max(0, box.height - 2 * KEPT_MARGIN);
  let needed = fixed.reduce((sum, box) => sum + room(box), 0);
  for (const label of own) {
    const size = sizeAt(labels[label], scale);
    needed += labels[label].kept ? room(size) : size.width * size.height;
  }
  return needed <= area(parcel);
}

/** A parcel with what is to stand in it. */
interface ParcelToFill {
  readonly parcel: Polygon;
  /** Numbers of its labels. */
  readonly own: readonly number[];
  readonly labels: readonly Label[];
  /** Where each label would best stand. */
  readonly wishes: readonly Point[];
  /** What stands there already, as the theme's name. */
  readonly fixed: readonly Box[];
}

/**
 * Sets the labels of one parcel: those that were put somewhere first, then those that stood there, then the largest, each on the
 * free place nearest to its wish.
 *
 * @param isLast whether what finds no place is left out; else nothing is given where one finds none
 */
function legalise(
  { parcel, own, labels, wishes, fixed }: ParcelToFill,
  scale: number,
  isLast: boolean,
): (Placed | undefined)[] | undefined {
  const planes = halfPlanes(parcel);
  const boxes: Box[] = [...fixed];
  const found = new Map<number, Placed>();
  const order = [...own].sort(
    (a, b) => labels[b].width * labels[b].height - labels[a].width * labels[a].height || a - b,
  );
  const sizeOf = (label: number): { width: number; height: number; scale: number } =>
    sizeAt(labels[label], scale);
  const nearestTo = (label: number, [wishX, wishY]: Point, size = sizeOf(label)): Placing | undefined => {
    const { width, height } = size;
    const room = roomForBox(planes, width, height);
    const place = nearestFree({ room, boxes, width, height, wishX, wishY, parcel });
    return place && { ...size, place, away: vectorLength(place[0] - wishX, place[1] - wishY) };
  };
  const put = (label: number, { width, height, place, scale: taken }: Placing): void => {
    boxes.push({ x: place[0], y: place[1], width, height });
    found.set(label, { x: place[0], y: place[1], scale: taken });
  };
  for (const label of order) {
    const { pin } = labels[label];
    const placing = pin && nearestTo(label, pin);
    if (placing) put(label, placing);
  }
  for (const label of order) {
    const { kept } = labels[label];
    if (!kept || found.has(label)) continue;
    const [width, height] = [labels[label].width * kept.scale, labels[label].height * kept.scale];
    const box = { x: kept.at[0], y: kept.at[1], width, height };
    if (!isInside(roomForBox(planes, width, height), ...kept.at, KEPT_MARGIN)) continue;
    if (boxes.some((other) => overlaps(other, box, KEPT_GAP))) continue;
    boxes.push(box);
    found.set(label, { x: box.x, y: box.y, scale: kept.scale });
  }
  for (const label of order) {
    if (found.has(label)) continue;
    const full = nearestTo(label, wishes[label]);
    // A word that must leave its place rather grows smaller than goes far.
    const isFar = labels[label].kept !== undefined && (full?.away ?? Infinity) > FAR;
    const small = isFar ? nearestTo(label, wishes[label], smallestOf(labels[label])) : undefined;
    const taken = small && small.away < NEARER * (full?.away ?? Infinity) ? small : full;
    if (taken) put(label, taken);
    // It is tried again in smaller type.
    else if (!isLast) return undefined;
  }
  return own.map((label) => found.get(label));
}
