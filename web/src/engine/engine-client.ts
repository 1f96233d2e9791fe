import { proxy, transfer, type Remote } from 'comlink';
import { STOPPED_MESSAGE } from '../pieces/stopped.ts';
import type { ViewAnswers, ViewName, ViewQuestions } from '@green-thicket/core/views/view-keys';
import type { StageName } from '@green-thicket/core/engine/stage-keys';
import { secondsLeft, type WorkDone } from './time-left.ts';
import { yieldToMessages } from './yielding.ts';
import { BEHIND } from './protocol.ts';
import {
  filesInTurn,
  type EngineWorker,
  type FileToRead,
  type LookedAtStudy,
  type OpenedStudy,
  type ReadReport,
  type ViewNews,
  type ViewRequest,
} from './protocol.ts';

/** What the engine is doing, for the status line. */
export interface EngineActivity {
  /** Requests under way that the page waits for. */
  readonly busy: number;
  /** Requests under way that are made behind what is shown. */
  readonly behind: number;
  /** Share done of the present stage. */
  readonly share: number;
  readonly stage: StageName | undefined;
  /** The view that is made. */
  readonly view: ViewName | undefined;
  /** Seconds it will still take, about; undefined while that can't be told. */
  readonly left: number | undefined;
}

/** The page's side of the engine. */
export interface EngineClient {
  /** Asks for a view of a study at one of its decisions; the signal stops it. What nothing waits for comes last. */
  askView<V extends ViewName>(
    study: { readonly id: string; readonly head: number },
    view: V,
    question: ViewQuestions[V],
    signal: AbortSignal,
    isBehind?: boolean,
  ): Promise<ViewAnswers[V]>;
  watchActivity(listener: () => void): () => void;
  currentActivity(): EngineActivity;
  /** Reads files in the worker, which keeps their texts; the signal stops it, and then nothing is kept. */
  readFiles(
    studyId: string,
    files: readonly FileToRead[],
    present: readonly string[],
    signal: AbortSignal,
    onProgress: (share: number) => void,
  ): Promise<ReadReport>;
  /** A study as the bytes of its file. */
  packStudy(studyId: string): Promise<Uint8Array>;
  /** Keeps a study file as a study. Throws an Error that says why it can't be opened. */
  readStudy(bytes: Uint8Array, password?: CryptoKey): Promise<LookedAtStudy>;
  openStudy(bytes: Uint8Array, password?: CryptoKey): Promise<OpenedStudy>;
}

/** Time between two tellings of how much is done, ms: each makes React begin anew what it draws behind what is shown. */
const TOLD_EVERY = 300;

const IDLE: EngineActivity = {
  busy: 0,
  behind: 0,
  share: 0,
  stage: undefined,
  view: undefined,
  left: undefined,
};

interface Waiting {
  readonly view: ViewName;
  readonly resolve: (answer: ViewAnswers[ViewName]) => void;
  readonly reject: (reason: Error) => void;
}

/**
 * The engine over whatever carries its messages.
 *
 * @param onFault told where what was only to be said could not be said
 */
export function engineClient(remote: Remote<EngineWorker>, onFault = reportError): EngineClient {
  const waiting = new Map<number, Waiting>();
  let requests = 0;
  let activity = IDLE;
  /** When the present stage was first heard of, and how much of it was done then. */
  let first: WorkDone = { time: 0, share: 0 };
  const listeners = new Set<() => void>();
  const setActivity = (next: EngineActivity): void => {
    activity = next;
    for (const listener of listeners) listener();
  };
  const begun = (isBehind: boolean, change: 1 | -1): void => {
    const of = isBehind ? 'behind' : 'busy';
    const next = { ...activity, [of]: activity[of] + change };
    setActivity(next.busy + next.behind > 0 ? next : IDLE);
  };
  let told = -Infinity;
  const hear = (news: ViewNews): void => {
    if (news.kind === 'progress') {
      if (performance.now() - told < TOLD_EVERY) return;
      told = performance.now();
      const { share, stage } = news;
      const view = waiting.get(news.request)?.view;
      if (stage !== activity.stage || view !== activity.view || share < activity.share)
        first = { time: told, share };
      const left = secondsLeft(first, { time: told, share });
      setActivity({ ...activity, share, stage, view, left });
    } else if (news.kind === 'answer') waiting.get(news.request)?.resolve(news.answer);
    else waiting.get(news.request)?.reject(new Error(news.message));
  };
  remote.listen(proxy(hear)).catch(onFault);

  /** Those asked for at the same moment go in one message, so that the worker sees all before it chooses the first. */
  let together: ViewRequest<ViewName>[] = [];
  const send = (asked: ViewRequest<ViewName>): void => {
    together.push(asked);
    if (together.length > 1) return;
    yieldToMessages()
      .then(async () => {
        const now = together;
        together = [];
        if (now.length === 0) return;
        await remote.ask(now).catch((error: unknown) => {
          for (const { request } of now) waiting.get(request)?.reject(error as Error);
        });
      })
      .catch(onFault);
  };
  const stopView = (request: number): void => {
    const unsent = together.some((each) => each.request === request);
    if (unsent) {
      together = together.filter((each) => each.request !== request);
      waiting.get(request)?.reject(new Error(STOPPED_MESSAGE));
    } else remote.cancel(request).catch(onFault);
  };

  return {
    async askView(study, view, question, signal, isBehind = BEHIND.has(view)) {
      const request = ++requests;
      const stop = (): void => stopView(request);
      signal.addEventListener('abort', stop);
      begun(isBehind, 1);
      try {
        const answer = await new Promise<ViewAnswers[ViewName]>((resolve, reject) => {
          waiting.set(request, { view, resolve, reject });
          send({ request, studyId: study.id, head: study.head, view, question, isBehind });
        });
        return answer as ViewAnswers[typeof view];
      } finally {
        waiting.delete(request);
        signal.removeEventListener('abort', stop);
        begun(isBehind, -1);
      }
    },
    watchActivity(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    currentActivity: () => activity,
    async readFiles(studyId, files, present, signal, onProgress) {
      const request = ++requests;
      const stop = (): void => {
        remote.cancel(request).catch(onFault);
      };
      signal.addEventListener('abort', stop);
      if (signal.aborted) throw new Error(STOPPED_MESSAGE);
      try {
        const take = proxy(filesInTurn(files));
        return await remote.readFiles(request, studyId, files.length, take, present, proxy(onProgress));
      } finally {
        signal.removeEventListener('abort', stop);
      }
    },
    packStudy: (studyId) => remote.packStudy(studyId),
    readStudy: (bytes, password) => remote.readStudy(transfer(bytes, [bytes.buffer]), password),
    openStudy: (bytes, password) => remote.openStudy(transfer(bytes, [bytes.buffer]), password),
  };
}
