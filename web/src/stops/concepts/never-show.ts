import type { Decision } from '@green-thicket/core/study/decisions';

/**
 * The decision that a concept is never shown: a word goes on the study's stop list; a phrase or a name of several words
 * is dropped, since its words may be concepts by themselves.
 */
export function neverShow(key: string): Decision {
  return key.includes(' ')
    ? { kind: 'dropConcepts', keys: [key] }
    : { kind: 'addStopWords', words: [key.toLowerCase()] };
}
