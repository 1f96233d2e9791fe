import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { expose, wrap } from 'comlink';
import { makeSource } from '@green-thicket/core/intake/sources';
import type { Decision } from '@green-thicket/core/study/decisions';
import type { StudySource } from '@green-thicket/core/study/study';
import type { ViewName } from '@green-thicket/core/views/view-keys';
import { answering } from '../src/engine/answering.ts';
import { engineClient, type EngineClient } from '../src/engine/engine-client.ts';
import { fileReading } from '../src/engine/file-reading.ts';
import { heldTexts } from '../src/engine/held-texts.ts';
import type { EngineWorker, ViewNews } from '../src/engine/protocol.ts';
import { requestsUnderWay } from '../src/engine/requests.ts';
import { databaseOf } from '../src/store/database.ts';
import {
  addSources,
  createStudy,
  deleteStudy,
  listStudies,
  makeDecision,
  undo,
} from '../src/store/studies.ts';
import { loadStudy } from '../src/store/study-reader.ts';
import { withdrawSources } from '../src/store/withdrawing.ts';
import { englishKnowledge } from '../../core/test/examples.ts';

const SHELTER =
  'The shelter keeps the rain off the bench. A bench in the rain is no bench under its shelter.';
const FARE =
  'The fare went up and the ticket with it. A ticket without its fare is a ticket nobody sells at the counter.';
