import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { Dexie } from 'dexie';
import { database } from '../src/store/database.ts';
import { deleteStudy, loadStudy, makeDecision } from '../src/store/studies.ts';

/** Makes the browser's storage as an earlier version of the application left it. */
async function earlier(
  version: number,
  stores: Readonly<Record<string, string>>,
  rows: Readonly<Record<string, readonly unknown[]>>,
): Promise<void> {
  database.close();
  await Dexie.delete('green-thicket');
  const old = new Dexie('green-thicket');
  old.version(version).stores(stores);
  await old.open();
  for (const [table, each] of Object.entries(rows)) await old.table(table).bulkAdd(each);
  old.close();
  await database.open();
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
  afterEach(() => deleteStudy('s'));

  it('is lifted: cleaning by switches becomes a list of steps', async () => {
    await earlier(1, FIRST_STORES, {
      studies: [STUDY],
      decisions: [
        record(1, { kind: 'renameStudy', title: 'Old' }),
        record(2, { kind: 'setCleaning', change: { digits: false } }),
      ],
      originals: [{ studyId: 's', id: 'a', text: 'The bus.' }],
    });
    const study = await loadStudy('s');
    expect(study?.state.title).to.equal('Old');
    expect(study?.state.settings.cleaning.steps.find(({ kind }) => kind === 'numbers')?.on).to.equal(false);
    expect(await database.originals.get(['s', 'a'])).to.have.property('text', 'The bus.');
    await makeDecision('s', { kind: 'keepConcepts', keys: ['bus'] });
    expect((await loadStudy('s'))?.state.kept).to.deep.equal(['bus']);
  });

  it('keeps its record and lets go of results that are found in another way now', async () => {
    await earlier(
      4,
      { ...FIRST_STORES, notebook: '[studyId+id], studyId', results: '[studyId+stage], studyId' },
      {
        studies: [{ ...STUDY, head: 1, tip: 1 }],
        decisions: [record(1, { kind: 'renameStudy', title: 'Old' })],
        results: [{ studyId: 's', stage: 'parts', hash: '1 x', result: { part: new Uint8Array(3) } }],
        notebook: [{ studyId: 's', id: 'n', time: '', note: 'kept', tags: [] }],
      },
    );
    expect((await loadStudy('s'))?.state.title).to.equal('Old');
    expect(await database.results.count()).to.equal(0);
    expect(await database.notebook.count()).to.equal(1);
  });
});
