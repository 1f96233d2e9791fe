import { hashNumber } from '../base/hash.ts';
import { seededRandom } from '../numeric/random.ts';
import type { Box } from './free-place.ts';
import { exchange } from './exchange.ts';
import {
  centroid,
  halfPlanes,
  projectInto,
  roomForBox,
  vectorLength,
  type Point,
  type Polygon,
} from './geometry.ts';
import type { Label, Pull } from './labels.ts';
import { powerCells } from './parcels.ts';

const ROUNDS = 48;
/** Words are wide, so a step across counts for less than one up or down. */
const ACROSS = 0.55;
/** Of more labels in a parcel the even spread would take too long for what it gives. */
export const MOST_SPREAD = 150;

const squeezed = ([x, y]: Point): Point => [x * ACROSS, y];

/**
 * Where each label would like to be: the places fill each parcel evenly, begin near the middle where a label is linked most inside,
 * and on the side of the parcels it is linked to (`placeLabels`).
 */
export function wishesOf(
  parcels: readonly Polygon[],
  labels: readonly Label[],
  pulls: readonly Pull[],
  taken: readonly (Box & { readonly parcel: number })[],
  seed: number,
): Point[] {
  const rooms = labels.map((label) =>
    roomForBox(halfPlanes(parcels[label.parcel]), label.width, label.height),
  );
  const begun = beginnings(parcels, labels, pulls, seed);
  const xs = Float64Array.from(begun, ([x]) => x);
  const ys = Float64Array.from(begun, ([, y]) => y);
  const isKept = Uint8Array.from(labels, ({ kept }) => (kept ? 1 : 0));
  const inside = pulls.filter(
    ({ source, target }) =>
      labels[source].parcel === labels[target].parcel && (isKept[source] === 0 || isKept[target] === 0),
  );
  const sources = Int32Array.from(inside, ({ source }) => source);
  const targets = Int32Array.from(inside, ({ target }) => target);
  const strengths = Float64Array.from(inside, ({ strength }) => strength);
  const spreads = parcels.flatMap((parcel, p) => {
    const own = [...labels.keys()].filter((i) => labels[i].parcel === p);
    const moving = [...own.keys()].filter((at) => isKept[own[at]] === 0);
    if (parcel.length < 3 || own.length > MOST_SPREAD || moving.length === 0) return [];
    // The name has a part of the parcel to itself.
    const names = taken.filter((box) => box.parcel === p).map((box): Point => [box.x, box.y]);
    const sites = [...own.map((i): Point => [xs[i], ys[i]]), ...names].map(squeezed);
    return [{ land: parcel.map(squeezed), own, moving, sites, weights: new Float64Array(sites.length) }];
  });
  for (let round = 0; round < ROUNDS; round++) {
    const heat = 1 - round / ROUNDS;
    for (let k = 0; k < inside.length; k++) {
      const [source, target] = [sources[k], targets[k]];
      const step = 0.1 * strengths[k] * heat;
      const dx = (xs[target] - xs[source]) * step;
      const dy = (ys[target] - ys[source]) * step;
      if (isKept[source] === 0) {
        xs[source] += dx;
        ys[source] += dy;
      }
      if (isKept[target] === 0) {
        xs[target] -= dx;
        ys[target] -= dy;
      }
    }
    for (const { land, own, moving, sites, weights } of spreads) {
      for (const at of moving) sites[at] = squeezed([xs[own[at]], ys[own[at]]]);
      const cells = powerCells(land, sites, weights, (at) => at < own.length && isKept[own[at]] === 0);
      for (const at of moving) {
        if (cells[at].length < 3) continue;
        const i = own[at];
        const [x, y] = centroid(cells[at]);
        const step = 0.5;
        const place = projectInto(rooms[i], xs[i] + step * (x / ACROSS - xs[i]), ys[i] + step * (y - ys[i]));
        [xs[i], ys[i]] = place;
      }
    }
  }
  const wishes = labels.map((_, i): Point => [xs[i], ys[i]]);
  for (const { own, moving } of spreads) {
    const movable = moving.map((at) => own[at]);
    // They are exchanged already when it is asked.
    exchange(movable, wishes, pulls, (a, b) => [
      projectInto(rooms[a], ...wishes[a]),
      projectInto(rooms[b], ...wishes[b]),
    ]);
  }
  return wishes;
}

/** Where labels begin: those linked most inside near the middle, the others further out, towards what they are linked to. */
function beginnings(
  parcels: readonly Polygon[],
  labels: readonly Label[],
  pulls: readonly Pull[],
  seed: number,
): Point[] {
  const middles = parcels.map(centroid);
  const inside = new Float64Array(labels.length);
  const towards = labels.map((): [number, number] => [0, 0]);
  for (const { source, target, strength } of pulls) {
    for (const [own, other] of [
      [source, target],
      [target, source],
    ]) {
      const [a, b] = [labels[own].parcel, labels[other].parcel];
      if (a === b) inside[own] += strength;
      else {
        towards[own][0] += strength * (middles[b][0] - middles[a][0]);
        towards[own][1] += strength * (middles[b][1] - middles[a][1]);
      }
    }
  }
  const rank = new Float64Array(labels.length);
  parcels.forEach((_, p) => {
    const own = [...labels.keys()].filter((i) => labels[i].parcel === p);
    own.sort((a, b) => inside[b] - inside[a] || a - b);
    own.forEach((i, at) => (rank[i] = (at + 0.5) / own.length));
  });
  return labels.map(({ key, parcel, kept }, i): Point => {
    if (kept) return kept.at;
    const random = seededRandom(seed, hashNumber(key));
    const [dx, dy] = towards[i];
    const pulled = vectorLength(dx, dy);
    const angle = 2 * Math.PI * random();
    // A bridge end looks across its border; the others look any way.
    const [ux, uy] = pulled > 0 ? [dx / pulled, dy / pulled] : [Math.cos(angle), Math.sin(angle)];
    const jitter = 8 * (random() - 0.5);
    const away = 95 * Math.sqrt(rank[i]);
    return [middles[parcel][0] + away * ux + jitter, middles[parcel][1] + away * uy * 0.8 - jitter];
  });
}
