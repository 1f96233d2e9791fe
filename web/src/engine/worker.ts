import { STOPPED_MESSAGE } from '../pieces/stopped.ts';
import { expose, transfer } from 'comlink';
import { textOf } from '@green-thicket/core/intake/intake';
import type { StudySource } from '@green-thicket/core/study/study';
import type { StudyInput } from '@green-thicket/core/engine/resources';
import { Engine } from '@green-thicket/core/engine/engine';
import { makeView } from '@green-thicket/core/views/views';
import type { ViewAnswers, ViewName } from '@green-thicket/core/views/view-keys';
import { SentenceTags } from '@green-thicket/core/text/sentence-tags';
import type { Stepwise } from '@green-thicket/core/base/stepwise';
import { writeProvedStudyFile, readStudyFile } from '@green-thicket/core/study-files/study-file';
import { isSealed, seal, unseal } from '@green-thicket/core/formats/sealed-file';
import { databaseOf, theDatabase } from '../store/database.ts';
import { giveKey } from '../store/keys.ts';
import { exportStudy, importStudy } from '../store/studies.ts';
import { readOriginals } from '../store/texts.ts';
import { bringTags, keepTags } from './kept-tags.ts';
import { bringEnglishSoon, lexicon, tagger, withEnglish } from './english.ts';
import { fileReading } from './file-reading.ts';
import { turns } from './turns.ts';
import { type EngineWorker, type OnProgress, type ViewRequest } from './protocol.ts';

/** How long the worker works before it looks for messages, in milliseconds. */
const SLICE = 40;

const originals = new Map<string, string>();
/** Texts of the sources of the present request, by id; a part is cut out of its original. */
let texts = new Map<string, StudySource>();
const wholeText = (id: string): string => {
  const text = originals.get(id);
  if (text === undefined) throw new Error('The text of a source is missing from this browser.');
  return text;
};
const originalAmong = (sources: ReadonlyMap<string, StudySource>, id: string): string => {
  const source = sources.get(id);
  return source ? textOf(source, wholeText) : wholeText(id);
};
const original = (id: string): string => originalAmong(texts, id);
/** The engine of the study that is open, with the parts of speech found in it. */
interface OpenEngine {
  readonly engine: Engine;
  readonly tags: SentenceTags;
}
let open: Promise<OpenEngine> | undefined;
let openStudy: string | undefined;
/** The database the open study is in: one that was written anew is another study to the engine. */
let openDatabase: string | undefined;

async function engineFor(studyId: string): Promise<OpenEngine> {
  const name = (await databaseOf(studyId))?.name;
  if (!open || openStudy !== studyId || openDatabase !== name) {
    originals.clear();
    openStudy = studyId;
    openDatabase = name;
    open = openEngine(studyId).catch((error: unknown) => {
      openStudy = undefined;
      throw error;
    });
  }
  return open;
}

async function openEngine(studyId: string): Promise<OpenEngine> {
  const tags = new SentenceTags(lexicon, tagger);
  await bringTags(tags, studyId);
  return { tags, engine: new Engine({ original, lexicon, tags }) };
}

/** Brings in the originals of a study's sources that are not here yet. */
async function bringOriginals(studyId: string, ids: readonly string[]): Promise<void> {
  const missing = [...new Set(ids)].filter((id) => !originals.has(id));
  if (missing.length === 0) return;
  const database = await databaseOf(studyId);
  if (!database) return;
  for (const [id, text] of await readOriginals(database, missing)) originals.set(id, text);
}

const cancelled = new Set<number>();
/** What reads files for a request is told to stop at once. */
const reading = new Map<number, AbortController>();

function signalOf(request: number): AbortSignal {
  const control = new AbortController();
  reading.set(request, control);
  if (cancelled.has(request)) control.abort();
  return control.signal;
}

/** Forgets a request that is over. */
function forget(request: number): void {
  reading.delete(request);
  cancelled.delete(request);
}

