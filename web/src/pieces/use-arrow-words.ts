import { useEffect, type KeyboardEvent, type RefObject } from 'react';

const DIRECTIONS: ReadonlyMap<string, readonly [x: number, y: number]> = new Map([
  ['ArrowLeft', [-1, 0]],
  ['ArrowRight', [1, 0]],
  ['ArrowUp', [0, -1]],
  ['ArrowDown', [0, 1]],
]);
/** A word off to the side counts for so many times farther than one straight ahead. */
const ASIDE = 2.5;

interface Place {
  readonly x: number;
  readonly y: number;
}

/** Which of some places is next in a direction: near, and rather ahead than aside; −1 where none lies there. */
export function nextInDirection(
  from: Place,
  places: readonly Place[],
  [dx, dy]: readonly [number, number],
): number {
  let best = -1;
  let least = Infinity;
  places.forEach(({ x, y }, i) => {
    const ahead = (x - from.x) * dx + (y - from.y) * dy;
    if (ahead <= 1) return;
    const aside = Math.abs((x - from.x) * dy) + Math.abs((y - from.y) * dx);
    const far = ahead + aside * ASIDE;
    if (far < least) [best, least] = [i, far];
  });
  return best;
}

/**
 * One of many words on a plane, or of the stops of the trail, is reached by Tab, the others from there by the arrow keys, in the direction they lie.
 *
 * @param plane what holds them; words are those that fit the selector
 * @returns to be called at every key; says whether the key moved the focus
 */
export function useArrowWords(
  plane: RefObject<Element | null>,
  selector: string,
): (event: KeyboardEvent) => boolean {
  useEffect(() => {
    const words = Array.from(plane.current?.querySelectorAll<HTMLElement | SVGElement>(selector) ?? []);
    // After words came or went there may be none that Tab reaches, or two.
    const reached = words.filter((word) => word.tabIndex === 0);
    const one = reached.find((word) => word === document.activeElement) ?? reached[0] ?? words[0];
    for (const word of words) {
      const wanted = word === one ? 0 : -1;
      if (word.tabIndex !== wanted) word.setAttribute('tabindex', String(wanted));
    }
  });
  return (event) => {
    const direction = DIRECTIONS.get(event.key);
    const from =
      event.target instanceof Element ? event.target.closest<HTMLElement | SVGElement>(selector) : null;
    if (!direction || !from || event.ctrlKey || event.metaKey || event.altKey) return false;
    const others = Array.from(
      plane.current?.querySelectorAll<HTMLElement | SVGElement>(selector) ?? [],
    ).filter((word) => word !== from);
    const middle = (word: Element): Place => {
      const { left, top, width, height } = word.getBoundingClientRect();
      return { x: left + width / 2, y: top + height / 2 };
    };
    const next = nextInDirection(middle(from), others.map(middle), direction);
    event.preventDefault();
    if (next < 0) return true;
    from.setAttribute('tabindex', '-1');
    others[next].setAttribute('tabindex', '0');
    others[next].focus();
    return true;
  };
}
