import 'fake-indexeddb/auto';
import { expect } from 'chai';
import fc from 'fast-check';
import { holdsTheSame } from '@green-thicket/core/base/same';
import type { ViewName } from '@green-thicket/core/views/view-keys';
import type { EngineClient } from '../src/engine/engine-client.ts';
import { hashOfAnswer, keepAnswer, keptAnswer, writeAnswers } from '../src/engine/kept-answers.ts';
import { keptOrAsked } from '../src/engine/kept-or-asked.ts';
import { fromPlain, toPlain } from '../src/engine/plain-answers.ts';
import { setPassword } from '../src/store/password.ts';
import { addSources, createStudy, deleteStudy } from '../src/store/studies.ts';
import { withdrawSources } from '../src/store/withdrawing.ts';
import { added, databaseFor } from './stored-study.ts';

const ANSWER = { words: 3, keys: ['bus', '__proto__'], mentions: Int32Array.of(1, -2), share: 0.25 };
const place = (studyId: string, hash = 'a', view: ViewName = 'concepts') => ({ studyId, view, hash });

describe('answers kept with a study', () => {
  let id: string;
  let database: string;
  beforeEach(async () => {
    id = await createStudy('s');
    database = (await databaseFor(id)).name;
  });
  afterEach(() => deleteStudy(id));
  const keep = async (hash = 'a', answer: unknown = ANSWER): Promise<void> => {
    keepAnswer(place(id, hash), database, answer);
    await writeAnswers();
  };

  it('are found again as they were, and only for the very same question, state and edition', async () => {
    await keep();
    expect(await keptAnswer(place(id))).to.deep.equal(ANSWER);
    expect(await keptAnswer(place(id, 'b'))).to.equal(undefined);
    expect(await keptAnswer(place(id, 'a', 'map'))).to.equal(undefined);
    const other = await createStudy('other');
    expect(await keptAnswer(place(other))).to.equal(undefined);
    await deleteStudy(other);
    const hashes = [
      hashOfAnswer('worker-1.js', 'key', null),
      hashOfAnswer('worker-2.js', 'key', null),
      hashOfAnswer('worker-1.js', 'other key', null),
      hashOfAnswer('worker-1.js', 'key', { limit: 3 }),
    ];
    expect(new Set(hashes).size).to.equal(hashes.length);
    expect(hashOfAnswer('worker-1.js', 'key', null)).to.equal(hashes[0]);
  });

  it('take the place of the view’s last, so that there is one a view', async () => {
    await keep('a');
    await keep('b', { words: 4 });
    expect(await keptAnswer(place(id, 'a'))).to.equal(undefined);
    expect(await keptAnswer(place(id, 'b'))).to.deep.equal({ words: 4 });
    expect(await (await databaseFor(id)).results.count()).to.equal(1);
  });

  it('have nothing beside them of what earlier editions kept', async () => {
    const { results } = await databaseFor(id);
    await results.put({ stage: 'tags of 1x', hash: 'en 1', result: new Map([[0, 'run0']]) });
    await keep();
    expect(await results.toCollection().primaryKeys()).to.deep.equal(['answer concepts']);
    expect(await keptAnswer(place(id))).to.deep.equal(ANSWER);
  });

  it('that cannot be read are none', async () => {
    const { results } = await databaseFor(id);
    for (const result of [undefined, null, 'cut sho', {}, []]) {
      await results.put({ stage: 'answer concepts', hash: 'a', result });
      expect(await keptAnswer(place(id)), JSON.stringify(result)).to.equal(undefined);
    }
  });

  it('too large to be read while the page is held are not kept', async () => {
    await keep('a', { rows: Array.from({ length: 300_000 }, (_, i) => i) });
    expect(await keptAnswer(place(id))).to.equal(undefined);
  });

  it('go where there is room only: a full disk costs time and nothing else', async () => {
    const { results } = await databaseFor(id);
    const { warn } = console;
    const warned: unknown[] = [];
    console.warn = (...said: unknown[]) => warned.push(...said);
    const put = results.bulkPut.bind(results);
    results.bulkPut = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    try {
      await keep();
    } finally {
      results.bulkPut = put as typeof results.bulkPut;
      console.warn = warn;
    }
    expect(String(warned)).to.include('not kept');
    expect(await keptAnswer(place(id))).to.equal(undefined);
  });

  it('of a study as it was before somebody was withdrawn are not written into what it is now', async () => {
    const one = added('a.txt', 'The zebra crossed.');
    await addSources(id, [one, added('b.txt', 'A bus came.')]);
    await keep('a', { keys: ['zebra'] });
    keepAnswer(place(id, 'b', 'map'), database, { keys: ['zebra'] });
    await withdrawSources(id, [one.source]);
    await writeAnswers();
    const now = await databaseFor(id);
    expect(now.name).not.to.equal(database);
    expect(await now.results.count()).to.equal(0);
  });

  it('of a study with a password are sealed, and found again as they were', async () => {
    await setPassword(id, 'a long enough password', 'A study');
    const sealed = await databaseFor(id);
    keepAnswer(place(id), sealed.name, ANSWER);
    await writeAnswers();
    expect(holdsTheSame(await keptAnswer(place(id)), ANSWER)).to.equal(true);
    const raw = await new Promise<unknown[]>((resolve, reject) => {
      const open = indexedDB.open(sealed.name);
      open.onerror = () => reject(new Error('not opened'));
      open.onsuccess = () => {
        const all = open.result.transaction('results').objectStore('results').getAll();
        all.onsuccess = () => {
          open.result.close();
          resolve(all.result as unknown[]);
        };
      };
    });
    expect(raw).to.have.length(1);
    expect(Object.keys(raw[0] as object).sort()).to.deep.equal(['sealed', 'stage']);
  });

  it('as text are what they were, whatever they hold', () => {
    const leaf = fc.oneof(
      fc.double(),
      fc.integer(),
      fc.string(),
      fc.boolean(),
      fc.constantFrom(null, undefined, -0, NaN, Infinity),
      fc.float64Array(),
      fc.int32Array(),
      fc.uint8Array(),
    );
    const { tree } = fc.letrec((tie) => ({
      tree: fc.oneof(
        { depthSize: 'small' },
        leaf,
        fc.array(tie('tree')),
        fc.dictionary(fc.oneof(fc.string(), fc.constantFrom('$', 'constructor')), tie('tree'), {
          noNullPrototype: true,
        }),
      ),
    }));
    fc.assert(
      fc.property(tree, (value) =>
        holdsTheSame(fromPlain(JSON.parse(JSON.stringify(toPlain(value)))), value),
      ),
    );
    expect(fromPlain(toPlain(new Map([['a', new Set([1])]])))).to.deep.equal(new Map([['a', new Set([1])]]));
    expect(() => fromPlain({ $: ['Date', []] })).to.throw('unknown kind');
  });

  it('are shown at once; the engine makes the same behind them, and what is other takes their place', async () => {
    const asked: { view: string; head: number; isBehind: boolean | undefined; signal: AbortSignal }[] = [];
    let made: unknown = { words: 1 };
    const engine = {
      askView: (
        study: { head: number },
        view: string,
        _: unknown,
        signal: AbortSignal,
        isBehind?: boolean,
      ) => {
        asked.push({ view, head: study.head, isBehind, signal });
        return Promise.resolve(made);
      },
    } as unknown as EngineClient;
    const others: unknown[] = [];
    const ask = (
      answer: ReturnType<typeof keptOrAsked>,
      head: number,
      key = 'k',
      view: ViewName = 'concepts',
    ) =>
      answer(
        { study: { id, head }, view, question: null as never, key },
        new AbortController().signal,
        (other) => others.push(other),
      );
    const first = keptOrAsked(engine, 'e');
    expect(await ask(first, 1)).to.deep.equal({ words: 1 });
    expect(asked.map(({ isBehind }) => isBehind)).to.deep.equal([undefined]);
    await writeAnswers();

    const again = keptOrAsked(engine, 'e');
    expect(await ask(again, 1)).to.deep.equal({ words: 1 });
    expect(asked, 'computed before what was kept is drawn').to.have.length(1);
    await until(() => asked.length === 2);
    expect(asked[1]).to.deep.include({ view: 'concepts', isBehind: true });
    expect(others).to.deep.equal([]);

    made = { words: 2 };
    const other = keptOrAsked(engine, 'e');
    expect(await ask(other, 1)).to.deep.equal({ words: 1 });
    await until(() => others.length === 1);
    expect(others).to.deep.equal([{ words: 2 }]);
    // What is under way for the study as it was is stopped by the next decision; another edition takes nothing over.
    expect(await ask(other, 2, 'k2')).to.deep.equal({ words: 2 });
    expect(asked[2].signal.aborted).to.equal(true);
    const count = asked.length;
    expect(await ask(keptOrAsked(engine, 'e2'), 2, 'k2')).to.deep.equal({ words: 2 });
    expect(asked).to.have.length(count + 1);
    // What is not kept is asked for as ever.
    expect(await ask(again, 2, 'k', 'passages')).to.deep.equal({ words: 2 });
  });
});

/** Waits until something holds, without a clock of its own. */
async function until(holds: () => boolean): Promise<void> {
  while (!holds()) await new Promise((resolve) => setTimeout(resolve, 5));
}
