import 'fake-indexeddb/auto';
import { expect } from 'chai';
import {
  changeEntry,
  keepEntry,
  listEntries,
  moveEntry,
  removeEntry,
  undoInNotebook,
} from '../src/store/notebook.ts';
import { createStudy, goToDecision, makeDecision } from '../src/store/studies.ts';
import { keep } from './stored-study.ts';

describe('the Notebook', () => {
  it('keeps entries in their order, changes them, and puts back what was removed', async () => {
    const id = await createStudy('s');
    await keepEntry(id, { note: 'first', tags: [] });
    await keepEntry(id, { note: 'second', tags: ['rain'] });
    const notes = async (): Promise<string[]> => (await listEntries(id)).map(({ note }) => note).sort();
    const first = (await listEntries(id)).find(({ note }) => note === 'first');
    if (!first) throw new Error('The first entry is gone.');
    await changeEntry(id, first.id, { note: 'changed' });
    expect(await notes()).to.deep.equal(['changed', 'second']);
    await removeEntry(id, first.id);
    expect(await notes()).to.deep.equal(['second']);
    await undoInNotebook(id);
    expect(await notes()).to.deep.equal(['changed', 'second']);
    await undoInNotebook(id);
    expect(await notes()).to.deep.equal(['first', 'second']);
  });

  it('has its entries in the order they are put in, whatever is moved where, and takes moves back', async () => {
    const id = await createStudy('s');
    for (const note of ['a', 'b', 'c', 'd']) await keepEntry(id, { note, tags: [] });
    const notes = async (): Promise<string> => (await listEntries(id)).map(({ note }) => note).join('');
    const move = async (note: string, to: number): Promise<void> => {
      const entry = (await listEntries(id)).find((each) => each.note === note);
      if (entry) await moveEntry(id, entry.id, to);
    };
    const first = await notes();
    await move(first[3], 0);
    expect(await notes()).to.equal(first[3] + first.slice(0, 3));
    await move(first[0], 3);
    expect(await notes()).to.equal(first[3] + first[1] + first[2] + first[0]);
    // So often that no number is left between two.
    for (let i = 0; i < 120; i++) await move((await notes())[2], 1);
    expect([...(await notes())].sort().join('')).to.equal('abcd');
    await keepEntry(id, { note: 'new', tags: [] });
    expect((await listEntries(id))[0].note).to.equal('new');
    for (let i = 0; i < 123; i++) await undoInNotebook(id);
    expect(await notes()).to.equal(first);
  });

  it('is left alone by going back in the record', async () => {
    const id = await createStudy('s');
    await makeDecision(id, keep('a'));
    await keepEntry(id, { note: 'stays', tags: [] });
    await goToDecision(id, 1);
    expect((await listEntries(id)).map(({ note }) => note)).to.deep.equal(['stays']);
  });
});
