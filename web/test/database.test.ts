import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { Dexie } from 'dexie';
import { listEntries } from '../src/store/notebook.ts';
import { carryOver } from '../src/store/carry-over.ts';
import { inLine } from '../src/store/in-line.ts';
import { createStudy, deleteStudy, listStudies, makeDecision } from '../src/store/studies.ts';
import { loadStudy } from '../src/store/study-reader.ts';
import { databaseOf, StudyDatabase } from '../src/store/database.ts';
import { EARLIER_NAME } from '../src/store/earlier-database.ts';
import { readOriginals } from '../src/store/texts.ts';

/** Makes the browser's storage as an earlier version of the application left it. */
async function earlier(
  version: number,
  stores: Readonly<Record<string, string>>,
  rows: Readonly<Record<string, readonly unknown[]>>,
): Promise<void> {
  await Dexie.delete(EARLIER_NAME);
  const old = new Dexie(EARLIER_NAME);
  old.version(version).stores(stores);
  await old.open();
  for (const [table, each] of Object.entries(rows)) await old.table(table).bulkAdd(each);
  old.close();
}

const STUDY = { id: 's', title: 'Old', head: 2, tip: 2, register: [], changed: '2026-01-01T00:00:00.000Z' };
const record = (seq: number, decision: unknown): unknown => ({
  studyId: 's',
  seq,
  parent: seq - 1,
  time: '2026-01-01T00:00:00.000Z',
  decision,
});
const FIRST_STORES = {
  studies: 'id, changed',
  decisions: '[studyId+seq], studyId',
  originals: '[studyId+id], studyId',
};

describe('storage of an earlier version', () => {
  // Tests of other files that ran here before may have left some.
  beforeEach(async () => {
    for (const { id } of await listStudies()) await deleteStudy(id);
  });
  afterEach(() => deleteStudy('s'));

  it('is lifted: cleaning by switches becomes a list of steps', async () => {
    await earlier(1, FIRST_STORES, {
      studies: [STUDY],
      decisions: [
        record(1, { kind: 'renameStudy', title: 'Old' }),
        record(2, { kind: 'setCleaning', change: { digits: false } }),
      ],
      originals: [
        { studyId: 's', id: 'a', text: 'The bus.' },
        { studyId: 's', id: 'b', text: 'Größe 🚌 größer.' },
        { studyId: 's', id: 'c', text: 'Rain.' },
      ],
    });
    await carryOver();
    const study = await loadStudy('s');
    expect(study?.state.title).to.equal('Old');
    expect(study?.state.settings.cleaning.steps.find(({ kind }) => kind === 'numbers')?.on).to.equal(false);
    const database = await databaseOf('s');
    if (!database) throw new Error('The study was not brought over.');
    expect([...(await readOriginals(database))]).to.have.deep.members([
      ['a', 'The bus.'],
      ['b', 'Größe 🚌 größer.'],
      ['c', 'Rain.'],
    ]);
    await makeDecision('s', { kind: 'keepConcepts', keys: ['bus'] });
    expect((await loadStudy('s'))?.state.kept).to.deep.equal(['bus']);
    expect(await Dexie.exists(EARLIER_NAME), 'the old database goes').to.equal(false);
  });

  it('keeps its record and Notebook and lets go of results, and is brought over once', async () => {
    const stores = {
      ...FIRST_STORES,
      notebook: '[studyId+id], studyId',
      results: '[studyId+stage], studyId',
    };
    const rows = {
      studies: [{ ...STUDY, head: 1, tip: 1 }],
      decisions: [record(1, { kind: 'renameStudy', title: 'Old' })],
      results: [{ studyId: 's', stage: 'parts', hash: '1 x', result: { part: new Uint8Array(3) } }],
      notebook: [{ studyId: 's', id: 'n', time: '', note: 'kept', tags: [] }],
    };
    await earlier(4, stores, rows);
    await carryOver();
    await carryOver();
    expect((await loadStudy('s'))?.state.title).to.equal('Old');
    expect(await (await databaseOf('s'))?.results.count()).to.equal(0);
    expect(await listEntries('s')).to.deep.equal([{ id: 'n', time: '', note: 'kept', tags: [] }]);
    await makeDecision('s', { kind: 'renameStudy', title: 'New' });
    // As where the browser ended before the old database went: what is here already stays as it is.
    await earlier(4, stores, rows);
    await carryOver();
    expect((await listStudies()).map(({ title }) => title)).to.deep.equal(['New']);
  });
});

describe('storage a newer version wrote', () => {
  it('is not written by this one, which says so', async () => {
    const id = await createStudy('s');
    const database = await databaseOf(id);
    if (!database) throw new Error('The study is not here.');
    const newer = new Dexie(database.name);
    newer.version(StudyDatabase.VERSION + 1).stores({ study: 'key', decisions: 'seq', more: 'id' });
    await newer.open();
    let said = '';
    await makeDecision(id, { kind: 'keepConcepts', keys: ['bus'] }).catch((error: unknown) => {
      said = String(error);
    });
    expect(said).to.match(/A newer Green Thicket is open/);
    expect(await newer.table('decisions').count()).to.equal(1);
    const again = new StudyDatabase(database.name);
    const refused = await again.open().then(
      () => '',
      (error: unknown) => String(error),
    );
    expect(refused).to.match(/A newer Green Thicket is open/);
    newer.close();
    await deleteStudy(id);
  });
});

describe('what is asked of a study', () => {
  it('is done in the order it was asked, whatever fails', async () => {
    const done: string[] = [];
    const slow = inLine('x', async () => {
      await new Promise((resolve) => setTimeout(resolve, 20));
      done.push('slow');
    });
    const failing = inLine('x', () => {
      done.push('failing');
      return Promise.reject(new Error('no'));
    });
    const quick = inLine('x', () => Promise.resolve(done.push('quick')));
    await failing.catch(() => undefined);
    await Promise.all([slow, quick]);
    expect(done).to.deep.equal(['slow', 'failing', 'quick']);
  });
});
