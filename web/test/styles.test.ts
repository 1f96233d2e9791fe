import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { giveTheme } from '../src/theme.ts';

const root = fileURLToPath(new URL('../src', import.meta.url));
const paths = readdirSync(root, { recursive: true, encoding: 'utf8' });
const read = (ending: RegExp): { path: string; text: string }[] =>
  paths
    .filter((path) => ending.test(path))
    .map((path) => ({ path, text: readFileSync(join(root, path), 'utf8') }));

const sheets = read(/\.css$/).map(({ path, text }) => ({
  path,
  text: text.replace(/\/\*[\s\S]*?\*\//g, ''),
}));
const modules = sheets.filter(({ path }) => path.endsWith('.module.css'));
const scripts = read(/\.tsx?$/);

/** What stands before a block, without the blocks. */
const selectorsOf = (css: string): string => css.replace(/\{[^{}]*\}/g, '{}');
const classesIn = (selectors: string): string[] => [
  ...new Set(Array.from(selectors.matchAll(/\.([A-Za-z][\w-]*)/g), ([, name]) => name)),
];
const ownClasses = (css: string): string[] => classesIn(selectorsOf(css).replace(/:global\([^)]*\)/g, ''));
const camel = (name: string): string =>
  name.replace(/-([a-z0-9])/g, (_, letter: string) => letter.toUpperCase());

/** Names by which a script uses a sheet. */
function usedOf(sheet: string): { path: string; names: string[] }[] {
  return scripts.flatMap(({ path, text }) => {
    const as = Array.from(text.matchAll(/import (\w+) from '(\.[^']*\.css)'/g)).find(
      ([, , from]) => join(path, '..', from) === sheet,
    )?.[1];
    if (as === undefined) return [];
    return [
      { path, names: Array.from(text.matchAll(new RegExp(`\\b${as}\\.(\\w+)`, 'g')), ([, name]) => name) },
    ];
  });
}
const words = new Set(
  scripts.flatMap(({ text }) =>
    Array.from(text.matchAll(/'[^'\n]*'|"[^"\n]*"|`[^`]*`/g)).flatMap(
      ([literal]) => literal.match(/[\w-]+/g) ?? [],
    ),
  ),
);
const owned = new Set(modules.flatMap(({ text }) => ownClasses(text)));
/** Whether some text of a script, or another sheet, has a class; those put together of `is-` and a word are known by the word. */
const isWritten = (name: string): boolean =>
  owned.has(name) || words.has(name) || words.has(name.replace(/^is-/, ''));

describe('the style sheets', () => {
  it('have each class of a component in one of them only, since names stay as they are written', () => {
    const seen = new Map<string, string>();
    for (const { path, text } of modules) {
      for (const name of ownClasses(text)) {
        expect(seen.get(name), `${name} in ${path}`).to.equal(undefined);
        seen.set(name, path);
      }
    }
    expect(seen.size).to.be.above(100);
  });

  it('have no class that no component uses, and a component none that they have not', () => {
    for (const { path, text } of modules) {
      const own = new Set(ownClasses(text).map(camel));
      const used = usedOf(path);
      expect(used, `who uses ${path}`).not.to.deep.equal([]);
      for (const user of used)
        for (const name of user.names) expect(own, `${user.path}: ${name}`).to.include(name);
      const names = new Set(used.flatMap((user) => user.names));
      for (const name of own) expect(names, `${path}: ${name}`).to.include(name);
    }
  });

  it('say nothing of shared classes that stand nowhere', () => {
    for (const { path, text } of sheets) {
      const shared = path.endsWith('.module.css')
        ? Array.from(text.matchAll(/:global\(([^)]*)\)/g)).flatMap(([, inner]) => classesIn(inner))
        : classesIn(selectorsOf(text));
      for (const name of shared) {
        if (!name.startsWith('ant-')) expect(isWritten(name), `${path}: .${name}`).to.equal(true);
      }
    }
  });

  it('take every colour and every name of the theme from it', () => {
    const given = new Set<string>();
    const style = { setProperty: (name: string) => given.add(name) } as unknown as CSSStyleDeclaration;
    giveTheme(style, 'light');
    const taken = new Set<string>();
    for (const { path, text } of sheets) {
      expect(text.match(/#[0-9a-f]{3,8}\b/gi) ?? [], path).to.deep.equal([]);
      for (const [, name] of text.matchAll(/var\((--[\w-]+)/g)) {
        taken.add(name);
        expect(
          given.has(name) ||
            text.includes(`${name}:`) ||
            scripts.some((each) => each.text.includes(`'${name}'`)),
          `${path}: ${name}`,
        ).to.equal(true);
      }
    }
    expect(taken.size).to.be.above(30);
  });
});
