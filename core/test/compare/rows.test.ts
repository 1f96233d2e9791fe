import { expect } from 'chai';
import fc from 'fast-check';
import { byMentions, bySources, measureRows, strengthOfRows, type Row } from '../../src/compare/rows.ts';

/** Five stretches of two sources: {0,1} {0} {2,3} {} {1,2}; the first three of source 0. */
const SPOKEN = { windowFirst: Int32Array.of(0, 2, 3, 5, 5, 7), inWindow: Int32Array.of(0, 1, 0, 2, 3, 1, 2) };
const STRETCHES = {
  count: 5,
  first: Int32Array.of(0, 10, 20, 30, 40),
  end: Int32Array.of(10, 20, 30, 40, 50),
  source: Int32Array.of(0, 0, 0, 1, 1),
  overlap: 1,
};
const COUNTED = { spoken: SPOKEN, stretches: STRETCHES, sources: 2 };
const ROWS: readonly Row[] = [
  { concepts: [0, 1], fewest: 2 },
  { concepts: [2], fewest: 1 },
  { concepts: [1, 2], fewest: 2 },
];

describe('rows of a comparison', () => {
  it('are spoken to by stretches that hold enough of their concepts', () => {
    const { windows, speaking } = strengthOfRows(COUNTED, ROWS);
    expect(Array.from(windows)).to.deep.equal([3, 2]);
    expect(Array.from(speaking)).to.deep.equal([1, 1, 0, 0, 1, 1]);
  });

  it('are counted by sources that speak to them anywhere', () => {
    const { windows, speaking } = bySources(strengthOfRows(COUNTED, ROWS));
    expect(Array.from(windows)).to.deep.equal([1, 1]);
    expect(Array.from(speaking)).to.deep.equal([1, 1, 0, 0, 1, 1]);
  });

  it('are counted by mentions among those of all concepts, wherever in the source', () => {
    const mentions = {
      occurrence: Int32Array.of(0, 1, 0, 0, 3, 2, 1),
      occurrenceFirst: Int32Array.of(1, 4, 12, 15, 22, 41, 44),
    };
    const { windows, speaking } = byMentions(COUNTED, ROWS.slice(0, 2), mentions);
    expect(Array.from(windows)).to.deep.equal([5, 2]);
    expect(Array.from(speaking)).to.deep.equal([4, 0, 1, 1]);
    const counting = (of: 'themes' | 'links') =>
      Array.from(measureRows(COUNTED, [ROWS[2]], { of, measure: 'mentions' }, () => mentions).windows);
    expect(counting('links'), 'a link has no mentions of its own').to.deep.equal([3, 2]);
    expect(counting('themes'), 'a theme of two concepts is no link').to.deep.equal([5, 2]);
  });

  it('are what a look at every stretch and row counts, for any rows', () => {
    const sets = fc.array(fc.uniqueArray(fc.integer({ min: 0, max: 5 }), { maxLength: 6 }), {
      maxLength: 12,
    });
    const rows = fc.array(
      fc.record({
        concepts: fc.uniqueArray(fc.integer({ min: 0, max: 5 }), { minLength: 1, maxLength: 4 }),
        fewest: fc.integer({ min: 1, max: 3 }),
      }),
      { maxLength: 5 },
    );
    fc.assert(
      fc.property(sets, rows, (stretches, asked) => {
        const windowFirst = new Int32Array(stretches.length + 1);
        stretches.forEach((set, w) => (windowFirst[w + 1] = windowFirst[w] + set.length));
        const source = Int32Array.from(stretches, (_, w) => Math.floor(w / 3));
        const { speaking } = strengthOfRows(
          {
            spoken: { windowFirst, inWindow: Int32Array.from(stretches.flat()) },
            stretches: { count: stretches.length, first: source, end: source, source, overlap: 1 },
            sources: 4,
          },
          asked,
        );
        asked.forEach(({ concepts, fewest }, row) => {
          for (let s = 0; s < 4; s++) {
            const by = stretches.filter(
              (set, w) => source[w] === s && set.filter((each) => concepts.includes(each)).length >= fewest,
            );
            expect(speaking[s * asked.length + row]).to.equal(by.length);
          }
        });
      }),
    );
  });
});
