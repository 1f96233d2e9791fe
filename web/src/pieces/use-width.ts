import { useEffect, useState, type RefObject } from 'react';

/** The width of an element as it is now, in pixels; 0 until it is drawn. */
export const useWidth = (place: RefObject<HTMLElement | null>): number => useSize(place).width;

/** Width and height of an element as they are now, in pixels; 0 until it is drawn. */
export function useSize(place: RefObject<HTMLElement | null>): {
  readonly width: number;
  readonly height: number;
} {
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const element = place.current;
    if (!element) return undefined;
    const measure = (): void => {
      const { clientWidth: width, clientHeight: height } = element;
      setSize((was) => (was.width === width && was.height === height ? was : { width, height }));
    };
    const sizes = new ResizeObserver(measure);
    sizes.observe(element);
    measure();
    return () => sizes.disconnect();
  }, [place]);
  return size;
}
