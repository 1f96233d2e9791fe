import { isStopped } from '../pieces/stopped.ts';
import { useQuery, useQueryClient, type UseQueryResult } from '@tanstack/react-query';
import { useDeferredValue, useEffect, useId, useMemo } from 'react';
import { viewKey, WITHOUT_TEXTS } from '@green-thicket/core/views/view-keys';
import { networkInForce } from '@green-thicket/core/study/in-force';
import type { ViewAnswers, ViewName, ViewQuestions } from '@green-thicket/core/views/view-keys';
import { useSame } from '../pieces/use-same.ts';
import { useStudy } from '../pieces/study-context.ts';
import { EDITION, engine } from './client.ts';
import { forgetViewFault, tellViewFault } from './faults.ts';
import { keptOrAsked } from './kept-or-asked.ts';

const answer = keptOrAsked(engine, EDITION);

/** A computed view as a component shows it. */
export interface View<Answer> extends Pick<
  UseQueryResult<Answer>,
  'error' | 'isError' | 'isFetching' | 'refetch'
> {
  /** The newest answer that is drawn, or being drawn; undefined before the first. */
  readonly data: Answer | undefined;
  /** Whether the answer is of another question or of the study as it was: shown dimmed. */
  readonly isPlaceholderData: boolean;
}

/**
 * A computed view of the present study. While a new answer is made the old one stays, and `isPlaceholderData` says so.
 *
 * An answer comes in the middle of anything; it is drawn in slices, so that the page answers meanwhile.
 */
export function useView<V extends ViewName>(
  view: V,
  question: ViewQuestions[V],
  enabled = true,
): View<ViewAnswers[V]> {
  const { id, state, log } = useStudy();
  const { head } = log;
  const asked = useSame({ question }).question;
  // A part of the page is drawn far oftener than what it shows changes.
  const key = useMemo(() => viewKey(view, state, asked), [view, state, asked]);
  const queries = useQueryClient();
  const queryKey = ['view', id, view, key, question];
  const { data, error, isError, isFetching, isPlaceholderData, refetch } = useQuery<ViewAnswers[V]>({
    queryKey,
    queryFn: ({ signal }) =>
      answer({ study: { id, head }, view, question, key }, signal, (other) =>
        queries.setQueryData(queryKey, other),
      ),
    placeholderData: (previous) => previous,
    enabled:
      enabled && (state.sources.length > 0 || (networkInForce(state) !== null && WITHOUT_TEXTS.has(view))),
  });
  const fault = isError && !isStopped(error) ? error.message : undefined;
  const asker = useId();
  useEffect(() => {
    if (fault !== undefined) tellViewFault(asker, fault);
    return () => forgetViewFault(asker);
  }, [asker, fault]);
  const drawn = useDeferredValue(data, undefined);
  return {
    data: drawn,
    isPlaceholderData: isPlaceholderData || drawn !== data,
    error,
    isError,
    isFetching,
    refetch,
  };
}
