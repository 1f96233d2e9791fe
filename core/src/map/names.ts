import { largest, least } from '../base/extent.ts';
import {
  acrossAt,
  centroid,
  halfPlanes,
  inset,
  isInside,
  roomForBox,
  type HalfPlane,
  type Point,
  type Polygon,
} from './geometry.ts';
import type { StoodName } from './ground.ts';
import type { Box } from './free-place.ts';
import { SMALLEST_TYPE, tenth } from './sheet.ts';
import { textWidth } from './text-width.ts';

/** A parcel's name as it is written: its lines and where they stand. */
export interface PlacedName {
  readonly lines: readonly string[];
  /** Middle of the block of lines. */
  readonly x: number;
  readonly y: number;
  readonly type: number;
  readonly width: number;
  readonly height: number;
}

const LARGEST_NAME = 33;
/** A name is no smaller than this while it leaves most of its parcel to the words: twelve pixels on the widest sheet in a window of 1280 by 800. */
const SMALLEST_NAME = 17;
/** Where it fits in no such way it takes as much of the parcel as it needs, on more lines, as small as the least word. */
const ANY_LINES = [1, 2, 3, 4, 5, 6] as const;
/** Of a letter that has no room at all. */
const SMALLEST_LETTER = 6;
/** A name of one word that fits in no size is cut to so much of its letters, down to so few. */
const CUT_TO = 0.75;
const SHORTEST_CUT = 4;
export const LINE_HEIGHT = 1.14;
const LINE_COUNTS = [1, 2, 3] as const;
/** The block may take so much of the parcel’s height, and begin so far below its top. */
const SHARE_OF_HEIGHT = 0.4;
const FROM_TOP = [0.06, 0.14, 0.24, 0.36] as const;
/** A name goes higher where that costs no more than this of its size. */
const WORTH_BEING_HIGH = 0.82;

/** A name with one word less, or with fewer letters of its only word; none where it can be no shorter. */
function shortened(text: string): string | undefined {
  const bare = text.replace(/…$/, '');
  // The letter and a first word stay as long as they can.
  const words = bare.split(' ');
  if (words.length > 2) return `${words.slice(0, -1).join(' ').replace(/,$/, '')}…`;
  const letters = Array.from(bare);
  if (letters.length <= SHORTEST_CUT) return undefined;
  return `${letters
    .slice(0, Math.ceil(letters.length * CUT_TO))
    .join('')
    .trimEnd()}…`;
}

/** A name broken into so many lines, as even as its words allow; words longer than a line stay whole. */
export function brokenName(name: string, lines: number): string[] {
  const words = name.split(' ').filter((word) => word !== '');
  if (lines <= 1 || words.length < 2) return [words.join(' ')];
  // The narrowest width at which it takes no more lines, word by word.
  const fill = (width: number): string[] => {
    const made: string[] = [];
    for (const word of words) {
      const last = made[made.length - 1];
      if (last !== undefined && textWidth(`${last} ${word}`, 1, true) <= width)
        made[made.length - 1] = `${last} ${word}`;
      else made.push(word);
    }
    return made;
  };
  let low = largest(words.map((word) => textWidth(word, 1, true)));
  let high = textWidth(words.join(' '), 1, true);
  for (let round = 0; round < 20; round++) {
    const middle = (low + high) / 2;
    if (fill(middle).length <= lines) high = middle;
    else low = middle;
  }
  return fill(high);
}

/** The size of a block of lines at a type size. */
function blockOf(lines: readonly string[], type: number): { width: number; height: number } {
  return {
    width: largest(lines.map((line) => textWidth(line, type, true))) + 6,
    height: lines.length * type * LINE_HEIGHT + 3,
  };
}

/** A name on each of so many lines that its words allow. */
const brokenInto = (text: string, counts: readonly number[]): string[][] =>
  counts.map((count) => brokenName(text, count)).filter((lines, i) => lines.length === counts[i]);

