import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { Dexie, liveQuery } from 'dexie';
import type { Decision } from '@green-thicket/core/study/decisions';
import { foldDecisions } from '@green-thicket/core/study/record';
import { readStudyFile, writeProvedStudyFile } from '@green-thicket/core/study-files/study-file';
import { catalogue } from '../src/store/database.ts';
import { changeEntry, keepEntry, listEntries } from '../src/store/notebook.ts';
import { keepOriginals } from '../src/store/texts.ts';
import {
  addSources,
  createStudy,
  deleteStudy,
  exportStudy,
  giveReason,
  goToDecision,
  importStudy,
  keepRegister,
  listStudies,
  makeDecision,
  redo,
  undo,
} from '../src/store/studies.ts';
import { loadStudy, studyReader } from '../src/store/study-reader.ts';
import { refusal } from './refusal.ts';
import { keep, added, loaded, databaseFor, textsOf, kindsOf } from './stored-study.ts';

describe('studies in the browser', () => {
  afterEach(async () => {
    for (const { id } of await listStudies()) await deleteStudy(id);
  });

  it('begin with their name, and are listed by it', async () => {
    const id = await createStudy('Night buses');
    expect((await loaded(id)).state.title).to.equal('Night buses');
    expect((await listStudies()).map(({ title }) => title)).to.deep.equal(['Night buses']);
    await makeDecision(id, { kind: 'renameStudy', title: 'Late buses' });
    expect((await listStudies()).map(({ title }) => title)).to.deep.equal(['Late buses']);
    await makeDecision(id, keep('rain'));
    expect((await listStudies())[0].title).to.equal('Late buses');
    await undo(id);
    await undo(id);
    expect((await listStudies())[0].title).to.equal('Night buses');
  });

  it('put each decision on the one in force, and number them on after an undo', async () => {
    const id = await createStudy('s');
    await makeDecision(id, keep('rain'));
    await makeDecision(id, keep('fare'));
    await undo(id);
    await makeDecision(id, keep('bus'));
    const { log, state } = await loaded(id);
    expect(state.kept).to.deep.equal(['rain', 'bus']);
    expect(log.records.map(({ seq, parent }) => [seq, parent])).to.deep.equal([
      [1, 0],
      [2, 1],
      [3, 2],
      [4, 2],
    ]);
    expect([log.head, log.tip]).to.deep.equal([4, 4]);
  });

  it('go back and forth, and to any decision', async () => {
    const id = await createStudy('s');
    for (const key of ['a', 'b', 'c']) await makeDecision(id, keep(key));
    const keptAfter = async (move: Promise<void>): Promise<readonly string[]> => {
      await move;
      return (await loaded(id)).state.kept;
    };
    expect(await keptAfter(undo(id))).to.deep.equal(['a', 'b']);
    expect(await keptAfter(undo(id))).to.deep.equal(['a']);
    expect(await keptAfter(redo(id))).to.deep.equal(['a', 'b']);
    expect(await keptAfter(goToDecision(id, 1))).to.deep.equal([]);
    expect(await keptAfter(redo(id))).to.deep.equal(['a']);
    expect(await keptAfter(goToDecision(id, 4))).to.deep.equal(['a', 'b', 'c']);
  });

  it('show a decision only once others can read it from what is stored', async () => {
    const id = await createStudy('one');
    const { name } = await databaseFor(id);
    /** How many decisions are on record, asked by a connection of its own. */
    const stored = async (): Promise<number> => {
      const other = new Dexie(name);
      await other.open();
      const count = await other.table('decisions').count();
      other.close();
      return count;
    };
    const seen: { shown: number; stored: number }[] = [];
    const watching = liveQuery(() => loadStudy(id)).subscribe((study) => {
      const shown = study?.log.records.length ?? 0;
      void stored().then((count) => seen.push({ shown, stored: count }));
    });
    for (const key of ['rain', 'bus', 'wage']) await makeDecision(id, keep(key));
    while (!seen.some(({ shown }) => shown === 4)) await new Promise((resolve) => setTimeout(resolve, 5));
    watching.unsubscribe();
    expect(seen.filter((each) => each.shown > each.stored)).to.deep.equal([]);
  });

  it('are refused a decision where they are gone', async () => {
    const id = await createStudy('s');
    await deleteStudy(id);
    expect(await refusal(makeDecision(id, keep('a')))).to.match(/no longer in this browser/);
    expect(await loadStudy(id)).to.equal(undefined);
    expect(await studyReader(id)()).to.equal(undefined);
  });

  it('leave nothing behind when they are deleted, and no other study is touched', async () => {
    const [one, other] = [await createStudy('one'), await createStudy('other')];
    for (const id of [one, other]) {
      await addSources(id, [added('a.txt', 'The bus is late.')]);
      await keepEntry(id, { note: 'n', tags: [] });
    }
    const { name } = await databaseFor(one);
    expect(await Dexie.exists(name)).to.equal(true);
    await deleteStudy(one);
    expect(await Dexie.exists(name)).to.equal(false);
    expect(await catalogue.studies.toCollection().primaryKeys()).to.deep.equal([other]);
    expect(await textsOf(other)).to.deep.equal(['The bus is late.']);
    expect(await listEntries(other)).to.have.length(1);
  });
});

