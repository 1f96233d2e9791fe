import { STOPPED_MESSAGE } from '../pieces/stopped.ts';
import { SLICE, yieldToMessages } from './yielding.ts';
import { withGround } from '@green-thicket/core/map/ground';
import { Engine } from '@green-thicket/core/engine/engine';
import type { Helpers } from '@green-thicket/core/engine/jobs';
import type { StudyInput } from '@green-thicket/core/engine/resources';
import type { StudySource } from '@green-thicket/core/study/study';
import { makeView } from '@green-thicket/core/answers/make-view';
import type { ViewLibrary } from '@green-thicket/core/views/view';
import type { ViewAnswers, ViewName } from '@green-thicket/core/views/view-keys';
import type { Stepwise } from '@green-thicket/core/base/stepwise';
import { databaseOf } from '../store/database.ts';
import { keepRegister } from '../store/studies.ts';
import { studyReader } from '../store/study-reader.ts';
import type { HeldTexts } from './held-texts.ts';
import type { EngineWorker, ViewNews, ViewRequest } from './protocol.ts';
import type { Requests } from './requests.ts';
import { turns } from './turns.ts';

/** What computing a view asks for besides the study and its texts: loaded when it is first asked for. */
export type Knowledge = Pick<ViewLibrary, 'words' | 'meanings' | 'tone'>;

/** Views that compute no stage: they are answered at once, between the steps of whatever is under way. */
const WITHOUT_STAGES: ReadonlySet<ViewName> = new Set([
  'cleaning',
  'split',
  'splitParts',
  'trim',
  'speakerParts',
]);

/** The study that is open, with what was computed of it. */
interface OpenStudy {
  readonly id: string;
  /** Its database: one that was written anew is another study to the engine. */
  readonly database: string | undefined;
  readonly engine: Engine;
  /** Reads its record on and folds it to any of its decisions. */
  readonly read: ReturnType<typeof studyReader>;
}

/** Answers views of studies: folds their record, computes what is asked, and tells the page. */
export function answering(
  knowledge: Knowledge,
  texts: HeldTexts,
  requests: Requests,
  helpers?: Helpers,
): Pick<EngineWorker, 'listen' | 'ask'> {
  let tell: (news: ViewNews) => void = () => undefined;
  /** The sources of the request that computes stages. */
  let sources: ReadonlyMap<string, StudySource> = new Map();
  const line = turns();
  let opened: OpenStudy | undefined;

  function open(id: string, database: string | undefined): OpenStudy {
    const engine = new Engine({
      original: (source) => texts.textIn(sources, source),
      words: knowledge.words,
      helpers,
    });
    return { id, database, engine, read: studyReader(id) };
  }

  async function studyOf(id: string): Promise<OpenStudy> {
    const database = (await databaseOf(id))?.name;
    if (opened?.id !== id || opened.database !== database) opened = open(id, database);
    return opened;
  }

  async function answer<V extends ViewName>(
    { request, studyId, head, view, question, isBehind }: ViewRequest<V>,
    signal: AbortSignal,
  ): Promise<() => Promise<void>> {
    await yieldToMessages();
    if (signal.aborted) throw new Error(STOPPED_MESSAGE);
    const study = await studyOf(studyId);
    const loaded = await study.read(head);
    if (!loaded) throw new Error('The study moved on before this could be computed.');
    const { state, register } = loaded;
    await texts.bring(studyId, study.database, state.sources);
    const own = new Map(state.sources.map((source) => [source.id, source]));
    // What runs beside another request leaves that one's sources alone; it computes no stage.
    const computes = !WITHOUT_STAGES.has(view);
    if (computes) sources = own;
    const input: StudyInput = { state, register };
    const library = {
      engine: study.engine,
      original: (id: string) => texts.textIn(own, id),
      ...knowledge,
    };
    const made: ViewAnswers[V] = await drive(
      makeView(view, question, input, library),
      signal,
      async (share) => {
        tell({ kind: 'progress', request, share, stage: computes ? study.engine.stage : undefined });
        await yieldToMessages();
        if (!isBehind) return;
        await line.letOthersPast();
        sources = own;
      },
    );
    tell({ kind: 'answer', request, answer: made });
    return computes ? () => afterwards(study, input) : () => Promise.resolve();
  }

  /** Keeps what a later grouping goes on from: letters of themes. */
  async function afterwards({ id, engine }: OpenStudy, input: StudyInput): Promise<void> {
    const themes = engine.known('themes', input.state)?.register;
    const register = themes && withGround(themes, engine.known('map', input.state)?.ground);
    // A letter that could not be kept now is kept with the next grouping; nothing the researcher did is lost.
    if (register) await keepRegister(id, register).catch(console.warn);
  }

  async function begin(request: ViewRequest<ViewName>): Promise<void> {
    const signal = requests.begin(request.request);
    const make = async (): Promise<void> => {
      try {
        const after = await answer(request, signal);
        await after();
      } catch (error) {
        const message = error instanceof Error ? error.message : String(error);
        tell({ kind: 'fault', request: request.request, message });
      } finally {
        requests.end(request.request);
      }
    };
    const atOnce = WITHOUT_STAGES.has(request.view) && request.studyId === opened?.id;
    await (atOnce ? make() : line.take(request.view, make, request.isBehind));
  }

  return {
    listen(listener) {
      tell = listener;
    },
    ask(asked) {
      for (const request of asked) begin(request).catch(console.error);
    },
  };
}

/** Works in steps; looks for messages every few milliseconds, and stops when it is told to. */
async function drive<T>(
  work: Stepwise<T>,
  signal: AbortSignal,
  pauseFor: (share: number) => Promise<void>,
): Promise<T> {
  let pause = performance.now() + SLICE;
  try {
    for (;;) {
      const step = work.next();
      if (step.done) return step.value;
      if (typeof step.value !== 'number') {
        await step.value;
        if (signal.aborted) throw new Error(STOPPED_MESSAGE);
        continue;
      }
      if (performance.now() < pause) continue;
      await pauseFor(step.value);
      if (signal.aborted) throw new Error(STOPPED_MESSAGE);
      pause = performance.now() + SLICE;
    }
  } finally {
    // Nothing more of it is handed to others; after its end this does nothing.
    work.return(undefined as never);
  }
}
