import { proxy, wrap } from 'comlink';
import type { IncomingFile } from '@green-thicket/core/formats/files';
import type { SheetRows } from '@green-thicket/core/formats/read-result';
import type { Intake } from '@green-thicket/core/study/intake';
import type { TableChoice, TableSources } from '@green-thicket/core/study/table-sources';
import type { ViewAnswers, ViewName } from '@green-thicket/core/study/view-types';
import { STOPPED_MESSAGE, type EngineWorker, type ViewRequest } from './protocol.ts';

const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
const remote = wrap<EngineWorker>(worker);
let requests = 0;

/** What the engine is doing, for the status line. */
export interface EngineActivity {
  /** Requests under way. */
  readonly busy: number;
  /** Share done of the present stage. */
  readonly share: number;
}

let activity: EngineActivity = { busy: 0, share: 0 };
const listeners = new Set<() => void>();

function setActivity(next: EngineActivity): void {
  activity = next;
  for (const listener of listeners) listener();
}

export function watchActivity(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function currentActivity(): EngineActivity {
  return activity;
}

/** Asks the worker for a view; the signal stops it. */
export async function askView<V extends ViewName>(
  request: Omit<ViewRequest<V>, 'request'>,
  signal: AbortSignal,
): Promise<ViewAnswers[V]> {
  const number = ++requests;
  const stop = (): void => void remote.cancel(number);
  signal.addEventListener('abort', stop);
  setActivity({ busy: activity.busy + 1, share: 0 });
  try {
    const answer = await remote.view(
      { ...request, request: number } as ViewRequest<ViewName>,
      proxy((share: number) => setActivity({ ...activity, share })),
    );
    return answer as ViewAnswers[V];
  } finally {
    signal.removeEventListener('abort', stop);
    setActivity({ busy: activity.busy - 1, share: 0 });
  }
}

export function isStopped(error: unknown): boolean {
  return error instanceof Error && error.message === STOPPED_MESSAGE;
}

/** Reads files in the worker; the signal stops it between files, and between the pages of a long one. */
export async function readFilesInWorker(
  files: readonly IncomingFile[],
  present: readonly string[],
  signal: AbortSignal,
  onProgress: (share: number) => void = () => undefined,
): Promise<Intake> {
  const number = ++requests;
  const stop = (): void => void remote.cancel(number);
  signal.addEventListener('abort', stop);
  try {
    return await remote.readFiles(number, files, present, proxy(onProgress));
  } finally {
    signal.removeEventListener('abort', stop);
  }
}

/** Makes sources of a table in the worker. */
export const readTableInWorker = (
  file: string,
  sheet: SheetRows,
  choice: TableChoice,
): Promise<TableSources> => remote.readTable(file, sheet, choice);
