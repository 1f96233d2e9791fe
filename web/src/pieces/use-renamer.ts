import { useMemo } from 'react';
import { counted } from '@green-thicket/core/base/wording';
import { renamerOf, type Renamer } from '@green-thicket/core/study/pseudonyms';
import { useStudy } from './study-context.ts';

/** Gives names their pseudonyms in what leaves the page. */
export function useRenamer(): Renamer {
  const { pseudonyms, capitalNames } = useStudy().state;
  return useMemo(() => renamerOf({ pseudonyms, capitalNames }), [pseudonyms, capitalNames]);
}

/** The study's title as files that leave it are called by. */
export function useOutsideTitle(): string {
  const { title } = useStudy().state;
  return useRenamer().renameAnyCase(title);
}

/** What is said where entries of a list that is saved hold a name with a pseudonym. */
export const leftOutNames = (count: number): string =>
  `${counted(count, 'entry', 'entries')} with a listed name ${count === 1 ? 'was' : 'were'} left out.`;
