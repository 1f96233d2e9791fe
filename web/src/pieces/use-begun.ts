import { startTransition, useEffect, useState } from 'react';
import { afterPaint } from './after-paint.ts';

/** Rows of a list drawn in its first step. */
const FIRST_ROWS = 5;

/**
 * What is drawn of a list: the first rows in a step of their own, then all. Setting up the type of a list takes about
 * as long as a page may be held.
 */
export function useBegun<Item>(items: readonly Item[]): readonly Item[] {
  const [begun, setBegun] = useState(false);
  useEffect(() => afterPaint(() => startTransition(() => setBegun(true))), []);
  return begun ? items : items.slice(0, FIRST_ROWS);
}
