import { expect } from 'chai';
import type { Remote } from 'comlink';
import { NOTHING, type Intake } from '@green-thicket/core/intake/sources';
import { readFiles } from '@green-thicket/core/intake/intake';
import { fileReader, type Thread } from '../src/engine/file-reader.ts';
import type { ReaderWorker } from '../src/engine/reader-worker.ts';

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);

/** A thread that never answers for some files, and writes down when it is begun and ended. */
function threads(log: string[], stuck: (name: string) => boolean): () => Thread {
  return () => {
    log.push('begun');
    const read = (name: string, bytes: Uint8Array): Promise<Intake> =>
      stuck(name) ? new Promise(() => undefined) : readFiles([{ name, bytes }], new Set());
    return { remote: { read } as unknown as Remote<ReaderWorker>, end: () => log.push('ended') };
  };
}

describe('reading files', () => {
  it('gives a file up that takes too long, and reads the others in a new thread', async () => {
    const log: string[] = [];
    const reader = fileReader(
      new AbortController().signal,
      threads(log, (name) => name === 'stuck.html'),
      30,
    );
    const first = await reader.read('a.html', bytesOf('<p>The bus.</p>'), () => undefined);
    expect(first.added.map(({ text }) => text)).to.deep.equal(['The bus.\n']);
    const stuck = await reader.read('stuck.html', bytesOf('<p>…</p>'), () => undefined);
    expect(stuck.added).to.deep.equal(NOTHING.added);
    expect(stuck.refused[0].reason).to.match(
      /stuck\.html was given up: reading it takes longer than 0\.03 seconds/,
    );
    expect((await reader.read('b.html', bytesOf('<p>Rain.</p>'), () => undefined)).added).to.have.length(1);
    reader.close();
    expect(log).to.deep.equal(['begun', 'ended', 'begun', 'ended']);
  });

  it('ends at once when it is stopped, in the middle of a file', async () => {
    const log: string[] = [];
    const control = new AbortController();
    const reader = fileReader(
      control.signal,
      threads(log, () => true),
    );
    const reading = reader
      .read('a.pdf', bytesOf('%PDF-'), () => undefined)
      .then(
        () => 'read',
        (error: Error) => error.message,
      );
    control.abort();
    expect(await reading).to.equal('stopped');
    expect(log).to.deep.equal(['begun', 'ended']);
    const after = await reader
      .read('b.pdf', bytesOf('%PDF-'), () => undefined)
      .then(
        () => 'read',
        (error: Error) => error.message,
      );
    expect(after).to.equal('stopped');
  });

  it('needs no thread for plain text, but for what only pretends to be', async () => {
    const log: string[] = [];
    const reader = fileReader(
      new AbortController().signal,
      threads(log, () => false),
    );
    expect((await reader.read('a.txt', bytesOf('Words.'), () => undefined)).added).to.have.length(1);
    expect(log).to.deep.equal([]);
    expect((await reader.read('a.txt', bytesOf('PK\u0003\u0004'), () => undefined)).refused).to.have.length(
      1,
    );
    expect(log).to.deep.equal(['begun']);
  });
});
