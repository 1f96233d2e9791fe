import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { Dexie } from 'dexie';
import { readStudyFile, writeProvedStudyFile } from '@green-thicket/core/study-files/study-file';
import { makePart } from '@green-thicket/core/intake/sources';
import { keepEntry } from '../src/store/notebook.ts';
import { addSources, createStudy, exportStudy, makeDecision, noteSaved, undo } from '../src/store/studies.ts';
import { studyReader } from '../src/store/study-reader.ts';
import { withdrawSources } from '../src/store/withdrawing.ts';
import { keep, added, loaded, databaseFor } from './stored-study.ts';

describe('withdrawing a participant', () => {
  it('takes the texts out of everything for good, and says which files hold them still', async () => {
    const id = await createStudy('s');
    await noteSaved(id, { time: '2031-01-01T00:00:00.000Z', name: 'before.thicket', seq: 1 });
    const one = added('anna.txt', 'Anna waits. Anna sleeps.');
    await addSources(id, [one, added('ben.txt', 'Ben drives.')]);
    const part = makePart(one.source, {
      name: 'anna: 1',
      text: 'Anna waits.',
      place: { start: 0, end: 11 },
      attributes: {},
    });
    await makeDecision(id, { kind: 'splitSources', parts: { [one.source.id]: [part] } });
    await makeDecision(id, { kind: 'setAttribute', ids: [part.id], attribute: 'who', value: 'Anna' });
    await makeDecision(id, { kind: 'setValues', values: { age: { [part.id]: '7' } } });
    await makeDecision(id, { kind: 'setCuts', cuts: { [part.id]: [[0, 2]] } });
    await keepEntry(id, {
      note: '',
      tags: [],
      excerpt: { sourceId: part.id, sourceName: 'anna: 1', start: 0, end: 11, quote: 'Anna waits.' },
    });
    await keepEntry(id, { note: 'A memo', tags: [] });
    // Anna is named nowhere else, Ben in the text that stays, Cato in a memo and on a list of words.
    await keepEntry(id, { note: 'Said to Cato\nof Thule', tags: [] });
    await makeDecision(id, keep('dora'));
    await makeDecision(id, {
      kind: 'setPseudonyms',
      change: { Anna: 'Iris', ben: 'Otto', 'Cato of Thule': 'Max', Dora: 'Eva' },
    });
    await noteSaved(id, { time: '2031-01-02T00:00:00.000Z', name: 'after.thicket', seq: 6 });
    const { name } = await databaseFor(id);
    const read = studyReader(id);
    await read();

    const { state } = await loaded(id);
    const gone = await withdrawSources(
      id,
      state.sources.filter((source) => source.id === part.id),
    );
    expect(gone.sources).to.equal(2);
    expect((await loaded(id)).saved.every(({ outdated }) => outdated)).to.equal(true);
    expect(gone.excerpts).to.equal(1);
    expect(gone.files.map((file) => file.name)).to.deep.equal(['after.thicket']);
    expect(await Dexie.exists(name)).to.equal(false);
    const file = await exportStudy(id);
    expect(JSON.stringify(file.log)).to.not.match(/anna/i);
    expect([...file.originals.values()]).to.deep.equal(['Ben drives.']);
    expect(file.notebook?.map(({ note }) => note)).to.deep.equal(['A memo', 'Said to Cato\nof Thule']);
    expect((await loaded(id)).state.pseudonyms).to.deep.equal({
      ben: 'Otto',
      'Cato of Thule': 'Max',
      Dora: 'Eva',
    });
    expect(readStudyFile(writeProvedStudyFile(file)).leftOut).to.deep.equal([]);
    expect((await read())?.state).to.deep.equal((await loaded(id)).state);
    await makeDecision(id, keep('bus'));
    await undo(id);
    expect((await loaded(id)).state.sources.map((source) => source.name)).to.deep.equal(['ben.txt']);
  });
});
