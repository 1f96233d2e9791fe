import { expect } from 'chai';
import { makeSource } from '@green-thicket/core/intake/sources';
import { decide } from '@green-thicket/core/study/decisions';
import { EMPTY_STUDY, type StudyState } from '@green-thicket/core/study/study';
import { boxOf, pasted, valuesOfBox } from '../src/stops/sources/grid-range.ts';
import { orderedRows } from '../src/stops/sources/row-order.ts';

const sources = [
  makeSource('b.txt', '1', { role: 'nurse', age: '9', met: '4/6/2031' }),
  makeSource('a.txt', '2', { role: 'driver', age: '30', met: '2031-05-01' }),
  makeSource('c.txt', '3', { role: '', age: 'old' }),
];
const [b, a, c] = sources;
const attributes = ['role', 'age', 'met'];
const at = (row: number, column: number) => ({ row, column });

describe('the grid of sources', () => {
  it('knows the box between two cells, whichever comes first', () => {
    expect(boxOf({ anchor: at(2, 1), active: at(0, 2) })).to.deep.equal({
      top: 0,
      bottom: 2,
      left: 1,
      right: 2,
    });
  });

  it('sets only what changes', () => {
    const box = { top: 0, bottom: 2, left: 0, right: 1 };
    expect(
      valuesOfBox(box, sources, attributes, (_, column) => (column === 0 ? ' nurse ' : '30')),
    ).to.deep.equal({
      role: { [a.id]: 'nurse', [c.id]: 'nurse' },
      age: { [b.id]: '30', [c.id]: '30' },
    });
    expect(valuesOfBox({ ...box, bottom: 0, right: 0 }, sources, attributes, () => 'nurse')).to.deep.equal(
      {},
    );
  });

  it('pastes a piece of a spreadsheet from the first cell on, and counts what falls beyond', () => {
    const range = { anchor: at(1, 1), active: at(1, 1) };
    const { values, beyond } = pasted(
      '41\t2031-01-01\tx\n42\t2031-01-02\ty\n43\t\tz\n',
      range,
      sources,
      attributes,
    );
    expect(values).to.deep.equal({
      age: { [a.id]: '41', [c.id]: '42' },
      met: { [a.id]: '2031-01-01', [c.id]: '2031-01-02' },
    });
    expect(beyond).to.equal(5);
  });

  it('fills the whole range with a single value', () => {
    const range = { anchor: at(0, 0), active: at(2, 0) };
    expect(pasted('baker', range, sources, attributes)).to.deep.equal({
      values: { role: { [b.id]: 'baker', [a.id]: 'baker', [c.id]: 'baker' } },
      beyond: 0,
    });
  });
});

describe('the rows of the grid', () => {
  const state: StudyState = decide(EMPTY_STUDY, {
    kind: 'addSources',
    sources,
    types: { age: 'number', met: 'date' },
  });
  const words = new Map([
    [b.id, 10],
    [a.id, 30],
    [c.id, 20],
  ]);
  const names = (...args: Parameters<typeof orderedRows>): string =>
    orderedRows(...args)
      .map(({ name }) => name[0])
      .join('');

  it('are ordered by name, words, numbers and dates, up or down; what has no value comes last', () => {
    expect(names(state, words, '', undefined)).to.equal('bac');
    expect(names(state, words, '', { by: 'name', falling: false })).to.equal('abc');
    expect(names(state, words, '', { by: 'words', falling: true })).to.equal('acb');
    expect(names(state, words, '', { by: { attribute: 'age' }, falling: false })).to.equal('bac');
    expect(names(state, words, '', { by: { attribute: 'age' }, falling: true })).to.equal('abc');
    expect(names(state, words, '', { by: { attribute: 'met' }, falling: false })).to.equal('abc');
    expect(names(state, undefined, '', { by: 'words', falling: false })).to.equal('bac');
  });

  it('are found by their name or any value', () => {
    expect(names(state, words, ' NURSE ', undefined)).to.equal('b');
    expect(names(state, words, 'c.t', undefined)).to.equal('c');
    expect(names(state, words, 'zebra', undefined)).to.equal('');
  });
});
