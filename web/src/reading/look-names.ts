import type { Look } from '../pieces/selection.ts';

/** What the ways of looking at words are called. */
export const LOOK_NAMES: Record<Look, string> = {
  lines: 'In lines',
  where: 'Where',
  branches: 'What follows',
};