/** Room in a parcel, in map units squared, that its name takes at a type size. */
export function roomForName(text: string, type: number): number {
  const { width, height } = blockOf(brokenName(text, textWidth(text, type, true) > 200 ? 2 : 1), type);
  return width * height;
}

/**
 * A parcel's name goes at its top, in the largest type that leaves most of the parcel to its words: on one line, two or three.
 *
 * @param text letter and name
 * @param kept where it stood last; it stays there where it fits
 */
export function placeName(polygon: Polygon, text: string, kept?: StoodName): PlacedName {
  const inner = inset(polygon, 5);
  const ground = inner.length > 2 ? inner : polygon;
  const planes = halfPlanes(ground);
  const stood = kept && whereItStood(planes, text, kept);
  if (stood) return stood;
  const [middle, centre] = centroid(ground);
  const ys = ground.map((p) => p[1]);
  const xs = ground.map((p) => p[0]);
  const [left, right, top, bottom] = [least(xs), largest(xs), least(ys), largest(ys)];
  const broken = brokenInto(text, LINE_COUNTS);
  const found = FROM_TOP.map((share) =>
    largestWithin(planes, broken, {
      across: [left, right],
      middle,
      top,
      height: bottom - top,
      reach: share * (bottom - top),
      mostHeight: SHARE_OF_HEIGHT,
      smallest: SMALLEST_NAME,
    }),
  );
  const largestType = largest(
    found.map((name) => name?.type ?? 0),
    0,
  );
  const best = found.find((name) => name !== undefined && name.type >= WORTH_BEING_HIGH * largestType);
  if (best) return best;
  // Rather on more lines, smaller, and of more of its parcel than not whole.
  const whole = largestWithin(planes, brokenInto(text, ANY_LINES), {
    across: [left, right],
    middle,
    top,
    height: bottom - top,
    reach: bottom - top,
    mostHeight: 1,
    smallest: SMALLEST_TYPE,
  });
  if (whole) return whole;
  // What fits in no size is cut short; the whole name stands in the lists.
  const shorter = shortened(text);
  if (shorter !== undefined) return placeName(polygon, shorter);
  return { lines: [text], x: middle, y: centre, type: SMALLEST_LETTER, ...blockOf([text], SMALLEST_LETTER) };
}

/** The name in the largest type that fits with its top no further below the parcel’s than `reach`. */
function largestWithin(
  planes: readonly HalfPlane[],
  broken: readonly (readonly string[])[],
  room: {
    readonly across: Point;
    readonly middle: number;
    readonly top: number;
    readonly height: number;
    readonly reach: number;
    /** The most it may take of the height. */
    readonly mostHeight: number;
    readonly smallest: number;
  },
): PlacedName | undefined {
  const [left, right] = room.across;
  // In tenths throughout, so that a name that is kept is just as large.
  for (let size = LARGEST_NAME; size >= room.smallest; size *= 0.94) {
    const type = tenth(size);
    for (const lines of broken) {
      const { width, height } = blockOf(lines, type);
      if (width > right - left || height > room.mostHeight * room.height) continue;
      const free = roomForBox(planes, width, height);
      for (let y = room.top + height / 2; y <= room.top + height / 2 + room.reach; y += 3) {
        const [from, to] = acrossAt(free, y);
        const x = Math.max(from, Math.min(to, room.middle));
        if (from <= to) return { lines, x: tenth(x), y: tenth(y), type, width, height };
      }
    }
  }
  return undefined;
}

/** A name where it stood, on as many lines as it had, or as fit there. */
function whereItStood(
  planes: readonly HalfPlane[],
  text: string,
  [x, y, type, before]: StoodName,
): PlacedName | undefined {
  for (const count of [before, ...LINE_COUNTS]) {
    const lines = brokenName(text, count);
    const { width, height } = blockOf(lines, type);
    if (isInside(roomForBox(planes, width, height), x, y, 2)) return { lines, x, y, type, width, height };
  }
  return undefined;
}

/** The room a name takes. */
export const boxOfName = ({ x, y, width, height }: PlacedName): Box => ({ x, y, width, height });
