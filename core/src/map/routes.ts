import { largest } from '../base/extent.ts';
import type { Point } from './geometry.ts';
import type { Box } from './free-place.ts';

/** How far a link bows out, as a part of its length; the first that goes clear of every word is taken. */
const BOWS = [0.1, -0.1, 0.24, -0.24, 0.4, -0.4, 0.6, -0.6] as const;
/** Places along a link at which it is looked whether a word is in the way, one in so many map units. */
const STEP = 7;
const CLEARANCE = 1.5;

/** A link's curve: a quadratic one, from the edge of one word to the edge of another. */
export interface Route {
  readonly from: Point;
  readonly bend: Point;
  readonly to: Point;
}

const at = (a: number, b: number, c: number, t: number): number =>
  (1 - t) * (1 - t) * a + 2 * t * (1 - t) * b + t * t * c;

const inside = (box: Box, x: number, y: number, margin: number): boolean =>
  Math.abs(x - box.x) < box.width / 2 + margin && Math.abs(y - box.y) < box.height / 2 + margin;

/** The part of a curve that is outside both boxes it joins: from t to t. */
function outside(route: Route, a: Box, b: Box): [number, number] {
  const point = (t: number): Point => [
    at(route.from[0], route.bend[0], route.to[0], t),
    at(route.from[1], route.bend[1], route.to[1], t),
  ];
  let start = 0;
  while (start < 0.5 && inside(a, ...point(start), 0)) start += 0.02;
  let end = 1;
  while (end > 0.5 && inside(b, ...point(end), 0)) end -= 0.02;
  return [start, end];
}

/** A quadratic curve's part from t0 to t1, as a quadratic curve. */
function part({ from, bend, to }: Route, t0: number, t1: number): Route {
  const point = (t: number): Point => [at(from[0], bend[0], to[0], t), at(from[1], bend[1], to[1], t)];
  const control = (i: 0 | 1): number =>
    (1 - t0) * ((1 - t1) * from[i] + t1 * bend[i]) + t0 * ((1 - t1) * bend[i] + t1 * to[i]);
  return { from: point(t0), bend: [control(0), control(1)], to: point(t1) };
}

/** Whether a box is near enough to a curve, which keeps between its three points. */
const mayTouch = ({ from, bend, to }: Route, box: Box): boolean =>
  !isApart(from[0], bend[0], to[0], box.x, box.width) && !isApart(from[1], bend[1], to[1], box.y, box.height);

/** Whether three places along one side of the map all lie to one side of a stretch of it. */
const isApart = (from: number, bend: number, to: number, middle: number, size: number): boolean =>
  Math.min(from, bend, to) > middle + size / 2 + CLEARANCE ||
  Math.max(from, bend, to) < middle - size / 2 - CLEARANCE;

/** The other boxes that any of the bows may touch: most links are short, and few boxes near them. */
function nearAnyBow(a: Box, b: Box, boxes: readonly Box[]): Box[] {
  const furthest = largest(BOWS);
  const [middleX, middleY] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
  const [across, down] = [Math.abs(b.y - a.y) * furthest, Math.abs(b.x - a.x) * furthest];
  const left = Math.min(a.x, b.x, middleX - across) - CLEARANCE;
  const right = Math.max(a.x, b.x, middleX + across) + CLEARANCE;
  const top = Math.min(a.y, b.y, middleY - down) - CLEARANCE;
  const bottom = Math.max(a.y, b.y, middleY + down) + CLEARANCE;
  return boxes.filter(
    (box) =>
      box !== a &&
      box !== b &&
      box.x + box.width / 2 >= left &&
      box.x - box.width / 2 <= right &&
      box.y + box.height / 2 >= top &&
      box.y - box.height / 2 <= bottom,
  );
}

/**
 * A curve between two words that crosses no other: bowed to one side or the other as little as will do.
 *
 * @param boxes all words and names, those two among them
 * @returns undefined where every bow runs into a word
 */
export function routeBetween(a: Box, b: Box, boxes: readonly Box[]): Route | undefined {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const near = nearAnyBow(a, b, boxes);
  for (const bow of BOWS) {
    const whole: Route = {
      from: [a.x, a.y],
      bend: [(a.x + b.x) / 2 - dy * bow, (a.y + b.y) / 2 + dx * bow],
      to: [b.x, b.y],
    };
    const [t0, t1] = outside(whole, a, b);
    const route = part(whole, t0, t1);
    const inTheWay = near.filter((box) => mayTouch(route, box));
    const steps = Math.max(4, Math.ceil((Math.abs(dx) + Math.abs(dy)) / STEP));
    let isClear = true;
    for (let k = 0; k <= steps && isClear; k++) {
      const t = k / steps;
      const x = at(route.from[0], route.bend[0], route.to[0], t);
      const y = at(route.from[1], route.bend[1], route.to[1], t);
      for (const box of inTheWay) {
        if (inside(box, x, y, CLEARANCE)) {
          isClear = false;
          break;
        }
      }
    }
    if (isClear) return route;
  }
  return undefined;
}
