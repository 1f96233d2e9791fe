import { useMemo } from 'react';
import type { ThemesView } from '@green-thicket/core/views/view-types';

/** Concept → the letter of its theme. Links stand before the themes that are made of them; their letters come when these are there. */
export const useLetters = (themes: ThemesView | undefined): ReadonlyMap<string, string> =>
  useMemo(
    () =>
      new Map(
        themes?.themes.flatMap(({ letter, concepts }) => concepts.map(({ key }) => [key, letter] as const)),
      ),
    [themes],
  );
