import { stopForm } from '@green-thicket/core/concepts/stop-words';
import type { Decision } from '@green-thicket/core/study/decisions';
import type { StudyState } from '@green-thicket/core/study/study';
import { ownValue } from '@green-thicket/core/base/records';

const isPhrase = (key: string): boolean => key.includes(' ');

/**
 * The decision that concepts are never shown: words go on the study's stop list; phrases and names of several words are
 * dropped, since their words may be concepts by themselves.
 */
export function neverShow(keys: readonly string[]): Decision {
  const words = keys.filter((key) => !isPhrase(key)).map((key) => key.toLowerCase());
  const phrases = keys.filter(isPhrase);
  if (phrases.length === 0) return { kind: 'addStopWords', words };
  return words.length === 0 ? { kind: 'dropConcepts', keys: phrases } : { kind: 'neverShow', words, phrases };
}

/** Whether a word is on the study's own stop list. */
export function isNeverShown({ stopWords }: StudyState, key: string): boolean {
  return !isPhrase(key) && stopWords.some((word) => stopForm(word) === stopForm(key));
}

/** The decision that takes a word off the study's stop list. */
export function showAgain({ stopWords }: StudyState, key: string): Decision {
  return { kind: 'removeStopWords', words: stopWords.filter((word) => stopForm(word) === stopForm(key)) };
}

/** Why a concept that was decided about is nowhere, as a sentence; undefined where no decision explains it. */
export function whyNowhere(state: StudyState, key: string): string | undefined {
  const into = ownValue(state.merges, key);
  if (into !== undefined) return `It counts for ${ownValue(state.conceptLabels, into) ?? into} now.`;
  return isNeverShown(state, key) ? 'It is never shown: it is on the study’s stop list.' : undefined;
}
