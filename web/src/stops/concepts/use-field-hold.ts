import { useRef, useState } from 'react';
import type { FieldSize, PlacedWord } from './place-words.ts';

/** A pointer that moved less than this was a click. */
const STILL = 4;

/** What a pointer has taken hold of in the field, and where it is now. */
export type Hold =
  | { readonly what: 'word'; readonly key: string; x: number; y: number; moved: boolean }
  | { readonly what: 'frame'; fromX: number; fromY: number; x: number; y: number; moved: boolean }
  | { readonly what: 'line'; y: number; moved: boolean };

/** A frame as it stands in the field. */
export interface FrameBox {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A frame's box, whichever of its corners it was drawn from. */
export const boxOf = ({ fromX, fromY, x, y }: Extract<Hold, { what: 'frame' }>): FrameBox => ({
  x: Math.min(fromX, x),
  y: Math.min(fromY, y),
  width: Math.abs(x - fromX),
  height: Math.abs(y - fromY),
});

/** The words that a box touches. */
export const wordsIn = (box: FrameBox, words: readonly PlacedWord[]): PlacedWord[] =>
  words.filter(
    (each) =>
      each.x + each.width / 2 > box.x &&
      each.x - each.width / 2 < box.x + box.width &&
      each.y + each.height / 2 > box.y &&
      each.y - each.height / 2 < box.y + box.height,
  );

/** The word that a held one is over, other than itself. */
export const wordUnder = (
  { key, x, y }: Extract<Hold, { what: 'word' }>,
  words: readonly PlacedWord[],
): PlacedWord | undefined =>
  words.find(
    (each) =>
      each.row.key !== key && Math.abs(each.x - x) < each.width / 2 && Math.abs(each.y - y) < each.height / 2,
  );

/** What a pointer holds in the field, and how it takes hold, moves and lets go. */
export function useFieldHold({ height, bottom }: FieldSize) {
  const svg = useRef<SVGSVGElement>(null);
  const [hold, setHold] = useState<Hold>();
  const place = (event: React.PointerEvent): { x: number; y: number } => {
    // The drawing keeps its shape in a box of another, so the box alone does not say where a place in it is.
    const matrix = svg.current?.getScreenCTM();
    if (!matrix) return { x: 0, y: 0 };
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return { x, y };
  };
  return {
    svg,
    hold,
    takeWord: (event: React.PointerEvent, key: string) =>
      setHold({ what: 'word', key, ...place(event), moved: false }),
    takeLine: (event: React.PointerEvent) => setHold({ what: 'line', y: place(event).y, moved: false }),
    beginFrame: (event: React.PointerEvent) => {
      const { x, y } = place(event);
      setHold({ what: 'frame', fromX: x, fromY: y, x, y, moved: false });
    },
    move: (event: React.PointerEvent) => {
      if (!hold) return;
      const at = place(event);
      if (hold.what === 'line') {
        setHold({ ...hold, y: Math.max(0, Math.min(height - bottom, at.y)), moved: true });
        return;
      }
      const [x, y] = hold.what === 'frame' ? [hold.fromX, hold.fromY] : [hold.x, hold.y];
      setHold({ ...hold, ...at, moved: hold.moved || Math.hypot(at.x - x, at.y - y) > STILL });
    },
    letGo: () => setHold(undefined),
  };
}
