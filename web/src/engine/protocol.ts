import type { StudyState } from '@green-thicket/core/study/study';
import type { ViewAnswers, ViewName, ViewQuestions } from '@green-thicket/core/study/view-types';
import type { ThemeIdentity } from '@green-thicket/core/themes/identity';
import type { IncomingFile, Intake } from '@green-thicket/core/study/intake';

/** A view asked of the worker. */
export interface ViewRequest<V extends ViewName> {
  /** Tells requests apart, to cancel one. */
  readonly request: number;
  readonly studyId: string;
  readonly state: StudyState;
  readonly register: readonly ThemeIdentity[];
  readonly view: V;
  readonly question: ViewQuestions[V];
}

/** Told while a request is worked on: the share that is done of its present stage. */
export type OnProgress = (share: number) => void;

/** What the worker offers the page. */
export interface EngineWorker {
  view<V extends ViewName>(request: ViewRequest<V>, onProgress: OnProgress): Promise<ViewAnswers[V]>;
  /** Stops a request at its next step; its promise is rejected. */
  cancel(request: number): void;
  /** Reads files into sources, off the page's thread. */
  readFiles(files: readonly IncomingFile[], present: readonly string[]): Intake;
}

/** What a stopped request is rejected with. */
export const STOPPED_MESSAGE = 'stopped';
