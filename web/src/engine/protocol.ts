import type { SheetRows } from '@green-thicket/core/formats/read-result';
import type { TableChoice, TableSources } from '@green-thicket/core/study/table-sources';
import type { StudyState } from '@green-thicket/core/study/study';
import type { ViewAnswers, ViewName, ViewQuestions } from '@green-thicket/core/study/view-types';
import type { ThemeIdentity } from '@green-thicket/core/themes/identity';
import type { IncomingFile } from '@green-thicket/core/formats/files';
import type { Intake } from '@green-thicket/core/study/intake';

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
  /** Reads files into sources and tables, off the page's thread; `cancel` stops it. */
  readFiles(
    request: number,
    files: readonly IncomingFile[],
    present: readonly string[],
    onProgress: OnProgress,
  ): Promise<Intake>;
  /** Makes sources of a table's rows. */
  readTable(file: string, sheet: SheetRows, choice: TableChoice): TableSources;
}

/** What a stopped request is rejected with. */
export const STOPPED_MESSAGE = 'stopped';
