import { expect } from 'chai';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import { firstPage } from '../../scripts/first-page.mjs';

const built = fileURLToPath(new URL('../../dist/web', import.meta.url));

/** Bytes from which on a file should not be there twice. */
const LARGE = 100_000;
/** What is large and comes by itself: words of languages, and readers of documents. */
const APART = /^(?:meanings|tagger|english|german|french|italian|tone|pdf|docx|postal-mime)/;

describe('the application', () => {
  it('is at most 1.5 MB compressed without languages and documents, which are there once', () => {
    const names = readdirSync(join(built, 'assets')).filter((name) => name.endsWith('js'));
    const size = (name: string): number => gzipSync(readFileSync(join(built, 'assets', name))).length;
    const sum = names.filter((name) => !APART.test(name)).reduce((total, name) => total + size(name), 0);
    expect(sum).to.be.within(500_000, 1_500_000);
    const large = names.filter((name) => statSync(join(built, 'assets', name)).size > LARGE);
    const stems = large.map((name) => name.replace(/-[\w-]{8}\.m?js$/, ''));
    expect(stems).to.include.members(['english', 'pdf', 'docx']);
    expect(new Set(stems).size, stems.join(', ')).to.equal(stems.length);
  });
});

describe('the first page', () => {
  const { files, bytes } = firstPage(built);

  it('is at most 250 KB compressed', () => {
    expect(files.length).to.be.greaterThan(1);
    expect(bytes).to.be.within(50_000, 250 * 1024);
  });

  it('comes with the licences of all that is delivered', () => {
    const notices = readFileSync(join(built, 'licences.txt'), 'utf8');
    for (const name of [
      'react ',
      'dexie ',
      'pdfjs-dist ',
      'snowball-stemmers ',
      '@fontsource-variable/literata ',
      'Word lists',
    ])
      expect(notices, name).to.match(new RegExp(`^${name}`, 'm'));
    expect(notices)
      .to.include('WordNet')
      .and.not.match(/^mocha /m);
  });

  it('holds nothing of the computation, of charts or of what checks files', () => {
    const code = files.map((file) => readFileSync(join(built, file), 'utf8')).join('\n');
    // Words that only these hold, whatever the build calls their functions.
    for (const [what, word] of [
      ['Leiden', 'Leiden'],
      ['the tagger', 'PROPN'],
      ['charts', 'BarController'],
      ['the schemas', 'any.required'],
      ['sealing', 'PBES2'],
    ])
      expect(code.includes(word), what).to.equal(false);
  });
});
