import type { Decision } from '@green-thicket/core/study/decisions';
import { neverShow } from './never-show.ts';

/** What the keys do, to be said on hover. */
export const KEYS_SAID = 'K keeps it, Delete drops it, Shift+Delete never shows it';

/** The decision about a concept that a key stands for, wherever the concept has the focus. */
export function decisionByKey(
  { key, shiftKey }: { readonly key: string; readonly shiftKey: boolean },
  concept: string,
): Decision | undefined {
  if (key.toLowerCase() === 'k') return { kind: 'keepConcepts', keys: [concept] };
  if (key !== 'Delete') return undefined;
  return shiftKey ? neverShow([concept]) : { kind: 'dropConcepts', keys: [concept] };
}
