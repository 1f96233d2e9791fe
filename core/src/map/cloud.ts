import { textWidth } from './text-width.ts';

/** A word to be packed, heavier ones larger. */
export interface CloudWord {
  readonly text: string;
  /** Above 0. */
  readonly weight: number;
}

/** A packed word: the middle of its box and its type size, in the cloud's units. */
export interface PlacedWord {
  readonly index: number;
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly size: number;
  readonly width: number;
}

export interface CloudOptions {
  readonly width: number;
  readonly height: number;
  /** Type size of the lightest words at least, and of the heaviest; as large as there is room for where it is left out. */
  readonly smallest?: number;
  readonly largest?: number;
  /** Heaviest in the middle, or in reading order. */
  readonly order?: 'middle' | 'rows';
}

/** Room a line of type takes, of its size. */
const LINE = 1.12;
/** Free room around a word, in the cloud's units. */
const GAP = 4;
/** Each try for a size at which all words have room is so much smaller. */
const SMALLER = 0.88;
/** Distance between two places that are tried, in the cloud's units. */
const STEP = 3;

/**
 * Packs words so that none overlaps another: the type size follows the square root of the weight, so that a word's area
 * follows its weight. In the `middle` order each word takes the free place nearest to the middle, on rings that are as
 * wide as the cloud is for its height; in `rows` they stand in lines, heaviest first. Words for which there is no room
 * are left out. No chance is in it.
 */
export function packCloud(words: readonly CloudWord[], options: CloudOptions): PlacedWord[] {
  const { width, height, smallest = 11, largest, order = 'middle' } = options;
  const heaviest = words.reduce((most, { weight }) => Math.max(most, weight), 0);
  if (heaviest <= 0) return [];
  const sizedTo = (top: number): Sized[] =>
    words
      .map(({ text, weight }, index) => {
        const size = Math.max(smallest, top * Math.sqrt(weight / heaviest));
        return { index, text, size, width: textWidth(text, size, true), height: size * LINE };
      })
      .sort((a, b) => words[b.index].weight - words[a.index].weight || a.index - b.index);
  const pack = order === 'rows' ? inRows : aroundMiddle;
  if (largest !== undefined) return pack(sizedTo(largest), width, height);
  for (let top = height / 3; ; top *= SMALLER) {
    const placed = pack(sizedTo(top), width, height);
    if (placed.length === words.length || top * SMALLER <= smallest) return placed;
  }
}

interface Sized {
  readonly index: number;
  readonly text: string;
  readonly size: number;
  readonly width: number;
  readonly height: number;
}

const placedAt = ({ index, text, size, width }: Sized, x: number, y: number): PlacedWord => ({
  index,
  text,
  x,
  y,
  size,
  width,
});

function inRows(words: readonly Sized[], width: number, height: number): PlacedWord[] {
  const placed: PlacedWord[] = [];
  let x = GAP;
  let top = GAP;
  let rowHeight = 0;
  for (const word of words) {
    if (x + word.width + GAP > width && x > GAP) {
      top += rowHeight + GAP / 2;
      x = GAP;
      rowHeight = 0;
    }
    if (top + word.height > height || word.width > width - 2 * GAP) continue;
    rowHeight = Math.max(rowHeight, word.height);
    placed.push(placedAt(word, x + word.width / 2, top + rowHeight / 2));
    x += word.width + 3 * GAP;
  }
  return placed;
}

function aroundMiddle(words: readonly Sized[], width: number, height: number): PlacedWord[] {
  const placed: PlacedWord[] = [];
  const boxes: { left: number; right: number; top: number; bottom: number }[] = [];
  const stretch = width / height;
  const reach = Math.hypot(width / 2 / stretch, height / 2);
  for (const word of words) {
    const [halfWidth, halfHeight] = [word.width / 2 + GAP, word.height / 2 + GAP / 2];
    for (let ring = 0; ring <= reach; ring += STEP) {
      const place = freeOnRing(ring);
      if (!place) continue;
      boxes.push(boxAt(place));
      placed.push(placedAt(word, place.x, place.y));
      break;
    }
    function boxAt({ x, y }: { x: number; y: number }) {
      return { left: x - halfWidth, right: x + halfWidth, top: y - halfHeight, bottom: y + halfHeight };
    }
    function freeOnRing(ring: number): { x: number; y: number } | undefined {
      const turns = Math.max(1, Math.floor((2 * Math.PI * ring) / (2 * STEP)));
      // Rings begin at another place for each word, so that no side is always filled first.
      const begin = word.index * 2.399963;
      for (let i = 0; i < turns; i++) {
        const angle = begin + (2 * Math.PI * i) / turns;
        const at = {
          x: width / 2 + Math.cos(angle) * ring * stretch,
          y: height / 2 + Math.sin(angle) * ring,
        };
        const box = boxAt(at);
        if (box.left < 0 || box.right > width || box.top < 0 || box.bottom > height) continue;
        const isFree = boxes.every(
          (other) =>
            box.right <= other.left ||
            box.left >= other.right ||
            box.bottom <= other.top ||
            box.top >= other.bottom,
        );
        if (isFree) return at;
      }
      return undefined;
    }
  }
  return placed;
}
