import { proxy, transfer, wrap } from 'comlink';
import type { StudyState } from '@green-thicket/core/study/study';
import type { ViewAnswers, ViewName, ViewQuestions } from '@green-thicket/core/views/view-keys';
import type { ThemeIdentity } from '@green-thicket/core/themes/identity';
import { byNeed } from '@green-thicket/core/views/view-keys';
import {
  type EngineWorker,
  type FileToRead,
  type OpenedStudy,
  type ReadReport,
  type ViewRequest,
} from './protocol.ts';

import { onKey, passwordKey } from '../store/keys.ts';
import { unlock } from '../store/password.ts';

const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
const remote = wrap<EngineWorker>(worker);
// Sent before whatever is asked of the study.
onKey((database, key) => {
  remote.useKey(database, key).catch(reportError);
});
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

/** A study as a view is asked of it. */
export interface AskedStudy {
  readonly studyId: string;
  readonly state: StudyState;
  readonly register: readonly ThemeIdentity[];
}

/** A state crosses to the worker once, however many views are asked of it: that of thousands of sources is large. */
const MOST_POSTED = 10;
let posted: { state: StudyState; register: readonly ThemeIdentity[]; number: number }[] = [];
let states = 0;

function numberOf({ state, register }: AskedStudy): number {
  const found = posted.find((each) => each.state === state && each.register === register);
  if (found) {
    posted = [found, ...posted.filter((each) => each !== found)];
    return found.number;
  }
  const number = ++states;
  remote.postState(number, state, register).catch(reportError);
  posted = [{ state, register, number }, ...posted].slice(0, MOST_POSTED);
  return number;
}

/** Requests of this moment: those that need the fewest stages are sent first, whatever the order of their parts of the page. */
let toSend: { readonly view: ViewName; readonly send: () => void }[] = [];
const channel = new MessageChannel();
channel.port1.onmessage = () => {
  const now = toSend.sort((a, b) => byNeed(a.view, b.view));
  toSend = [];
  for (const { send } of now) send();
};

/** Waits for the turn of a view among those asked at the same moment. */
function turnOf(view: ViewName): Promise<void> {
  return new Promise((send) => {
    if (toSend.length === 0) channel.port2.postMessage(null);
    toSend.push({ view, send });
  });
}

/** Asks the worker for a view; the signal stops it. */
export async function askView<V extends ViewName>(
  study: AskedStudy,
  view: V,
  question: ViewQuestions[V],
  signal: AbortSignal,
): Promise<ViewAnswers[V]> {
  const request = ++requests;
  const stop = (): void => {
    remote.cancel(request).catch(reportError);
  };
  signal.addEventListener('abort', stop);
  setActivity({ busy: activity.busy + 1, share: 0 });
  try {
    await turnOf(view);
    const asked: ViewRequest<ViewName> = {
      request,
      studyId: study.studyId,
      study: numberOf(study),
      view,
      question,
    };
    const answer = await remote.view(
      asked,
      proxy((share: number) => setActivity({ ...activity, share })),
    );
    return answer as ViewAnswers[V];
  } finally {
    signal.removeEventListener('abort', stop);
    setActivity({ busy: activity.busy - 1, share: 0 });
  }
}

/** Reads files in the worker, which keeps their texts; the signal stops it, and then nothing is kept. */
export async function readFilesInWorker(
  studyId: string,
  files: readonly FileToRead[],
  present: readonly string[],
  signal: AbortSignal,
  onProgress: (share: number) => void,
): Promise<ReadReport> {
  const request = ++requests;
  const stop = (): void => {
    remote.cancel(request).catch(reportError);
  };
  signal.addEventListener('abort', stop);
  try {
    return await remote.readFiles(request, studyId, files, present, proxy(onProgress));
  } finally {
    signal.removeEventListener('abort', stop);
  }
}

/** A study as the bytes of its file. */
export const packStudy = (studyId: string): Promise<Uint8Array> => remote.packStudy(studyId);

/** Whether a study file is sealed with a password. */
export async function hasPassword(file: Blob): Promise<boolean> {
  const { isSealed } = await import('@green-thicket/core/formats/sealed-file');
  return isSealed(new Uint8Array(await file.slice(0, 16).arrayBuffer()));
}

/** Keeps a study file as a study, with the password it is sealed with. Throws an Error that says why it can't be opened. */
export async function openStudyFile(file: Blob, password?: string): Promise<OpenedStudy> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const key = password === undefined ? undefined : await passwordKey(password);
  const opened = await remote.openStudy(transfer(bytes, [bytes.buffer]), key);
  if (password !== undefined) await unlock(opened.id, password);
  return opened;
}

/** The worker's calls for tables that wait for their columns, and for single texts. */
export const intakeWorker: Pick<
  typeof remote,
  'readText' | 'lookAtSheet' | 'previewTable' | 'takeTable' | 'describeByTable' | 'letGoOfTable'
> = remote;
