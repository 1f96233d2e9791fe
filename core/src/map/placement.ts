import { largest, least } from '../base/extent.ts';
import { hashNumber } from '../base/hash.ts';
import { seededRandom } from '../numeric/random.ts';
import {
  area,
  centroid,
  halfPlanes,
  isInside,
  projectInto,
  roomForBox,
  vectorLength,
  type Point,
  type Polygon,
} from './geometry.ts';

/** A label to be put in a parcel; sizes in map units, before any shrinking. */
export interface Label {
  /** What the label starts from: the same key starts in the same place, whatever else is on the map. */
  readonly key: string;
  readonly parcel: number;
  readonly width: number;
  readonly height: number;
}

export interface Placed {
  readonly x: number;
  readonly y: number;
  /** What the label's size was multiplied by to fit its parcel. */
  readonly scale: number;
}

export interface Pull {
  readonly source: number;
  readonly target: number;
  readonly strength: number;
}

const ROUNDS = 220;
const GAP = 5;
const SHRINK = 0.93;
const SMALLEST_SCALE = 0.3;

/**
 * Puts labels into their parcels near to what they are linked to, wholly inside and never on each other: forces first
 * say where each would like to be, then the largest is set first, each on the free place nearest to its wish. A parcel
 * too small for its labels has them all made smaller.
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
  const wishes = settle(parcels, labels, pulls, taken, seed);
  const placed = new Array<Placed | undefined>(labels.length).fill(undefined);
  parcels.forEach((parcel, p) => {
    const own = labels.map((_, i) => i).filter((i) => labels[i].parcel === p);
    const fixed = taken.filter((box) => box.parcel === p);
    for (let scale = 1; scale >= SMALLEST_SCALE; scale *= SHRINK) {
      const found = legalise(parcel, own, labels, wishes, fixed, scale);
      const last = scale * SHRINK < SMALLEST_SCALE;
      if (found.some((place) => place === undefined) && !last) continue;
      own.forEach((label, i) => (placed[label] = found[i]));
      break;
    }
  });
  return placed;
}

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export function overlaps(a: Box, b: Box, gap = 0): boolean {
  return (
    Math.abs(a.x - b.x) < (a.width + b.width) / 2 + gap &&
    Math.abs(a.y - b.y) < (a.height + b.height) / 2 + gap
  );
}

/** Where each label would like to be: pulled by its links, pushed off its neighbours, kept in its parcel. */
function settle(
  parcels: readonly Polygon[],
  labels: readonly Label[],
  pulls: readonly Pull[],
  taken: readonly (Box & { readonly parcel: number })[],
  seed: number,
): Point[] {
  const planes = parcels.map(halfPlanes);
  const middles = parcels.map(centroid);
  const rooms = labels.map((label) => roomForBox(planes[label.parcel], label.width, label.height));
  const x = new Float64Array(labels.length);
  const y = new Float64Array(labels.length);
  labels.forEach((label, i) => {
    const random = seededRandom(seed, hashNumber(label.key));
    const angle = 2 * Math.PI * random();
    const away = 60 * Math.sqrt(random());
    x[i] = middles[label.parcel][0] + away * Math.cos(angle);
    y[i] = middles[label.parcel][1] + away * Math.sin(angle);
  });
  // The distance at which labels of a parcel would fill it evenly.
  const members = parcels.map((_, p) => [...labels.keys()].filter((i) => labels[i].parcel === p));
  const reach = parcels.map((parcel, p) =>
    Math.sqrt(Math.max(1, area(parcel)) / Math.max(1, members[p].length)),
  );
  for (let round = 0; round < ROUNDS; round++) {
    const heat = 1 - round / ROUNDS;
    for (const { source, target, strength } of pulls) {
      const near = labels[source].parcel === labels[target].parcel;
      const step = (near ? 0.02 : 0.006) * strength * heat;
      const dx = (x[target] - x[source]) * step;
      const dy = (y[target] - y[source]) * step;
      x[source] += dx;
      y[source] += dy;
      x[target] -= dx;
      y[target] -= dy;
    }
    members.forEach((own, p) => {
      for (let a = 0; a < own.length; a++) {
        for (let b = a + 1; b < own.length; b++) {
          spread(x, y, own[a], own[b], reach[p], heat);
          pushApart(x, y, labels, own[a], own[b]);
        }
      }
    });
    for (let i = 0; i < labels.length; i++) {
      for (const box of taken) {
        if (box.parcel !== labels[i].parcel) continue;
        const reach = (box.height + labels[i].height) / 2 + GAP;
        const dy = y[i] - box.y;
        if (Math.abs(x[i] - box.x) < (box.width + labels[i].width) / 2 && Math.abs(dy) < reach) {
          y[i] += 0.5 * (reach - Math.abs(dy)) * (dy < 0 ? -1 : 1);
        }
      }
      [x[i], y[i]] = projectInto(rooms[i], x[i], y[i]);
    }
  }
  return labels.map((_, i) => [x[i], y[i]]);
}