describe('reading a study on', () => {
  it('gives what a reading from the start gives, at every decision', async () => {
    const id = await createStudy('s');
    const read = studyReader(id);
    const moves: (() => Promise<void>)[] = [
      () => makeDecision(id, keep('a')),
      () => makeDecision(id, { kind: 'addStopWords', words: ['bus'] }),
      () => undo(id),
      () => makeDecision(id, keep('b')),
      () => giveReason(id, 2, 'Said by everyone'),
      () => undo(id),
      () => redo(id),
      () => goToDecision(id, 1),
      () => giveReason(id, 2, ''),
      () => keepRegister(id, [{ letter: 'A', members: ['a'], present: true }]),
    ];
    await read();
    for (const move of moves) {
      await move();
      const study = await read();
      const fresh = await loaded(id);
      expect(study).to.deep.equal(fresh);
      expect(fresh.state).to.deep.equal(foldDecisions(fresh.log));
    }
    expect(await read()).to.have.nested.property('register[0].letter', 'A');
  });

  it('tells a reason that was written since', async () => {
    const id = await createStudy('s');
    await makeDecision(id, keep('a'));
    const read = studyReader(id);
    expect((await read())?.log.records[1].reason).to.equal(undefined);
    await giveReason(id, 2, 'They all say it');
    expect((await read())?.log.records[1].reason).to.equal('They all say it');
    await giveReason(id, 2, '');
    expect((await read())?.log.records[1]).to.not.have.property('reason');
  });

  it('gives the same state as long as nothing is decided, and when a decision is gone back to', async () => {
    const id = await createStudy('s');
    await makeDecision(id, keep('a'));
    const read = studyReader(id);
    const first = (await read())?.state;
    await keepRegister(id, [{ letter: 'A', members: ['a'], present: true }]);
    expect((await read())?.state).to.equal(first);
    await makeDecision(id, keep('b'));
    expect((await read())?.state).to.not.equal(first);
    await undo(id);
    expect((await read())?.state).to.equal(first);
  });

  it('adds no record twice when two readings are under way', async () => {
    const id = await createStudy('s');
    const read = studyReader(id);
    for (const key of ['a', 'b', 'c']) {
      await makeDecision(id, keep(key));
      await Promise.all([read(), read(), read()]);
    }
    expect((await read())?.log.records.map(({ seq }) => seq)).to.deep.equal([1, 2, 3, 4]);
  });
});