// A channel's message comes sooner than a timer, which browsers hold back to 4 ms.
const channel = new MessageChannel();
const waiting: (() => void)[] = [];
channel.port1.onmessage = () => waiting.shift()?.();
function yieldToMessages(): Promise<void> {
  return new Promise((resolve) => {
    waiting.push(resolve);
    channel.port2.postMessage(null);
  });
}

async function drive<T>(work: Stepwise<T>, request: number, onProgress: OnProgress): Promise<T> {
  let pause = performance.now() + SLICE;
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    if (performance.now() < pause) continue;
    onProgress(step.value);
    await yieldToMessages();
    if (cancelled.has(request)) throw new Error(STOPPED_MESSAGE);
    pause = performance.now() + SLICE;
  }
}

/** Views that compute no stage: they are answered at once, between the steps of whatever is under way. */
const WITHOUT_STAGES: ReadonlySet<ViewName> = new Set([
  'cleaning',
  'split',
  'splitParts',
  'trim',
  'speakerParts',
]);

const inTurn = turns();

/** The states of studies that were told last; a page asks for those in hand, and for the one before at most. */
const known = new Map<number, StudyInput>();
const KNOWN_STATES = 12;

async function answer<V extends ViewName>(
  { request, studyId, view, question }: ViewRequest<V>,
  input: StudyInput,
  onProgress: OnProgress,
): Promise<ViewAnswers[V]> {
  await yieldToMessages();
  if (cancelled.has(request)) throw new Error(STOPPED_MESSAGE);
  const { engine, tags } = await engineFor(studyId);
  const { state } = input;
  await bringOriginals(
    studyId,
    state.sources.map((source) => source.part?.of ?? source.id),
  );
  const ownTexts = new Map(state.sources.map((source) => [source.id, source]));
  // What runs beside another request leaves that one's texts alone; the engine asks for none of its own.
  if (!WITHOUT_STAGES.has(view)) texts = ownTexts;
  const library = { engine, original: (id: string) => originalAmong(ownTexts, id), lexicon };
  const made = await withEnglish(() => drive(makeView(view, question, input, library), request, onProgress));
  if (WITHOUT_STAGES.has(view)) return made;
  // Not waited for: the answer does not hang on it.
  keepTags(tags, studyId).catch(console.warn);
  return made;
}

const api: EngineWorker = {
  postState(study, state, register) {
    known.set(study, { state, register });
    for (const number of known.keys()) if (known.size > KNOWN_STATES) known.delete(number);
  },
  view(request, onProgress) {
    const input = known.get(request.study);
    if (!input) return Promise.reject(new Error('The study moved on before this could be computed.'));
    // The one used last is let go of last, as on the other side.
    known.delete(request.study);
    known.set(request.study, input);
    if (WITHOUT_STAGES.has(request.view) && request.studyId === openStudy) {
      return answer(request, input, onProgress).finally(() => cancelled.delete(request.request));
    }
    return inTurn(request.view, () =>
      answer(request, input, onProgress).finally(() => cancelled.delete(request.request)),
    );
  },
  cancel(request) {
    cancelled.add(request);
    reading.get(request)?.abort();
    reading.delete(request);
  },
  async packStudy(studyId) {
    const { key } = await theDatabase(studyId);
    const plain = writeProvedStudyFile(await exportStudy(studyId));
    const bytes = key ? await seal(plain, key.password) : plain;
    return transfer(bytes, [bytes.buffer]);
  },
  async openStudy(bytes, password) {
    const file = readStudyFile(password && isSealed(bytes) ? await unseal(bytes, password) : bytes);
    return { id: await importStudy(file, password), leftOut: file.leftOut };
  },
  useKey: giveKey,
  ...fileReading(
    (onProgress) => {
      let told = 0;
      return (share) => {
        if (performance.now() - told < SLICE) return;
        told = performance.now();
        onProgress(share);
      };
    },
    signalOf,
    forget,
  ),
};

expose(api);
bringEnglishSoon();
