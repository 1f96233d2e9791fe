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
