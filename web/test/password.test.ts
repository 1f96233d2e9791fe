import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { makeSource } from '@green-thicket/core/intake/sources';
import { catalogue, databaseOf, theDatabase } from '../src/store/database.ts';
import { forgetKey } from '../src/store/keys.ts';
import { keepEntry, listEntries, changeEntry } from '../src/store/notebook.ts';
import { passwordState, removePassword, setPassword, unlock } from '../src/store/password.ts';
import {
  addSources,
  createStudy,
  deleteStudy,
  exportStudy,
  giveReason,
  importStudy,
  keepRegister,
  listStudies,
  makeDecision,
  noteSaved,
  redo,
  undo,
} from '../src/store/studies.ts';
import { loadStudy, studyReader } from '../src/store/study-reader.ts';
import { withdrawSources } from '../src/store/withdrawing.ts';
import { passwordKey } from '../src/store/keys.ts';
import { refusal } from './refusal.ts';

const WORD = 'umbrella under the bridge';
const MARKERS = ['quokka', 'plover', 'marmot', 'heron', 'Larkhaven', 'curlew', 'dunnock', '1988-03-04'];
const added = (name: string, text: string) => ({ source: makeSource(name, text), text });

/** All the browser keeps of a database, as one text: rows as they lie, Blobs as their bytes. */
async function asItLies(name: string): Promise<string> {
  const database = await new Promise<IDBDatabase>((resolve, reject) => {
    const opening = indexedDB.open(name);
    opening.onsuccess = () => resolve(opening.result);
    opening.onerror = () => reject(opening.error ?? new Error('It does not open.'));
  });
  const said: string[] = [];
  const write = async (value: unknown): Promise<void> => {
    if (value instanceof Blob) said.push(Buffer.from(await value.arrayBuffer()).toString('latin1'));
    else if (ArrayBuffer.isView(value)) said.push(Buffer.from(value.buffer).toString('latin1'));
    else if (Array.isArray(value)) for (const each of value) await write(each);
    else if (value !== null && typeof value === 'object') {
      for (const [key, each] of Object.entries(value)) {
        said.push(key);
        await write(each);
      }
    } else said.push(String(value));
  };
  for (const store of database.objectStoreNames) {
    const rows = await new Promise<unknown[]>((resolve, reject) => {
      const request = database.transaction(store).objectStore(store).getAll();
      request.onsuccess = () => resolve(request.result as unknown[]);
      request.onerror = () => reject(request.error ?? new Error('It is not read.'));
    });
    await write(rows);
  }
  database.close();
  return said.join('\n');
}

async function markedStudy(): Promise<string> {
  const id = await createStudy('Larkhaven at night');
  await addSources(id, [
    added('plover.txt', 'The quokka waits. '.repeat(20)),
    added('two.txt', 'The bus is late.'),
  ]);
  await makeDecision(id, { kind: 'keepConcepts', keys: ['marmot'] });
  await giveReason(id, 3, 'the heron said so');
  await keepEntry(id, { note: 'curlew', tags: [] });
  await noteSaved(id, { time: '1988-03-04T00:00:00.000Z', name: 'dunnock.thicket', seq: 2 });
  return id;
}
const nameOf = async (id: string): Promise<string> => (await theDatabase(id)).name;
/** As a tab that was just opened. */
const lock = async (id: string): Promise<void> => forgetKey(await nameOf(id));

