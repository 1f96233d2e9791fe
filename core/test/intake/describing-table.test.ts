import { expect } from 'chai';
import { describeSources, namingColumn } from '../../src/intake/describing-table.ts';
import { makeSource } from '../../src/intake/sources.ts';

const sheet = (...rows: string[][]) => ({ name: 'table', rows });

describe('a table that describes sources', () => {
  const a = makeSource('wave 1/Anna.txt', 'x');
  const b = makeSource('bela.docx', 'y');
  const c = makeSource('chris.txt', 'z');

  it('is known by a column that names them, with or without folder and ending', () => {
    const names = [a, b, c].map(({ name }) => name);
    expect(namingColumn(sheet(['n', 'who'], ['1', 'anna'], ['2', 'bela.docx'], ['3', 'x']), names)).to.equal(
      1,
    );
    expect(namingColumn(sheet(['who'], ['anna'], ['dora'], ['x']), names)).to.equal(undefined);
    expect(namingColumn(sheet(['who', 'said'], ['anna', 'so'], ['anna', 'yes']), names)).to.equal(undefined);
    expect(namingColumn(sheet(['who'], ['anna']), [])).to.equal(undefined);
  });

  it('gives values with their types, and says what fits none', () => {
    const { values, types, unmatched, without } = describeSources(
      sheet(
        ['file', 'role', 'age', ''],
        ['anna', 'driver', '41', ''],
        ['BELA', '', '37', 'x'],
        ['eve', 'nurse', '2', ''],
      ),
      0,
      [a, b, c],
    );
    expect(values).to.deep.equal({
      role: { [a.id]: 'driver' },
      age: { [a.id]: '41', [b.id]: '37' },
      'column 4': { [b.id]: 'x' },
    });
    expect(types).to.deep.equal({ role: 'text', age: 'number', 'column 4': 'text' });
    expect(unmatched).to.deep.equal(['eve']);
    expect(without).to.deep.equal(['chris.txt']);
  });

  it('is nothing without an attribute', () => {
    expect(() => describeSources(sheet(['file'], ['anna']), 0, [a])).to.throw(/at least one attribute/);
  });
});
