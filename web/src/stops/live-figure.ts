import type { StudyState } from '@green-thicket/core/study/study';
import type { ViewAnswers } from '@green-thicket/core/views/view-keys';
import { useView } from '../engine/use-view.ts';
import { useStudy } from '../pieces/study-context.ts';

type FigureView = 'wordsOnTrail' | 'conceptsOnTrail' | 'linksOnTrail' | 'themesOnTrail';

/** A stop's figure as it is now. */
export interface LiveFigure {
  /** The figure in words; of before while a new one is computed, undefined before the first. */
  readonly figure: string | undefined;
  readonly isComputing: boolean;
  readonly isFailed: boolean;
}

/** A figure that is computed, as a stop shows it on the trail: a hook. */
export const liveFigure =
  <V extends FigureView>(view: V, say: (figures: ViewAnswers[V], state: StudyState) => string) =>
  (): LiveFigure => {
    const { state } = useStudy();
    const { data, isPlaceholderData, isFetching, isError } = useView(view, null);
    return {
      figure: data && say(data, state),
      isComputing: isFetching || isPlaceholderData || !data,
      isFailed: isError,
    };
  };
