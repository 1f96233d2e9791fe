import { useRef, type PointerEvent as Pressed, type RefObject } from 'react';
import { halfPlanes, isInside } from '@green-thicket/core/map/geometry';
import type { MapScene } from '@green-thicket/core/map/scene';
import type { Decision } from '@green-thicket/core/study/decisions';
import type { SheetName } from '@green-thicket/core/base/sheets';
import { useStudy } from '../../pieces/study-context.ts';

const tenth = (value: number): number => Math.round(value * 10) / 10;
/** The decision that a word stands at a place of the map. */
export const pinned = (key: string, x: number, y: number, sheet: SheetName): Decision => ({
  kind: 'pinConcept',
  key,
  at: [tenth(x), tenth(y)],
  sheet,
});

/** A press that moves less than this, in pixels, is a click. */
const LEAST_MOVE = 6;

/** Drags a word to another place of its parcel, where it is pinned, or onto another theme’s: it belongs there then. */
export function useWordDrag(
  drawing: RefObject<SVGGElement | null>,
  scene: MapScene,
  keys: readonly string[],
) {
  const { state, decide } = useStudy();
  const wasDragged = useRef(false);
  const begin = (event: Pressed<SVGGElement>, concept: number): void => {
    const word = event.currentTarget;
    const ground = drawing.current;
    if (event.button !== 0 || !ground) return;
    // Else the map would be moved.
    event.stopPropagation();
    wasDragged.current = false;
    const begun = { x: event.clientX, y: event.clientY };
    const onMap = (at: { clientX: number; clientY: number }): DOMPoint =>
      new DOMPoint(at.clientX, at.clientY).matrixTransform(ground.getScreenCTM()?.inverse());
    const from = onMap(event);
    const move = (moved: PointerEvent): void => {
      const distance = Math.hypot(moved.clientX - begun.x, moved.clientY - begun.y);
      if (!wasDragged.current && distance < LEAST_MOVE) return;
      wasDragged.current = true;
      const to = onMap(moved);
      word.setAttribute('transform', `translate(${to.x - from.x} ${to.y - from.y})`);
    };
    const drop = (dropped: PointerEvent): void => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', drop);
      word.removeAttribute('transform');
      if (!wasDragged.current) return;
      const { x, y } = onMap(dropped);
      const parcel = scene.parcels.find(({ polygon }) => isInside(halfPlanes(polygon), x, y));
      const label = scene.labels.find((each) => each.concept === concept);
      if (!parcel || !label) return;
      // Onto another parcel it belongs there; within its own it stays where it was put.
      decide(
        parcel.theme === label.theme
          ? pinned(keys[concept], label.x + x - from.x, label.y + y - from.y, state.settings.map.sheet)
          : { kind: 'placeConcepts', keys: [keys[concept]], letter: parcel.letter },
      );
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', drop);
  };
  /** Whether the last press was a drag, after which no click is meant. */
  return { begin, wasDragged: () => wasDragged.current };
}
