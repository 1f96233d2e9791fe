import { expect } from 'chai';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { listFiles } from '../src/collect.ts';

describe('a folder of files', () => {
  let folder: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'thicket-collect-'));
  });
  afterEach(() => rmSync(folder, { recursive: true }));
  const put = (...names: readonly string[]): void => {
    for (const name of names) {
      mkdirSync(dirname(join(folder, name)), { recursive: true });
      writeFileSync(join(folder, name), 'x');
    }
  };

  it('is read file by file, and what of it is of another kind is named with what to do', () => {
    put(
      'a.txt',
      'below/b.docx',
      'old.doc',
      'notes',
      'constructor',
      'mail/one.MSG',
      '.DS_Store',
      'x.constructor',
    );
    put(...[1, 2, 3, 4, 5, 6, 7].map((number) => `slides/${number}.odp`));
    const { files, notes } = listFiles([folder]);
    expect(files.map(({ name }) => name)).to.deep.equal(['a.txt', 'below/b.docx']);
    expect(notes).to.deep.equal([
      'Not read: 2 files without an ending: constructor and notes; name with an ending, such as .txt.',
      'Not read: 1 file .constructor: x.constructor; save as text, if there is any in it.',
      'Not read: 1 file .doc: old.doc; save as .docx.',
      'Not read: 1 file .msg: mail/one.MSG; save as .eml.',
      'Not read: 7 files .odp: slides/1.odp, slides/2.odp, slides/3.odp, slides/4.odp, slides/5.odp and 2 more; save as text, if there is any in it.',
    ]);
    expect(listFiles([join(folder, 'below')]).notes).to.deep.equal([]);
  });
});
