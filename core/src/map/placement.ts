import { least } from '../base/extent.ts';
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
import { GAP, nearestFree, overlaps, type Box } from './free-place.ts';
import { powerCells } from './parcels.ts';

/** A label to be put in a parcel; sizes in map units, before any shrinking. */
export interface Label {
  /** What the label starts from: the same key starts in the same place, whatever else is on the map. */
  readonly key: string;
  readonly parcel: number;
  readonly width: number;
  readonly height: number;
  /** The least its size may be multiplied by; 0.3 where it is left out. */
  readonly smallest?: number;
  /** Where it stood last and at what scale: it stays so as long as it may. */
  readonly kept?: { readonly at: Point; readonly scale: number };
  /** Where it was put: it comes before all others, as near to there as its parcel and what was put before it allow. */
  readonly pin?: Point;
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

const ROUNDS = 48;
/** Labels that stood there before may be so much nearer to each other: places are kept to a tenth of a unit. */
const KEPT_GAP = 2.8;
/** A word that stood there may reach a little into the padding of its parcel when a border moves. */
const KEPT_MARGIN = 4;
/** What is far for a word that stood somewhere, in map units; and how much nearer a smaller one must come to be taken. */
const FAR = 25;
const NEARER = 0.7;
const SHRINK = 0.93;
const SMALLEST_SCALE = 0.3;
/** Words are wide, so a step across counts for less than one up or down. */
const ACROSS = 0.55;
/** How often all pairs of a parcel are looked at, and by how much an exchange must shorten their links. */
const EXCHANGES = 6;
/** Of more labels in a parcel those that are placed keep their places. */
const MOST_EXCHANGED = 40;
const LESS = 1 - 1e-6;
/** Of more labels in a parcel the even spread would take too long for what it gives. */
const MOST_SPREAD = 150;

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
  const wishes = settle(parcels, labels, pulls, taken, seed);
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
      const found = legalise(parcel, own, labels, wishes, fixed, scale, isLast);
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

const squeezed = ([x, y]: Point): Point => [x * ACROSS, y];

/** Where each label would like to be. */
function settle(
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

/** Links of a label: to which others, and how much each counts. */
type Links = readonly { readonly other: number; readonly weight: number }[];

/**
 * Lets labels of a parcel change places, two by two, as long as that makes their links shorter, each counted by the square of its
 * strength: the places stay as evenly spread, and what is linked comes to be next to each other (a local search of the quadratic
 * assignment problem, Koopmans & Beckmann 1957).
 *
 * @param places of all labels; those of these labels are changed
 * @param exchanged the places two labels would have, or undefined where they cannot
 */
function exchange(
  labels: readonly number[],
  places: Point[],
  pulls: readonly Pull[],
  exchanged: (a: number, b: number) => readonly [Point, Point] | undefined,
): void {
  const linksOf = new Map(labels.map((label) => [label, [] as { other: number; weight: number }[]]));
  for (const { source, target, strength } of pulls) {
    const weight = strength ** 2;
    linksOf.get(source)?.push({ other: target, weight });
    linksOf.get(target)?.push({ other: source, weight });
  }
  const lengthOf = (links: Links, [x, y]: Point): number => {
    let sum = 0;
    for (const { other, weight } of links)
      sum += weight * vectorLength(places[other][0] - x, places[other][1] - y);
    return sum;
  };
  for (let round = 0; round < EXCHANGES; round++) {
    let isBetter = false;
    for (const [at, a] of labels.entries()) {
      const ofA = linksOf.get(a) ?? [];
      for (const b of labels.slice(at + 1)) {
        const ofB = linksOf.get(b) ?? [];
        const [placeA, placeB] = [places[a], places[b]];
        const before = lengthOf(ofA, placeA) + lengthOf(ofB, placeB);
        // Most pairs are told apart without asking whether they fit.
        [places[a], places[b]] = [placeB, placeA];
        const isShorter = lengthOf(ofA, placeB) + lengthOf(ofB, placeA) < before * LESS;
        const others = isShorter ? exchanged(a, b) : undefined;
        if (others) [places[a], places[b]] = others;
        if (others && lengthOf(ofA, places[a]) + lengthOf(ofB, places[b]) < before * LESS) isBetter = true;
        else [places[a], places[b]] = [placeA, placeB];
      }
    }
    if (!isBetter) return;
  }
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

/**
 * Sets the labels of one parcel: those that were put somewhere first, then those that stood there, then the largest, each on the
 * free place nearest to its wish.
 *
 * @param isLast whether what finds no place is left out; else nothing is given where one finds none
 */
function legalise(
  parcel: Polygon,
  own: readonly number[],
  labels: readonly Label[],
  wishes: readonly Point[],
  fixed: readonly Box[],
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
