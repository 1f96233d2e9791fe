import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { Dexie } from 'dexie';
import { makeSource } from '@green-thicket/core/intake/sources';
import { catalogue, databaseName, theDatabase } from '../src/store/database.ts';
import { finishErasing, wipeBy, tracesLeft } from '../src/store/erasing.ts';
import { inLine } from '../src/store/in-line.ts';
import { keepEntry, listEntries, removeEntry, undoInNotebook } from '../src/store/notebook.ts';
import {
  addSources,
  createStudy,
  deleteStudy,
  exportStudy,
  listStudies,
  makeDecision,
  recordSources,
} from '../src/store/studies.ts';
import { keepOriginals, readOriginals, removeOriginals } from '../src/store/texts.ts';
import { writeAnew } from '../src/store/write-anew.ts';
import { refusal } from './refusal.ts';

const added = (name: string, text: string) => ({ source: makeSource(name, text), text });
const going = async (): Promise<string[]> =>
  (await catalogue.going.toArray()).map(({ database }) => database);

describe('what is deleted or replaced', () => {
  let swept = 0;
  const sweeping = (): Promise<void> => {
    swept++;
    return Promise.resolve();
  };
  const cutOff = (): Promise<void> => Promise.reject(new Error('the browser was ended'));
  beforeEach(async () => {
    wipeBy(sweeping);
    for (const { id } of await listStudies()) await deleteStudy(id);
    swept = 0;
  });
  afterEach(() => wipeBy(() => Promise.resolve()));

  it('is on record until it is out of the browser’s files, and then goes at the next start', async () => {
    const id = await createStudy('one');
    const { name } = await theDatabase(id);
    wipeBy(cutOff);
    await deleteStudy(id);
    expect(await listStudies()).to.deep.equal([]);
    expect(await going()).to.deep.equal([name]);
    expect(tracesLeft.now()).to.include('the browser was ended');
    wipeBy(sweeping);
    await finishErasing();
    expect(swept).to.equal(1);
    expect(await going()).to.deep.equal([]);
    expect(tracesLeft.now()).to.equal(undefined);
    await finishErasing();
    expect(swept, 'nothing is left to do').to.equal(1);
  });

  it('goes at the next start where it was being made, unless somebody is at it, and where nothing names it', async () => {
    const id = await createStudy('one');
    const [half, orphan] = [databaseName(id, 2), databaseName('nobody', 1)];
    await catalogue.going.put({ database: half, making: true });
    for (const name of [half, orphan]) {
      const made = new Dexie(name);
      made.version(1).stores({ decisions: 'seq' });
      await made.open();
      made.close();
    }
    await inLine(id, () => finishErasing());
    expect([await Dexie.exists(half), await Dexie.exists(orphan)]).to.deep.equal([true, false]);
    await finishErasing();
    expect(await Dexie.exists(half)).to.equal(false);
    expect(await going()).to.deep.equal([]);
    expect((await listStudies()).map(({ title }) => title)).to.deep.equal(['one']);
  });

  it('is never a database that a study is named to have, whatever the record says', async () => {
    const id = await createStudy('one');
    const { name } = await theDatabase(id);
    for (const row of [{ database: name }, { database: name, making: true as const }]) {
      await catalogue.going.put(row);
      await finishErasing();
      expect((await exportStudy(id)).log.records).to.have.length(1);
    }
  });

  it('stays as it was where writing it anew fails, or what was written does not read back the same', async () => {
    const id = await createStudy('one');
    await addSources(id, [added('a.txt', 'The bus is late.')]);
    const before = await exportStudy(id);
    const { name } = await theDatabase(id);
    const twice = writeAnew(id, ({ file, saved }) => {
      const { log } = file;
      return {
        file: { ...file, log: { ...log, records: [...log.records, ...log.records] } },
        saved,
        answer: 0,
      };
    });
    expect(await refusal(twice)).to.match(/Nothing was changed/);
    const halfCharacter = writeAnew(id, ({ file, saved }) => ({
      // A text that a file of the browser's can't hold.
      file: { ...file, originals: new Map([...file.originals].map(([key, text]) => [key, `${text}\ud800`])) },
      saved,
      answer: 0,
    }));
    expect(await refusal(halfCharacter)).to.match(/did not keep the study as it was written/);
    expect((await theDatabase(id)).name).to.equal(name);
    expect(await exportStudy(id)).to.deep.equal(before);
    await finishErasing();
    expect(await going()).to.deep.equal([]);
  });

  it('loses no text that shares its portion', async () => {
    const id = await createStudy('one');
    await addSources(
      id,
      ['a', 'b', 'c'].map((name) => added(`${name}.txt`, `${name} said so`)),
    );
    const database = await theDatabase(id);
    const [a, b, c] = ['a', 'b', 'c'].map((name) => makeSource(`${name}.txt`, `${name} said so`).id);
    await removeOriginals(database, new Set([b]));
    expect([...(await readOriginals(database))]).to.have.deep.members([
      [a, 'a said so'],
      [c, 'c said so'],
    ]);
    expect(await database.portions.count()).to.equal(1);
    await removeOriginals(database, new Set([a, c]));
    expect(await database.portions.count()).to.equal(0);
  });

  it('is on record in the very step in which another takes its place', async () => {
    const id = await createStudy('one');
    const { name } = await theDatabase(id);
    wipeBy(cutOff);
    await writeAnew(id, ({ file, saved }) => ({ file, saved, answer: 0 }));
    expect((await theDatabase(id)).name).to.not.equal(name);
    expect(await going()).to.deep.equal([name]);
  });

  it('stays whole where a portion can’t be put without it', async () => {
    const id = await createStudy('one');
    const texts = ['a', 'b', 'c'].map((each) => added(`${each}.txt`, `${each} said so`));
    await addSources(id, texts);
    const database = await theDatabase(id);
    const before = [...(await readOriginals(database))];
    const full = (): never => {
      throw new Error('the disk is full');
    };
    database.portions.hook('updating', full);
    let fault: unknown;
    await removeOriginals(database, new Set([texts[1].source.id])).catch((error: unknown) => (fault = error));
    expect(fault).to.be.an('error').with.property('message', 'the disk is full');
    database.portions.hook('updating').unsubscribe(full);
    expect([...(await readOriginals(database))]).to.have.deep.members(before);
  });

  it('is not missed by what comes in: sources whose texts went meanwhile are refused', async () => {
    const id = await createStudy('one');
    const late = added('late.txt', 'The bus is late.');
    await keepOriginals(id, [late]);
    await writeAnew(id, ({ file, saved }) => ({ file, saved, answer: 0 }));
    expect(await refusal(recordSources(id, [late.source]))).to.match(/written anew meanwhile/);
    expect((await exportStudy(id)).log.records).to.have.length(1);
  });

  it('waits in one line: a decision asked for while the study is written anew is in what comes of it', async () => {
    const id = await createStudy('one');
    const anew = writeAnew(id, ({ file, saved }) => ({ file, saved, answer: 0 }));
    const decided = makeDecision(id, { kind: 'keepConcepts', keys: ['bus'] });
    const noted = keepEntry(id, { note: 'n', tags: [] });
    await Promise.all([anew, decided, noted]);
    expect((await exportStudy(id)).log.records).to.have.length(2);
    const [entry] = await listEntries(id);
    await removeEntry(id, entry.id);
    await undoInNotebook(id);
    expect(await listEntries(id)).to.have.length(1);
  });
});
