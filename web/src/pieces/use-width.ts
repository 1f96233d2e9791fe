import { useEffect, useState, type RefObject } from 'react';

/** The width of an element as it is now, in pixels; 0 until it is drawn. */
export function useWidth(place: RefObject<HTMLElement | null>): number {
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const element = place.current;
    if (!element) return undefined;
    const sizes = new ResizeObserver(() => setWidth(element.clientWidth));
    sizes.observe(element);
    setWidth(element.clientWidth);
    return () => sizes.disconnect();
  }, [place]);
  return width;
}
