/** What stopped work is rejected with. */
export const STOPPED_MESSAGE = 'stopped';

export function isStopped(error: unknown): boolean {
  return error instanceof Error && error.message === STOPPED_MESSAGE;
}
