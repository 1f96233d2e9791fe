import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const source = new URL('../src/', import.meta.url).pathname;
const method = new URL('../../docs/method/', import.meta.url).pathname;

describe('what leads from a figure to how it is worked out', () => {
  const asked = readdirSync(source, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.tsx'))
    .flatMap((name) =>
      [
        ...readFileSync(join(source, name), 'utf8').matchAll(/<HowFound page="([^"]+)" heading="([^"]+)"/g),
      ].map(([, page, heading]) => ({ name, page, heading })),
    );

  it('stands at every stop that has figures', () => {
    const stops = new Set(asked.map(({ name }) => /^stops\/([^/]+)/.exec(name)?.[1]));
    expect([...stops]).to.include.members(['concepts', 'links', 'themes', 'map', 'compare']);
  });

  it('leads to a heading that is there', () => {
    for (const { name, page, heading } of asked) {
      const headings = readFileSync(join(method, `${page}.md`), 'utf8').match(/^## .*$/gm) ?? [];
      expect(headings, name).to.include(`## ${heading}`);
    }
  });
});
