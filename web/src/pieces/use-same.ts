import { useState } from 'react';
import { sameProps } from './same-props.ts';

/** The first of several props in a row that show the same, so that what is made of them is made once. */
export function useSame<T extends object>(next: T): T {
  const [held, hold] = useState(next);
  if (sameProps(held, next)) return held;
  hold(next);
  return next;
}
