import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { firstPage } from '../../scripts/first-page.mjs';

const built = fileURLToPath(new URL('../../dist/web', import.meta.url));

describe('the first page', () => {
  const { files, bytes } = firstPage(built);

  it('is at most 350 KB compressed', () => {
    expect(files.length).to.be.greaterThan(1);
    expect(bytes).to.be.within(50_000, 350_000);
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
