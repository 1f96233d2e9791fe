import { useEffect } from 'react';
import { useView } from '../engine/use-view.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useNetwork } from '../pieces/use-network.ts';
import type { StudyFigures } from '../store/database.ts';
import { keepFigures } from '../store/studies.ts';

/** Keeps the figures of the open study, once they are up to date, for the list on the first page. */
export function KeepFigures() {
  const { id, state } = useStudy();
  const isNetwork = useNetwork() !== null;
  const [words, links] = [
    useView('wordsOnTrail', null, !isNetwork),
    useView('linksOnTrail', null, isNetwork),
  ];
  const [concepts, themes] = [useView('conceptsOnTrail', null), useView('themesOnTrail', null)];
  const isNow = [isNetwork ? links : words, concepts, themes].every(
    ({ data, isPlaceholderData, isFetching }) => data && !isPlaceholderData && !isFetching,
  );
  const figures: StudyFigures | undefined =
    isNow && concepts.data && themes.data
      ? {
          sources: state.sources.length,
          words: words.data?.words ?? 0,
          concepts: concepts.data.concepts,
          ...(isNetwork && { links: links.data?.links }),
          themes: themes.data.themes,
          reached: themes.data.reached,
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
