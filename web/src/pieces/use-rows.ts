import { useVirtualizer, type Virtualizer } from '@tanstack/react-virtual';
import { useRef, type RefObject } from 'react';

/** Rows drawn above and below those that are seen, unless it is said otherwise. */
const OVERSCAN = 8;

/** Rows of a long list, of which those are drawn that are seen: where it scrolls, and which they are. */
export function useRows(
  count: number,
  height: number,
  overscan = OVERSCAN,
): {
  readonly scroller: RefObject<HTMLDivElement | null>;
  readonly virtual: Virtualizer<HTMLDivElement, Element>;
} {
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count,
    getScrollElement: () => scroller.current,
    estimateSize: () => height,
    overscan,
  });
  return { scroller, virtual };
}
