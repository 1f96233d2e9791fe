import type { SavedCopy } from '../store/database.ts';
import { createContext, useContext } from 'react';
import type { Decision } from '@green-thicket/core/study/decisions';
import type { DecisionLog } from '@green-thicket/core/study/record';
import type { StudyState } from '@green-thicket/core/study/study';

/** The study that is open. */
export interface OpenStudy {
  readonly id: string;
  readonly state: StudyState;
  readonly log: DecisionLog;
  readonly changed: string;
  /** Copies saved to files, the last one last. */
  readonly saved: readonly SavedCopy[];
  /** What it is called where its title must not be read; undefined where it has no password. */
  readonly shownAs?: string;
  /** Records a decision; a failure is told to the researcher. */
  readonly decide: (decision: Decision) => void;
}

export const StudyContext = createContext<OpenStudy | undefined>(undefined);

export function useStudy(): OpenStudy {
  const study = useContext(StudyContext);
  if (!study) throw new Error('No study is open here.');
  return study;
}

/** What a study is called outside it: in the window's title and in names of files. */
export const outerTitle = ({ shownAs, state }: Pick<OpenStudy, 'shownAs' | 'state'>): string =>
  shownAs ?? state.title;