/** Pushes two labels of a parcel apart, the nearer the harder, so that labels fill it; words are wide, so across more. */
function spread(x: Float64Array, y: Float64Array, i: number, j: number, reach: number, heat: number): void {
  const dx = (x[j] - x[i]) * 0.62;
  const dy = y[j] - y[i];
  const distance = Math.max(1, vectorLength(dx, dy));
  if (distance > 2.2 * reach) return;
  const push = (0.055 * heat * (reach * reach)) / distance / distance;
  x[i] -= dx * push * 1.6;
  x[j] += dx * push * 1.6;
  y[i] -= dy * push;
  y[j] += dy * push;
}

/** Moves two labels off each other along the shorter way, and a little apart where they are merely close. */
function pushApart(x: Float64Array, y: Float64Array, labels: readonly Label[], i: number, j: number): void {
  const dx = x[j] - x[i];
  const dy = y[j] - y[i];
  const overX = (labels[i].width + labels[j].width) / 2 + 3 * GAP - Math.abs(dx);
  const overY = (labels[i].height + labels[j].height) / 2 + 3 * GAP - Math.abs(dy);
  if (overX <= 0 || overY <= 0) return;
  if (overX < overY) {
    const move = 0.25 * overX * (dx < 0 ? -1 : 1);
    x[i] -= move;
    x[j] += move;
  } else {
    const move = 0.25 * overY * (dy < 0 ? -1 : 1);
    y[i] -= move;
    y[j] += move;
  }
}

/** Sets the labels of one parcel, the largest first, each on the free place nearest to its wish. */
function legalise(
  parcel: Polygon,
  own: readonly number[],
  labels: readonly Label[],
  wishes: readonly Point[],
  fixed: readonly Box[],
  scale: number,
): (Placed | undefined)[] {
  const planes = halfPlanes(parcel);
  const boxes: Box[] = [...fixed];
  const found = new Map<number, Placed>();
  const order = [...own].sort(
    (a, b) => labels[b].width * labels[b].height - labels[a].width * labels[a].height || a - b,
  );
  for (const label of order) {
    const width = labels[label].width * scale;
    const height = labels[label].height * scale;
    const room = roomForBox(planes, width, height);
    const [wishX, wishY] = wishes[label];
    const place = nearestFree({ room, boxes, width, height, wishX, wishY, parcel });
    if (!place) continue;
    boxes.push({ x: place[0], y: place[1], width, height });
    found.set(label, { x: place[0], y: place[1], scale });
  }
  return own.map((label) => found.get(label));
}

/** Tries the wish itself, then places on a grid over the parcel by rising distance from it. */
function nearestFree({
  room,
  boxes,
  width,
  height,
  wishX,
  wishY,
  parcel,
}: {
  readonly room: ReturnType<typeof roomForBox>;
  readonly boxes: readonly Box[];
  readonly width: number;
  readonly height: number;
  readonly wishX: number;
  readonly wishY: number;
  readonly parcel: Polygon;
}): Point | undefined {
  const free = (x: number, y: number): boolean =>
    isInside(room, x, y) && !boxes.some((box) => overlaps(box, { x, y, width, height }, GAP * 0.6));
  if (free(wishX, wishY)) return [wishX, wishY];
  let best: Point | undefined;
  let nearest = Infinity;
  const stepX = Math.max(4, width / 8);
  const stepY = Math.max(3, height / 4);
  const xs = parcel.map((p) => p[0]);
  const ys = parcel.map((p) => p[1]);
  const [right, bottom] = [largest(xs), largest(ys)];
  for (let y = least(ys); y <= bottom; y += stepY) {
    for (let x = least(xs); x <= right; x += stepX) {
      const distance = (x - wishX) ** 2 + (y - wishY) ** 2;
      if (distance < nearest && free(x, y)) {
        nearest = distance;
        best = [x, y];
      }
    }
  }
  return best;
}
