import { useEffect } from 'react';
import { useView } from '../engine/use-view.ts';
import { useStudy } from '../pieces/study-context.ts';
import type { StudyFigures } from '../store/database.ts';
import { keepFigures } from '../store/studies.ts';

/** Keeps the figures of the open study, once they are up to date, for the list on the first page. */
export function KeepFigures() {
  const { id, state } = useStudy();
  const views = [
    useView('wordsOnTrail', null),
    useView('conceptsOnTrail', null),
    useView('themesOnTrail', null),
  ] as const;
  const isNow = views.every(
    ({ data, isPlaceholderData, isFetching }) => data && !isPlaceholderData && !isFetching,
  );
  const [{ data: words }, { data: concepts }, { data: themes }] = views;
  const figures: StudyFigures | undefined =
    isNow && words && concepts && themes
      ? {
          sources: state.sources.length,
          words: words.words,
          concepts: concepts.concepts,
          themes: themes.themes,
          reached: themes.reached,
        }
      : undefined;
  const told = figures && JSON.stringify(figures);
  useEffect(() => {
    if (told === undefined) return;
    keepFigures(id, JSON.parse(told) as StudyFigures).catch((error: unknown) => {
      // As on a full disk: the first page does without.
      console.warn('The figures of the study were not kept', error);
    });
  }, [id, told]);
  return null;
}
