import { expect } from 'chai';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('../..', import.meta.url));

describe('docs/architecture.md', () => {
  it('names files and what is in them as they are', () => {
    const page = readFileSync(join(root, 'docs/architecture.md'), 'utf8');
    const named = [...page.matchAll(/`([\w./-]+\.(?:ts|tsx|mjs))(?::(\w+))?`/g)];
    expect(named.length).to.be.greaterThan(40);
    for (const [, path, name] of named) {
      if (!path.includes('/')) continue;
      expect(existsSync(join(root, path)), path).to.equal(true);
      if (name === undefined) continue;
      const code = readFileSync(join(root, path), 'utf8');
      expect(code, `${path} has no ${name}`).to.match(
        new RegExp(`export (?:async )?(?:function\\*?|const|class|interface|type) ${name}\\b`),
      );
    }
  });
});
