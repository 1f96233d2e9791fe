/** Wrong use or input that can't be read: one sentence for the user, exit code 2. */
export class UsageError extends Error {
  override readonly name = 'UsageError';
}

/** The message of whatever was thrown. */
export function reasonOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
