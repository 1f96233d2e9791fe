import { useCallback } from 'react';
import type { ViewAnswers, ViewName, ViewQuestions } from '@green-thicket/core/views/view-keys';
import { useStudy } from '../pieces/study-context.ts';
import { engine } from './client.ts';

/** Asks for a view once, where an answer is needed to act on and not to be shown. */
export function useAsk(): <V extends ViewName>(
  view: V,
  question: ViewQuestions[V],
  signal?: AbortSignal,
) => Promise<ViewAnswers[V]> {
  const { id, log } = useStudy();
  const { head } = log;
  return useCallback(
    (view, question, signal = new AbortController().signal) =>
      engine.askView({ id, head }, view, question, signal),
    [id, head],
  );
}
