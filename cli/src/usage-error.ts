import { finish, type Stepwise } from '@green-thicket/core/base/stepwise';
import { PatternError } from '@green-thicket/core/text/patterns';
import { ownValue } from '@green-thicket/core/base/records';

/** Wrong use or input that can't be read: one sentence for the user, exit code 2. */
export class UsageError extends Error {
  override readonly name = 'UsageError';
}

const PLAIN_REASONS: Record<string, string> = {
  ENOENT: 'there is no such file or folder',
  EACCES: 'it may not be opened',
  EISDIR: 'it is a folder',
  ENOTDIR: 'a part of its path is not a folder',
  ENOSPC: 'the disk is full',
};

/** What was thrown, in plain words. */
export function reasonOf(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  const { code } = error as NodeJS.ErrnoException;
  return (code !== undefined && ownValue(PLAIN_REASONS, code)) || error.message;
}

/** A pattern of the researcher's that can't be read is wrong input; anything else is a fault of ours. */
export const faultOf = (error: unknown): unknown =>
  error instanceof PatternError ? new UsageError(`A cleaning step can’t be used. ${error.message}`) : error;

/** Runs work to its end. */
export function toTheEnd<T>(work: Stepwise<T>): T {
  try {
    return finish(work);
  } catch (error) {
    throw faultOf(error);
  }
}
