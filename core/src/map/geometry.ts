export type Point = readonly [x: number, y: number];
/** Length of a vector. √ is exact everywhere; Math.hypot is neither that nor fast. */
export function vectorLength(dx: number, dy: number): number {
  return Math.sqrt(dx * dx + dy * dy);
}

/** A convex polygon, its corners in order. */
export type Polygon = readonly Point[];
/** The points with nx·x + ny·y ≤ limit; (nx, ny) has length 1. */
export interface HalfPlane {
  readonly nx: number;
  readonly ny: number;
  readonly limit: number;
}

/** The part of a convex polygon in a half-plane (Sutherland & Hodgman 1974). */
export function clip(polygon: Polygon, { nx, ny, limit }: HalfPlane): Point[] {
  const kept: Point[] = [];
  if (polygon.length === 0) return kept;
  const first = polygon[0];
  const outFirst = nx * first[0] + ny * first[1] - limit;
  let a = first;
  let outA = outFirst;
  for (let i = 1; i <= polygon.length; i++) {
    const isLast = i === polygon.length;
    const b = isLast ? first : polygon[i];
    const outB = isLast ? outFirst : nx * b[0] + ny * b[1] - limit;
    if (outA <= 0) kept.push(a);
    if (outA < 0 !== outB < 0 && outA !== 0 && outB !== 0) {
      const t = outA / (outA - outB);
      kept.push([a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]);
    }
    a = b;
    outA = outB;
  }
  return kept;
}

/** Signed area, above 0 for corners in the order of growing angle. */
export function area(polygon: Polygon): number {
  let sum = 0;
  for (let i = 0; i < polygon.length; i++) {
    const a = polygon[i];
    const b = polygon[(i + 1) % polygon.length];
    sum += a[0] * b[1] - b[0] * a[1];
  }
  return sum / 2;
}

/** Centre of mass; the mean of the corners where the area is nothing. */
export function centroid(polygon: Polygon): Point {
  const whole = area(polygon);
  let x = 0;
  let y = 0;
  if (Math.abs(whole) < 1e-9) {
    for (const [px, py] of polygon) {
      x += px / polygon.length;
      y += py / polygon.length;
    }
    return [x, y];
  }
  for (let i = 0; i < polygon.length; i++) {
    const a = polygon[i];
    const b = polygon[(i + 1) % polygon.length];
    const cross = a[0] * b[1] - b[0] * a[1];
    x += (a[0] + b[0]) * cross;
    y += (a[1] + b[1]) * cross;
  }
  return [x / (6 * whole), y / (6 * whole)];
}

/** The half-planes of the edges of a convex polygon with positive area. */
export function halfPlanes(polygon: Polygon): HalfPlane[] {
  const planes: HalfPlane[] = [];
  for (let i = 0; i < polygon.length; i++) {
    const a = polygon[i];
    const b = polygon[(i + 1) % polygon.length];
    const length = vectorLength(b[0] - a[0], b[1] - a[1]);
    if (length < 1e-9) continue;
    const nx = (b[1] - a[1]) / length;
    const ny = (a[0] - b[0]) / length;
    planes.push({ nx, ny, limit: nx * a[0] + ny * a[1] });
  }
  return planes;
}

/** A convex polygon drawn in by a distance at every edge; empty where nothing is left. */
export function inset(polygon: Polygon, distance: number): Point[] {
  let inner: Point[] = [...polygon];
  for (const plane of halfPlanes(polygon)) {
    inner = clip(inner, { ...plane, limit: plane.limit - distance });
    if (inner.length < 3) return [];
  }
  return inner;
}

/** Where the centre of a box may be for all of the box to be inside a convex polygon. */
export function roomForBox(planes: readonly HalfPlane[], width: number, height: number): HalfPlane[] {
  return planes.map((plane) => ({
    ...plane,
    limit: plane.limit - (Math.abs(plane.nx) * width) / 2 - (Math.abs(plane.ny) * height) / 2,
  }));
}

export function isInside(planes: readonly HalfPlane[], x: number, y: number, margin = 1e-6): boolean {
  return planes.every((plane) => plane.nx * x + plane.ny * y <= plane.limit + margin);
}

/** From where to where a horizontal line is in an intersection of half-planes; from beyond to where it is in none. */
export function acrossAt(planes: readonly HalfPlane[], y: number): [from: number, to: number] {
  let [from, to] = [-Infinity, Infinity];
  for (const { nx, ny, limit } of planes) {
    const left = limit - ny * y;
    if (Math.abs(nx) < 1e-9) {
      if (left < 0) return [Infinity, -Infinity];
    } else if (nx > 0) to = Math.min(to, left / nx);
    else from = Math.max(from, left / nx);
  }
  return [from, to];
}

/** Moves a point into an intersection of half-planes by repeated projection; stays outside where that is empty. */
export function projectInto(planes: readonly HalfPlane[], x: number, y: number): Point {
  let px = x;
  let py = y;
  for (let round = 0; round < 12; round++) {
    let moved = false;
    for (const { nx, ny, limit } of planes) {
      const out = nx * px + ny * py - limit;
      if (out > 0) {
        px -= out * nx;
        py -= out * ny;
        moved = true;
      }
    }
    if (!moved) break;
  }
  return [px, py];
}
