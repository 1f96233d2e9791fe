import { stopForm } from '@green-thicket/core/concepts/stop-words';
import type { Decision } from '@green-thicket/core/study/decisions';
import type { StudyState } from '@green-thicket/core/study/study';

/**
 * The decision that a concept is never shown: a word goes on the study's stop list; a phrase or a name of several words
 * is dropped, since its words may be concepts by themselves.
 */
export function neverShow(key: string): Decision {
  return key.includes(' ')
    ? { kind: 'dropConcepts', keys: [key] }
    : { kind: 'addStopWords', words: [key.toLowerCase()] };
}

/** Whether a word is on the study's own stop list. */
export function isNeverShown({ stopWords }: StudyState, key: string): boolean {
  return !key.includes(' ') && stopWords.some((word) => stopForm(word) === stopForm(key));
}

/** The decision that takes a word off the study's stop list. */
export function showAgain({ stopWords }: StudyState, key: string): Decision {
  return { kind: 'removeStopWords', words: stopWords.filter((word) => stopForm(word) === stopForm(key)) };
}

/** Why a concept that was decided about is nowhere, as a sentence; undefined where no decision explains it. */
export function whyNowhere(state: StudyState, key: string): string | undefined {
  if (state.merges[key] !== undefined) {
    const into = state.conceptLabels[state.merges[key]] ?? state.merges[key];
    return `It counts for ${into} now.`;
  }
  return isNeverShown(state, key) ? 'It is never shown: it is on the study’s stop list.' : undefined;
}
