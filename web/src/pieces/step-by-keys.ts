import type { KeyboardEvent } from 'react';

/** Where Alt with an arrow moves a thing of a list: −1 up, 1 down; 0 for any other key. */
export function stepByKeys(event: KeyboardEvent): -1 | 0 | 1 {
  if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return 0;
  event.preventDefault();
  return event.key === 'ArrowUp' ? -1 : 1;
}
