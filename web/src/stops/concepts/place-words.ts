import { largest } from '@green-thicket/core/base/extent';
import { overlaps, type Box } from '@green-thicket/core/map/free-place';
import { textWidth } from '@green-thicket/core/map/text-width';
import type { FigureName } from '@green-thicket/core/words/figure-sentences';
import { FIGURE_FACES, scaleOf, type FiguredRow, type Scale } from './figures.ts';

/** The field's size and the room of its axes, in its own units. */
export const FIELD = { width: 680, height: 470, left: 34, bottom: 26 } as const;
const MOST_WORDS = 150;

export interface PlacedWord extends Box {
  readonly row: FiguredRow;
  readonly type: number;
}

export interface PlacedField {
  readonly words: readonly PlacedWord[];
  readonly up: Scale;
}

/** Height in the field of a figure, for words of no height. */
export function heightOf(up: Scale, value: number): number {
  return (FIELD.height - FIELD.bottom) * (1 - up.at(value));
}

/** Puts words where their figures say, as near as the words already there leave room. */
export function placeWords(rows: readonly FiguredRow[], across: FigureName, up: FigureName): PlacedField {
  const shown = [
    ...rows.filter((row) => row.status === 'chosen' || row.status === 'kept'),
    ...rows.filter((row) => row.status === 'dropped' || row.status === 'out'),
  ].slice(0, MOST_WORDS);
  const mostMentions = largest(
    shown.map((row) => row.mentions),
    1,
  );
  const acrossScale = scaleOf(across, shown.map(FIGURE_FACES[across].of));
  const upScale = scaleOf(up, shown.map(FIGURE_FACES[up].of));
  const words: PlacedWord[] = [];
  for (const row of shown) {
    const type = 11 + 12 * Math.sqrt(row.mentions / mostMentions);
    const width = textWidth(row.label, type) + 6;
    const height = type * 1.15;
    const wishX =
      FIELD.left +
      width / 2 +
      (FIELD.width - FIELD.left - width) * acrossScale.at(FIGURE_FACES[across].of(row));
    const wishY =
      (FIELD.height - FIELD.bottom - height) * (1 - upScale.at(FIGURE_FACES[up].of(row))) + height / 2;
    const spot = nearestGap(words, wishX, wishY, width, height);
    if (spot) words.push({ row, type, width, height, x: spot[0], y: spot[1] });
  }
  return { words, up: upScale };
}

/** The wish itself or a place near it, looked for along a spiral; none where it would say something untrue. */
function nearestGap(
  placed: readonly Box[],
  wishX: number,
  wishY: number,
  width: number,
  height: number,
): [number, number] | undefined {
  const { left, bottom } = FIELD;
  let inTheWay: Box | undefined;
  for (let step = 0; step < 260; step++) {
    const angle = step * 0.7;
    const away = 1.3 * step ** 0.75;
    const x = Math.max(
      left + width / 2,
      Math.min(FIELD.width - width / 2, wishX + 1.8 * away * Math.cos(angle)),
    );
    const y = Math.max(
      height / 2,
      Math.min(FIELD.height - bottom - height / 2, wishY + away * Math.sin(angle)),
    );
    // What was in the way a step ago most likely still is.
    const box = { x, y, width, height };
    if (inTheWay && overlaps(inTheWay, box, 0.5)) continue;
    inTheWay = placed.find((other) => overlaps(other, box, 0.5));
    if (!inTheWay) return [x, y];
  }
  return undefined;
}