describe('a study with a password', function () {
  this.timeout(20_000);
  afterEach(async () => {
    for (const { id } of await listStudies()) await deleteStudy(id);
  });

  it('is the same study, and nothing of it lies readable', async () => {
    const id = await markedStudy();
    const before = await exportStudy(id);
    const plain = await asItLies(await nameOf(id));
    for (const marker of MARKERS) expect(plain, 'the search finds what is readable').to.include(marker);
    const files = await setPassword(id, WORD, 'Study one');
    expect(files.map(({ name }) => name)).to.deep.equal(['dunnock.thicket']);
    expect(await exportStudy(id)).to.deep.equal(before);
    const lies = await asItLies(await nameOf(id));
    for (const marker of MARKERS) expect(lies).not.to.include(marker);
    for (const each of await catalogue.studies.toArray()) {
      for (const marker of MARKERS) expect(JSON.stringify(each)).not.to.include(marker);
    }
  });

  it('goes on as one without does: decisions, undo, reasons, letters and the Notebook, all sealed', async () => {
    const id = await markedStudy();
    await setPassword(id, WORD, 'Study one');
    await makeDecision(id, { kind: 'keepConcepts', keys: ['wombat'] });
    await giveReason(id, 4, 'wombats are many');
    await undo(id);
    expect((await loadStudy(id))?.state.kept).to.deep.equal(['marmot']);
    await redo(id);
    expect((await loadStudy(id))?.state.kept).to.have.members(['marmot', 'wombat']);
    await keepRegister(id, [{ letter: 'A', members: ['wombat'], present: true }]);
    const [entry] = await listEntries(id);
    await changeEntry(id, entry.id, { note: 'wombat seen', tags: ['wombat tag'] });
    await addSources(id, [added('wombat.txt', 'A wombat crossed.')]);
    const study = await studyReader(id)();
    expect(study?.log.records.find(({ seq }) => seq === 4)?.reason).to.equal('wombats are many');
    expect(study?.register[0].members).to.deep.equal(['wombat']);
    expect((await listEntries(id))[0]).to.include({ note: 'wombat seen' });
    expect([...(await exportStudy(id)).originals.values()]).to.include('A wombat crossed.');
    expect(await asItLies(await nameOf(id))).not.to.match(/wombat/i);
  });

  it('is shut until its password is given, and says nothing meanwhile but what it is called', async () => {
    const id = await markedStudy();
    await setPassword(id, WORD, 'Study one');
    await lock(id);
    expect(await passwordState(id)).to.deep.equal({ locked: true, shownAs: 'Study one' });
    expect(await listStudies()).to.deep.equal([{ id, title: 'Study one' }]);
    expect(await databaseOf(id)).to.equal(undefined);
    expect(await studyReader(id)()).to.equal(undefined);
    expect(await refusal(makeDecision(id, { kind: 'keepConcepts', keys: ['x'] }))).to.match(
      /waits for its password/,
    );
    expect(await refusal(unlock(id, 'umbrella'))).to.match(/not the password/);
    expect((await passwordState(id))?.locked).to.equal(true);
    await unlock(id, WORD);
    expect((await loadStudy(id))?.state.kept).to.deep.equal(['marmot']);
    expect((await listStudies())[0].title).to.equal('Larkhaven at night');
  });

  it('keeps its password when somebody is withdrawn', async () => {
    const id = await markedStudy();
    await setPassword(id, WORD, 'Study one');
    const sources = (await loadStudy(id))?.state.sources ?? [];
    await withdrawSources(id, sources.slice(0, 1));
    expect(await asItLies(await nameOf(id))).not.to.match(/plover|quokka|marmot/);
    await lock(id);
    await unlock(id, WORD);
    expect((await loadStudy(id))?.state.sources.map(({ name }) => name)).to.deep.equal(['two.txt']);
  });

  it('takes another password, and then the first does not open it', async () => {
    const id = await markedStudy();
    await setPassword(id, WORD, 'Study one');
    await setPassword(id, 'a second password', 'Study two');
    await lock(id);
    expect(await refusal(unlock(id, WORD))).to.match(/not the password/);
    await unlock(id, 'a second password');
    expect((await loadStudy(id))?.state.title).to.equal('Larkhaven at night');
    expect((await passwordState(id))?.shownAs).to.equal('Study two');
  });

  it('is a plain one again once it is taken away', async () => {
    const id = await markedStudy();
    const before = await exportStudy(id);
    await setPassword(id, WORD, 'Study one');
    await removePassword(id);
    expect(await passwordState(id)).to.deep.equal({ locked: false });
    expect(await exportStudy(id)).to.deep.equal(before);
    expect(await asItLies(await nameOf(id))).to.include('marmot');
  });

  it('that is too short is refused, and nothing changes', async () => {
    const id = await markedStudy();
    expect(await refusal(setPassword(id, 'short', 'Study one'))).to.match(/at least 10 characters/);
    expect(await passwordState(id)).to.deep.equal({ locked: false });
  });

  it('comes in from a file with the password of the file', async () => {
    const file = await exportStudy(await markedStudy());
    const id = await importStudy(file, await passwordKey(WORD));
    expect(await asItLies(await nameOf(id))).not.to.match(/plover|quokka|marmot/);
    await lock(id);
    await unlock(id, WORD);
    expect(await exportStudy(id)).to.deep.equal(file);
  });

  it('has rows that open nowhere but in their place', async () => {
    const id = await markedStudy();
    await setPassword(id, WORD, 'Study one');
    const name = await nameOf(id);
    await new Promise<void>((resolve, reject) => {
      const opening = indexedDB.open(name);
      opening.onsuccess = () => {
        const change = opening.result.transaction('decisions', 'readwrite');
        const rows = change.objectStore('decisions');
        const reading = rows.get(2);
        reading.onsuccess = () => rows.put({ ...(reading.result as object), seq: 3 });
        change.oncomplete = () => {
          opening.result.close();
          resolve();
        };
        change.onabort = () => reject(change.error ?? new Error('It was not changed.'));
      };
    });
    expect(await refusal(studyReader(id)())).to.match(/damaged/);
  });
});