describe('the texts of a study', () => {
  it('are kept with the decision that adds them', async () => {
    const id = await createStudy('s');
    await addSources(id, [added('a.txt', 'One.'), added('b.txt', 'Two.')], { note: '2 files' });
    const { state } = await loaded(id);
    expect(state.sources.map(({ name }) => name)).to.deep.equal(['a.txt', 'b.txt']);
    expect(await textsOf(id)).to.deep.equal(['One.', 'Two.']);
  });

  it('are let go of where the decision fails, and others stay', async () => {
    const id = await createStudy('s');
    await addSources(id, [added('a.txt', 'One.')]);
    const database = await databaseFor(id);
    const add = database.decisions.add.bind(database.decisions);
    database.decisions.add = () => {
      throw new Error('QuotaExceededError');
    };
    try {
      expect(await refusal(addSources(id, [added('b.txt', 'Two.')]))).to.match(/no more room/);
    } finally {
      database.decisions.add = add;
    }
    expect(await textsOf(id)).to.deep.equal(['One.']);
    expect(kindsOf(await loaded(id))).to.deep.equal(['renameStudy', 'addSources']);
  });

  it('go into its file and come back as another study', async () => {
    const id = await createStudy('s');
    await addSources(id, [added('a.txt', 'One.')]);
    // As after a crash between keeping a text and recording it.
    await keepOriginals(id, [added('lost.txt', 'Never recorded.')]);
    await keepEntry(id, { note: 'A thought', tags: ['rain'] });
    await giveReason(id, 2, 'The first batch');
    const file = await exportStudy(id);
    expect([...file.originals.values()]).to.deep.equal(['One.']);
    expect(file.notebook?.map(({ note }) => note)).to.deep.equal(['A thought']);
    const copy = await importStudy(file);
    expect(copy).to.not.equal(id);
    const [one, other] = [await loaded(id), await loaded(copy)];
    expect(other.state).to.deep.equal(one.state);
    expect(other.log.records.map(({ reason }) => reason)).to.deep.equal([undefined, 'The first batch']);
    expect(await exportStudy(copy)).to.deep.equal(file);
  });
});

describe('what a study file could not hold', () => {
  it('is not decided, and the study stays as it was', async () => {
    const id = await createStudy('s');
    await addSources(id, [added('a.txt', 'One.')]);
    const before = await loaded(id);
    const [{ id: source }] = before.state.sources;
    const bad: Decision[] = [
      { kind: 'setWindows', change: { size: 2.5 } },
      { kind: 'renameStudy', title: 'x'.repeat(1001) },
      { kind: 'setAttribute', ids: [source], attribute: 'a', value: 'x'.repeat(10_001) },
      { kind: 'setValues', values: { a: { [source]: 'x'.repeat(10_001) } } },
      { kind: 'addSources', sources: [{ ...before.state.sources[0], id: 'b', name: '' }] },
    ];
    for (const decision of bad) {
      expect(await refusal(makeDecision(id, decision)), decision.kind).to.match(/Nothing was changed: /);
    }
    expect((await loaded(id)).log).to.deep.equal(before.log);
    expect(await refusal(keepEntry(id, { note: 'x'.repeat(20_001), tags: [] }))).to.match(
      /Nothing was changed/,
    );
    await keepEntry(id, { note: 'x'.repeat(20_000), tags: ['rain'] });
    const [entry] = await listEntries(id);
    expect(await refusal(changeEntry(id, entry.id, { tags: [''] }))).to.match(/Nothing was changed/);
    expect(readStudyFile(writeProvedStudyFile(await exportStudy(id))).notebook).to.deep.equal([entry]);
  });

  it('is checked in the order it was asked, however large the first is', async () => {
    const id = await createStudy('s');
    const many = Array.from({ length: 2000 }, (_, i) => added(`${i}.txt`, `Text ${i}.`));
    await Promise.all([addSources(id, many), makeDecision(id, keep('a'))].reverse());
    await Promise.all([
      makeDecision(id, {
        kind: 'setValues',
        values: { n: Object.fromEntries(many.map(({ source }) => [source.id, 'x'])) },
      }),
      makeDecision(id, { kind: 'setAttributeType', attribute: 'n', type: 'number' }),
    ]);
    expect(kindsOf(await loaded(id)).slice(-2)).to.deep.equal(['setValues', 'setAttributeType']);
  });
});
