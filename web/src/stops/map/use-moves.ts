import { useLayoutEffect, useRef, type RefObject } from 'react';
import type { MapScene } from '@green-thicket/core/map/scene';

/** How long a word takes from where it stood to where it stands, ms. */
const MOVE = 300;

/** Lets words that stand elsewhere than before go there, where motion is not unwelcome. */
export function useMoves(
  drawing: RefObject<SVGGElement | null>,
  scene: MapScene,
  keys: readonly string[],
): void {
  const stood = useRef(new Map<string, { readonly x: number; readonly y: number }>());
  useLayoutEffect(() => {
    const before = stood.current;
    stood.current = new Map(scene.labels.map(({ concept, x, y }) => [keys[concept], { x, y }]));
    if (before.size === 0 || matchMedia('(prefers-reduced-motion: reduce)').matches) return;
    for (const word of drawing.current?.querySelectorAll<SVGGElement>('[data-word]') ?? []) {
      const key = word.dataset.word ?? '';
      const [from, to] = [before.get(key), stood.current.get(key)];
      if (!from || !to || (from.x === to.x && from.y === to.y)) continue;
      // Lengths of the drawing are pixels to the browser's animations.
      word.animate([{ translate: `${from.x - to.x}px ${from.y - to.y}px` }, { translate: '0px 0px' }], {
        duration: MOVE,
        easing: 'ease-out',
      });
    }
  }, [drawing, scene, keys]);
}
