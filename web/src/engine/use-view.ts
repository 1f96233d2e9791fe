import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import { inputHash } from '@green-thicket/core/study/stages';
import { VIEW_STAGE } from '@green-thicket/core/study/views';
import type { ViewAnswers, ViewName, ViewQuestions } from '@green-thicket/core/study/view-types';
import { useStudy } from '../shell/study-context.ts';
import { askView } from './client.ts';

/**
 * A computed view of the present study. While a new answer is made the old one stays, and `isPlaceholderData` says so.
 */
export function useView<V extends ViewName>(
  view: V,
  question: ViewQuestions[V],
  enabled = true,
): UseQueryResult<ViewAnswers[V]> {
  const { id, state, register, hashes } = useStudy();
  const hash = inputHash(VIEW_STAGE[view], { state, register }, hashes);
  return useQuery<ViewAnswers[V]>({
    queryKey: ['view', id, view, hash, question],
    queryFn: ({ signal }) => askView({ studyId: id, state, register }, view, question, signal),
    placeholderData: (previous) => previous,
    enabled: enabled && state.sources.length > 0,
  });
}
