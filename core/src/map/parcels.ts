import { largest, least } from '../base/extent.ts';
import { area, centroid, clip, vectorLength, type Point, type Polygon } from './geometry.ts';

/** The land the map is drawn on: a rounded shape that fills a width × height sheet but for a margin. */
export function outline(width: number, height: number, margin: number): Point[] {
  const corners = 128;
  // Between an ellipse (2) and a rectangle: soft corners that still use the sheet.
  const exponent = 2 / 3.4;
  const points: Point[] = [];
  for (let i = 0; i < corners; i++) {
    const angle = (2 * Math.PI * i) / corners;
    const x = Math.sign(Math.cos(angle)) * Math.abs(Math.cos(angle)) ** exponent;
    const y = Math.sign(Math.sin(angle)) * Math.abs(Math.sin(angle)) ** exponent;
    points.push([width / 2 + x * (width / 2 - margin), height / 2 + y * (height / 2 - margin)]);
  }
  return points;
}

/**
 * Places for nodes so that distances follow how strongly they are linked: stress majorisation (Gansner, Koren & North
 * 2004) from the places given.
 *
 * @param closeness nodes × nodes, symmetric, 0 for none; only its ratios count
 */
export function stressPlaces(closeness: readonly (readonly number[])[], start: readonly Point[]): Point[] {
  const n = start.length;
  let most = 0;
  for (const row of closeness) for (const value of row) most = Math.max(most, value);
  const wanted = closeness.map((row) =>
    row.map((value) => 1 + 1.6 * (1 - Math.sqrt(most > 0 ? value / most : 0))),
  );
  let places = start.map(([x, y]): [number, number] => [x, y]);
  for (let round = 0; round < 120; round++) {
    places = places.map((place, i) => {
      let x = 0;
      let y = 0;
      let sum = 0;
      for (let j = 0; j < n; j++) {
        if (j === i) continue;
        const weight = wanted[i][j] ** -2;
        const dx = place[0] - places[j][0];
        const dy = place[1] - places[j][1];
        const distance = Math.max(vectorLength(dx, dy), 1e-6);
        x += weight * (places[j][0] + (wanted[i][j] * dx) / distance);
        y += weight * (places[j][1] + (wanted[i][j] * dy) / distance);
        sum += weight;
      }
      return sum === 0 ? place : [x / sum, y / sum];
    });
  }
  return places;
}

/** Stretches places over the land, so that no parcel starts outside it. */
export function spreadOver(land: Polygon, places: readonly Point[]): Point[] {
  const range = (axis: 0 | 1, of: readonly Point[]): [number, number] => [
    least(of.map((p) => p[axis])),
    largest(of.map((p) => p[axis])),
  ];
  const stretched = ([0, 1] as const).map((axis) => {
    const [from, to] = range(axis, places);
    const [low, high] = range(axis, land);
    const middle = (low + high) / 2;
    const reach = (high - low) * 0.32;
    return places.map((p) =>
      to - from < 1e-9 ? middle : middle + ((p[axis] - (from + to) / 2) / ((to - from) / 2)) * reach,
    );
  });
  return places.map((_, i) => [stretched[0][i], stretched[1][i]]);
}

/**
 * The cells of a power diagram: cell i has the points nearest to site i by squared distance less its weight.
 *
 * @param isAsked which cells are asked for; the others are left empty
 */
export function powerCells(
  land: Polygon,
  sites: readonly Point[],
  weights: ArrayLike<number>,
  isAsked?: (site: number) => boolean,
): Point[][] {
  return sites.map((site, i) => {
    if (isAsked && !isAsked(i)) return [];
    let cell: Point[] = [...land];
    let reach = reachFrom(site, cell);
    for (let j = 0; j < sites.length && cell.length > 2; j++) {
      if (j === i) continue;
      const dx = sites[j][0] - site[0];
      const dy = sites[j][1] - site[1];
      const length = vectorLength(dx, dy);
      if (length < 1e-9) continue;
      const constant =
        (sites[j][0] ** 2 + sites[j][1] ** 2 - site[0] ** 2 - site[1] ** 2 + weights[i] - weights[j]) / 2;
      const [nx, ny, limit] = [dx / length, dy / length, constant / length];
      // A border beyond the cell's furthest corner takes nothing from it.
      if (limit - nx * site[0] - ny * site[1] > reach + BEYOND) continue;
      cell = clip(cell, { nx, ny, limit });
      reach = reachFrom(site, cell);
    }
    return cell.length > 2 ? cell : [];
  });
}

/** So much further, in map units, is surely beyond. */
const BEYOND = 1e-6;

/** The distance from a site to the furthest corner of a cell. */
function reachFrom([x, y]: Point, cell: Polygon): number {
  let square = 0;
  for (let i = 0; i < cell.length; i++)
    square = Math.max(square, (cell[i][0] - x) ** 2 + (cell[i][1] - y) ** 2);
  return Math.sqrt(square);
}

const SETTLING_ROUNDS = 60;
const WEIGHT_ROUNDS = 3000;
/** Largest departure of a parcel's area from its share, as a part of the share. */
export const AREA_TOLERANCE = 0.01;
/** Parcels that stood give way only until their areas depart by no more than this. */
export const KEPT_TOLERANCE = 0.08;

/**
 * Parts the land into parcels with areas as the shares (weighted Voronoi, after Nocaj & Brandes 2012): sites first
 * settle towards the middle of their cells while the weights follow, then the weights alone are brought to the areas.
 *
 * @param shares above 0; only their ratios count
 * @param kept weights that sites had before; those stay where they are, and only the others settle
 * @returns the cells, and the sites and weights that make them
 */
export function partLand(
  land: Polygon,
  start: readonly Point[],
  shares: readonly number[],
  kept: readonly (number | undefined)[] = [],
): { cells: Point[][]; sites: Point[]; weights: number[] } {
  const whole = area(land);
  const sum = shares.reduce((a, b) => a + b, 0);
  const wanted = shares.map((share) => (share / sum) * whole);
  const sites = start.map(([x, y]): [number, number] => [x, y]);
  const weights = wanted.map((size, i) => kept[i] ?? size / Math.PI);
  const areAllKept = sites.every((_, i) => kept[i] !== undefined);
  let rate = 0.25;
  let cells = powerCells(land, sites, weights);
  let lastError = Infinity;
  for (let round = areAllKept ? SETTLING_ROUNDS : 0; round < SETTLING_ROUNDS + WEIGHT_ROUNDS; round++) {
    const areas = cells.map((cell) => area(cell));
    const error = largest(areas.map((size, i) => Math.abs(size - wanted[i]) / wanted[i]));
    const settling = round < SETTLING_ROUNDS;
    if (!settling && error < (areAllKept ? KEPT_TOLERANCE : AREA_TOLERANCE)) break;
    if (!settling) {
      // Too bold a step swings back and forth; a calm one may be made longer.
      rate = error > lastError ? Math.max(0.02, rate * 0.7) : Math.min(0.6, rate * 1.02);
      lastError = error;
    }
    for (let i = 0; i < sites.length; i++) {
      weights[i] += rate * (wanted[i] - areas[i]);
      if (settling && cells[i].length > 0 && kept[i] === undefined) {
        const [x, y] = centroid(cells[i]);
        sites[i][0] += 0.35 * (x - sites[i][0]);
        sites[i][1] += 0.35 * (y - sites[i][1]);
      }
    }
    cells = powerCells(land, sites, weights);
  }
  return { cells, sites, weights };
}
