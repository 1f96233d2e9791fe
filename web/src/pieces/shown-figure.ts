import { useEffect } from 'react';
import type { FigureQuestion } from '@green-thicket/core/views/view-types';
import { useSame } from './use-same.ts';

/** What is on the centre that can be kept, the latest last. */
const shown: FigureQuestion[] = [];

/** Says what a part of the page shows, so that it can be kept from anywhere with one key. */
export function useShownFigure(question: FigureQuestion | undefined): void {
  const { asked } = useSame({ asked: question });
  useEffect(() => {
    if (!asked) return undefined;
    shown.push(asked);
    return () => {
      shown.splice(shown.indexOf(asked), 1);
    };
  }, [asked]);
}

/** What is shown and can be kept; undefined where there is nothing. */
export const shownFigure = (): FigureQuestion | undefined => shown.at(-1);
