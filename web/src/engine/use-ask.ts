import { useCallback } from 'react';
import type { ViewAnswers, ViewName, ViewQuestions } from '@green-thicket/core/views/view-keys';
import { useStudy } from '../pieces/study-context.ts';
import { askView } from './client.ts';

/** Asks for a view once, where an answer is needed to act on and not to be shown. */
export function useAsk(): <V extends ViewName>(
  view: V,
  question: ViewQuestions[V],
  signal?: AbortSignal,
) => Promise<ViewAnswers[V]> {
  const { id, state, register } = useStudy();
  return useCallback(
    (view, question, signal = new AbortController().signal) =>
      askView({ studyId: id, state, register }, view, question, signal),
    [id, state, register],
  );
}
