import { largest, least } from '../base/extent.ts';
import { acrossAt, isInside, type HalfPlane, type Point, type Polygon } from './geometry.ts';

/** Boxes are so far from each other at least, in map units. */
export const GAP = 3;

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

/**
 * The free place nearest to a wish: the wish itself, or else a place of a grid over the parcel. Rows and columns are looked at by
 * rising distance from the wish, and no further than the best that was found.
 */
export function nearestFree({
  room,
  boxes,
  width,
  height,
  wishX,
  wishY,
  parcel,
}: {
  readonly room: readonly HalfPlane[];
  readonly boxes: readonly Box[];
  readonly width: number;
  readonly height: number;
  readonly wishX: number;
  readonly wishY: number;
  readonly parcel: Polygon;
}): Point | undefined {
  // What reaches into the row that is looked at: its middle, and half of what two boxes must be apart.
  const middle = new Float64Array(boxes.length);
  const apart = new Float64Array(boxes.length);
  let inRow = 0;
  const findRow = (y: number): void => {
    inRow = 0;
    for (const box of boxes) {
      if (Math.abs(box.y - y) >= (height + box.height) / 2 + GAP) continue;
      middle[inRow] = box.x;
      apart[inRow++] = (width + box.width) / 2 + GAP;
    }
  };
  const isFree = (x: number): boolean => isApart(x, middle, apart, inRow);
  if (isInside(room, wishX, wishY)) {
    findRow(wishY);
    if (isFree(wishX)) return [wishX, wishY];
  }
  const rows = stepsBy(
    parcel.map(([, y]) => y),
    Math.max(3, height / 4),
    wishY,
  );
  const columns = stepsBy(
    parcel.map(([x]) => x),
    Math.max(4, width / 8),
    wishX,
  );
  let best: Point | undefined;
  let nearest = Infinity;
  for (const y of rows) {
    const down = (y - wishY) ** 2;
    if (down >= nearest) break;
    const [from, to] = acrossAt(room, y);
    if (from > to) continue;
    findRow(y);
    for (const x of columns) {
      const distance = (x - wishX) ** 2 + down;
      if (distance >= nearest) break;
      if (x < from || x > to || !isFree(x)) continue;
      nearest = distance;
      best = [x, y];
      break;
    }
  }
  return best;
}

/** Whether a place is so far from each of so many others as it must be. */
function isApart(x: number, others: Float64Array, apart: Float64Array, count: number): boolean {
  for (let k = 0; k < count; k++) if (Math.abs(others[k] - x) < apart[k]) return false;
  return true;
}

/** Places from the least of some values to the largest, a step apart, those nearest to a wish first. */
function stepsBy(values: readonly number[], step: number, wish: number): number[] {
  const places: number[] = [];
  const end = largest(values);
  for (let at = least(values); at <= end; at += step) places.push(at);
  return places.sort((a, b) => Math.abs(a - wish) - Math.abs(b - wish) || a - b);
}