/** Two sources in which paragraphs of two kinds follow each other in no order that comes again. */
const TALK = ['sffsfssfsfffssfsffssfs', 'ssfsffsffssfsfssffsfsf'].map((order) =>
  Array.from(order, (kind) => (kind === 's' ? SHELTER : FARE)).join('\n\n'),
);
const added = (name: string, text: string) => ({ source: makeSource(name, text), text });
const tell = (error: unknown): void => {
  throw error;
};
async function faultOf(promise: Promise<unknown>): Promise<string> {
  try {
    await promise;
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
  throw new Error('It did not fail.');
}
const file = (name: string, text: string) => ({ name, file: new Blob([text]) });
const none: ReadonlyMap<string, StudySource> = new Map();
const never = new AbortController().signal;

/** A page and a worker at the two ends of a channel. */
function connected(change: (api: EngineWorker) => Partial<EngineWorker> = () => ({})) {
  const channel = new MessageChannel();
  const requests = requestsUnderWay();
  const texts = heldTexts();
  const unused = (): never => {
    throw new Error('It is not part of this.');
  };
  const api: EngineWorker = {
    ...answering(englishKnowledge, texts, requests),
    ...fileReading(texts, requests),
    cancel: requests.cancel,
    packStudy: unused,
    openStudy: unused,
    readStudy: unused,
    useKey: unused,
  };
  expose({ ...api, ...change(api) }, channel.port2);
  const client = engineClient(wrap<EngineWorker>(channel.port1), tell);
  return { client, texts, close: () => [channel.port1, channel.port2].forEach((port) => port.close()) };
}

async function headOf(id: string): Promise<number> {
  const study = await loadStudy(id);
  if (!study) throw new Error('There is no such study.');
  return study.log.head;
}

const CHOOSE_ALL: Decision = {
  kind: 'setConcepts',
  change: { minimumSources: 1, minimumMentions: 1, maximumSourceShare: 1 },
};

/** A study of two talks, in which any word may be a concept. */
async function study(): Promise<string> {
  const id = await createStudy('Shelters');
  await addSources(
    id,
    TALK.map((text, i) => added(`talk-${i}.txt`, text)),
  );
  await makeDecision(id, CHOOSE_ALL);
  return id;
}

describe('the engine over a channel', () => {
  let close: () => void = () => undefined;
  const connect = (change?: (api: EngineWorker) => Partial<EngineWorker>) => {
    const connection = connected(change);
    ({ close } = connection);
    return connection;
  };
  afterEach(async () => {
    close();
    for (const { id } of await listStudies()) await deleteStudy(id);
  });

  const concepts = async (client: EngineClient, id: string, head: number): Promise<readonly string[]> =>
    (await client.askView({ id, head }, 'themes', null, never)).themes
      .flatMap((theme) => theme.concepts.map(({ key }) => key))
      .sort();
  const chosen = async (client: EngineClient, id: string, head: number): Promise<number> =>
    (await client.askView({ id, head }, 'conceptsOnTrail', null, never)).concepts;

  it('answers a study at the decision it is asked of, later ones or not', async () => {
    const id = await study();
    const before = await headOf(id);
    await makeDecision(id, { kind: 'dropConcepts', keys: ['bench'] });
    const after = await headOf(id);
    const { client } = connect();
    const all = await chosen(client, id, before);
    expect(all).to.be.above(3);
    expect(await chosen(client, id, after)).to.equal(all - 1);
    await undo(id);
    expect(await chosen(client, id, await headOf(id))).to.equal(all);
    expect(await faultOf(chosen(client, id, 99))).to.match(/moved on/);
    expect(await faultOf(chosen(client, 'no-such-study', 1))).to.match(/moved on/);
  });

  it('answers those of one moment in the order of what they need', async () => {
    const id = await study();
    const order: ViewName[] = [];
    const { client } = connect();
    const head = await headOf(id);
    const asked = (['steadiness', 'map', 'profiles', 'sources', 'themes'] as const).map(async (view) => {
      await client.askView({ id, head }, view, null, never);
      order.push(view);
    });
    await Promise.all(asked);
    expect(order).to.deep.equal(['sources', 'profiles', 'themes', 'map', 'steadiness']);
  });

  it('says how much is under way, and forgets what was answered or failed', async () => {
    const id = await study();
    const { client } = connect();
    const seen: number[] = [];
    const stop = client.watchActivity(() => seen.push(client.currentActivity().busy));
    const head = await headOf(id);
    await Promise.all([chosen(client, id, head), faultOf(chosen(client, id, 99))]);
    expect(Math.max(...seen)).to.equal(2);
    expect(client.currentActivity()).to.include({ busy: 0, behind: 0, share: 0 });
    stop();
  });

  it('stops what was asked, sent or not, and goes on with the rest', async () => {
    const id = await study();
    const head = await headOf(id);
    let sent: () => void = () => undefined;
    const wasSent = new Promise<void>((resolve) => (sent = resolve));
    const { client } = connect((api) => ({
      ask(requests) {
        api.ask(requests);
        sent();
      },
    }));
    const unsent = new AbortController();
    const [first, other] = [new AbortController(), new AbortController()];
    const never = faultOf(client.askView({ id, head }, 'themes', null, unsent.signal));
    unsent.abort();
    expect(await never).to.equal('stopped');
    const themes = faultOf(client.askView({ id, head }, 'themes', null, first.signal));
    const map = client.askView({ id, head }, 'map', null, other.signal);
    await wasSent;
    first.abort();
    expect(await themes).to.equal('stopped');
    expect((await map).keys).to.include('bench');
  });

  it('tells why a view failed, and answers the next', async () => {
    const id = await createStudy('Lost');
    const text = added('a.txt', TALK[0]);
    await addSources(id, [text]);
    const database = await databaseOf(id);
    await database?.originals.clear();
    const { client } = connect();
    const head = await headOf(id);
    expect(await faultOf(chosen(client, id, head))).to.match(/missing from this browser/);
    const whole = await study();
    expect(await concepts(client, whole, await headOf(whole))).to.include('bench');
  });

  it('keeps the letters of themes, for the next grouping and for a later day', async () => {
    const id = await study();
    const { client } = connect();
    await concepts(client, id, await headOf(id));
    // The letters are kept after the answer, before the next.
    await chosen(client, id, await headOf(id));
    const kept = (await loadStudy(id))?.register ?? [];
    expect(kept.length).to.be.above(0);
    expect(kept.map(({ letter }) => letter)).to.include('A');
  });

  it('holds the texts it has just read, and reads those back it has not', async () => {
    const id = await createStudy('New');
    const { client, texts } = connect();
    const told: number[] = [];
    const report = await client.readFiles(
      id,
      [file('one.txt', TALK[0]), file('two.txt', TALK[1]), file('none.txt', '')],
      [],
      never,
      (share) => told.push(share),
    );
    expect(report.sources.map(({ name }) => name)).to.deep.equal(['one.txt', 'two.txt']);
    expect(report.refused.map(({ name }) => name)).to.deep.equal(['none.txt']);
    const [one] = report.sources;
    expect(texts.textIn(none, one.id)).to.match(/^The shelter/);
    await addSources(
      id,
      report.sources.map((source, i) => ({ source, text: TALK[i] })),
    );
    await makeDecision(id, CHOOSE_ALL);
    const database = await databaseOf(id);
    // What is held is not asked of the database again.
    await database?.originals.clear();
    expect(
      (await client.askView({ id, head: await headOf(id) }, 'conceptsOnTrail', null, never)).concepts,
    ).to.be.above(3);
    close();
    const later = connect();
    expect(await faultOf(chosen(later.client, id, await headOf(id)))).to.match(/missing/);
  });

  it('is handed many files some at a time, and reads each once', async () => {
    const id = await createStudy('New');
    const asked: number[] = [];
    const { client } = connect((api) => ({
      readFiles: (request, study, count, take, ...rest) =>
        api.readFiles(
          request,
          study,
          count,
          (from) => {
            asked.push(from);
            return take(from);
          },
          ...rest,
        ),
    }));
    const files = Array.from({ length: 100 }, (_, i) => file(`${i}.txt`, `Bus number ${i} came.`));
    const report = await client.readFiles(id, files, [], never, () => undefined);
    expect(report.sources.map(({ name }) => name)).to.deep.equal(files.map(({ name }) => name));
    expect(asked).to.deep.equal([0, 40, 80]);
  });

  it('holds nothing of a reading that was stopped, of another study, or of one that withdrew it', async () => {
    const id = await study();
    const { client, texts } = connect((api) => ({
      readFiles: (request, study, count, take, present) =>
        api.readFiles(request, study, count, take, present, () => api.cancel(request)),
    }));
    const two = [file('1.txt', `One. ${TALK[0]}`), file('2.txt', `Two. ${TALK[0]}`)];
    expect(await faultOf(client.readFiles(id, two, [], never, () => undefined))).to.equal('stopped');
    const left = await databaseOf(id);
    expect(await left?.originals.count()).to.equal(TALK.length);
    const loaded = await loadStudy(id);
    const [first] = loaded?.state.sources ?? [];
    await chosen(client, id, await headOf(id));
    expect(texts.textIn(none, first.id)).to.equal(TALK[0]);
    await withdrawSources(id, [first]);
    await client.askView({ id, head: await headOf(id) }, 'sources', null, never);
    expect(() => texts.textIn(none, first.id)).to.throw(/missing/);
  });
});

describe('a page without its worker', () => {
  it('fails what cannot be sent', async () => {
    const channel = new MessageChannel();
    let listener: ((news: ViewNews) => void) | undefined;
    expose(
      {
        listen: (tell: (news: ViewNews) => void) => void (listener = tell),
        ask: () => {
          throw new Error('The worker is gone.');
        },
      },
      channel.port2,
    );
    const client = engineClient(wrap<EngineWorker>(channel.port1), tell);
    const failed = await faultOf(client.askView({ id: 'x', head: 1 }, 'conceptsOnTrail', null, never));
    expect(failed).to.equal('The worker is gone.');
    expect(listener).not.to.equal(undefined);
    channel.port1.close();
    channel.port2.close();
  });
});
