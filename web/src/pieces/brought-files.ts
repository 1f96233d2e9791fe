import type { BroughtFile } from './dropped-files.ts';

/** Files that were dropped where no study is open yet, by the study they are for. */
const brought = new Map<string, readonly BroughtFile[]>();

/** Has files come in as soon as a study is opened. */
export const bringTo = (studyId: string, files: readonly BroughtFile[]): void => {
  brought.set(studyId, files);
};

/** The files a study waits for, once. */
export function takeBrought(studyId: string): readonly BroughtFile[] | undefined {
  const files = brought.get(studyId);
  brought.delete(studyId);
  return files;
}
