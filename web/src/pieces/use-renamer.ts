import { useMemo } from 'react';
import { renamerOf, type Renamer } from '@green-thicket/core/study/pseudonyms';
import { useStudy } from './study-context.ts';

/** Gives names their pseudonyms in what leaves the page. */
export function useRenamer(): Renamer {
  const { pseudonyms, capitalNames } = useStudy().state;
  return useMemo(() => renamerOf({ pseudonyms, capitalNames }), [pseudonyms, capitalNames]);
}
