import { Children, startTransition, useEffect, useState, type ReactNode } from 'react';
import { afterPaint } from './after-paint.ts';

/**
 * Draws its parts one after another, each in a step of its own, so that the page can answer in between. For parts
 * that are slow to set up the first time: charts, tables, dialogs.
 */
export function InTurn({ children }: { children: ReactNode }): ReactNode {
  const parts = Children.toArray(children);
  const [drawn, setDrawn] = useState(0);
  const more = drawn < parts.length;
  useEffect(() => {
    if (!more) return undefined;
    return afterPaint(() => startTransition(() => setDrawn(drawn + 1)));
  }, [drawn, more]);
  return parts.slice(0, drawn);
}
