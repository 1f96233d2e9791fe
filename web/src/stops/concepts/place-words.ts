import { largest } from '@green-thicket/core/base/extent';
import { overlaps, type Box } from '@green-thicket/core/map/free-place';
import { textWidth } from '@green-thicket/core/map/text-width';
import type { FigureName } from '@green-thicket/core/words/figure-sentences';
import { FIGURE_FACES, scaleOf, type FiguredRow, type Scale } from './figures.ts';

/** The field's size, and in it the room of its axes, in pixels. */
export interface FieldSize {
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly bottom: number;
}
/** The axes have as much room in a large field as in a small one. */
export const sizeOfField = (width: number, height: number): FieldSize => ({
  width: Math.max(320, width),
  height: Math.max(200, height),
  left: 24,
  bottom: 24,
});

/** Concepts that are shown at most, and words left out beside them. */
const MOST_WORDS = 320;
const MOST_OUT = 70;

export interface PlacedWord extends Box {
  readonly row: FiguredRow;
  readonly type: number;
}

export interface PlacedField {
  readonly size: FieldSize;
  readonly words: readonly PlacedWord[];
  /** Concepts that found no room. */
  readonly missing: number;
  readonly up: Scale;
}

/** Height in the field of a figure, for words of no height. */
export function heightOf({ up, size: { height, bottom } }: PlacedField, value: number): number {
  return (height - bottom) * (1 - up.at(value));
}

/** Type of a word that nobody says, in pixels, and what the one said most has beyond it: less where the field would be too full. */
const LEAST_TYPE = 11;
const GROWTHS = [12, 8, 4, 0] as const;
/** A field is too full to place words near where they belong when they take more of its ground. */
const FULL = 0.4;

function boxOf(
  { label, mentions }: FiguredRow,
  mostMentions: number,
  growth: number,
): { readonly type: number; readonly width: number; readonly height: number } {
  const type = LEAST_TYPE + growth * Math.sqrt(mentions / mostMentions);
  return { type, width: textWidth(label, type) + 6, height: type * 1.15 };
}

const areaOf = (rows: readonly FiguredRow[], mostMentions: number, growth: number): number =>
  rows.reduce((sum, row) => {
    const { width, height } = boxOf(row, mostMentions, growth);
    return sum + width * height;
  }, 0);

/** Puts words where their figures say, as near as the words already there leave room. */
export function placeWords(
  rows: readonly FiguredRow[],
  { across, up }: { readonly across: FigureName; readonly up: FigureName },
  size: FieldSize,
): PlacedField {
  const isIn = ({ status }: FiguredRow): boolean => status === 'chosen' || status === 'kept';
  const concepts = rows.filter(isIn);
  const shown = [...concepts.slice(0, MOST_WORDS), ...rows.filter((row) => !isIn(row)).slice(0, MOST_OUT)];
  const mostMentions = largest(
    shown.map((row) => row.mentions),
    1,
  );
  const acrossScale = scaleOf(across, shown.map(FIGURE_FACES[across].of));
  const upScale = scaleOf(up, shown.map(FIGURE_FACES[up].of));
  const ground = (size.width - size.left) * (size.height - size.bottom);
  const place = (growth: number): PlacedField => {
    const words: PlacedWord[] = [];
    for (const row of shown) {
      const { type, width, height } = boxOf(row, mostMentions, growth);
      const x =
        size.left +
        width / 2 +
        (size.width - size.left - width) * acrossScale.at(FIGURE_FACES[across].of(row));
      const y =
        (size.height - size.bottom - height) * (1 - upScale.at(FIGURE_FACES[up].of(row))) + height / 2;
      const spot = nearestGap(words, { x, y, width, height }, size);
      if (spot) words.push({ row, type, width, height, x: spot[0], y: spot[1] });
    }
    const placed = words.filter(({ row }) => isIn(row)).length;
    return { size, words, missing: concepts.length - placed, up: upScale };
  };
  // In smaller type where some found no room; type that would fill the field is not tried.
  const [first, ...smaller] = GROWTHS.filter(
    (growth) => growth === 0 || areaOf(shown, mostMentions, growth) <= FULL * ground,
  );
  return smaller.reduce((best, growth) => (best.missing === 0 ? best : place(growth)), place(first));
}

/** The wish itself or a place near it, looked for along a spiral; none where it would say something untrue. */
function nearestGap(
  placed: readonly Box[],
  { x: wishX, y: wishY, width, height }: Box,
  field: FieldSize,
): [number, number] | undefined {
  const { left, bottom } = field;
  // As far, for its size, in a large field as in a small one: 85 pixels up and down in one of 680 by 470.
  const reach = 1.3 * Math.sqrt((field.width * field.height) / (680 * 470));
  let inTheWay: Box | undefined;
  for (let step = 0; step < 260; step++) {
    const angle = step * 0.7;
    const away = reach * step ** 0.75;
    const x = Math.max(
      left + width / 2,
      Math.min(field.width - width / 2, wishX + 1.8 * away * Math.cos(angle)),
    );
    const y = Math.max(
      height / 2,
      Math.min(field.height - bottom - height / 2, wishY + away * Math.sin(angle)),
    );
    // What was in the way a step ago most likely still is.
    const box = { x, y, width, height };
    if (inTheWay && overlaps(inTheWay, box, 0.5)) continue;
    inTheWay = placed.find((other) => overlaps(other, box, 0.5));
    if (!inTheWay) return [x, y];
  }
  return undefined;
}
