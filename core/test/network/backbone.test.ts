import { expect } from 'chai';
import fc from 'fast-check';
import { backbone, disparity, strongestOf } from '../../src/network/backbone.ts';

/** A star whose middle, 0, has strengths 8, 1, 1; and 3–4. */
const STAR = { source: [0, 0, 0, 3], target: [1, 2, 3, 4], weight: [8, 1, 1, 3] };

describe('the backbone of a network', () => {
  it('has the chance of each link’s share where it is the most surprising', () => {
    // Of the middle (8 of 10, three links): (1 − .8)²; the ends have one link. 3 has 1 and 3: (1 − ¾)¹.
    const alpha = disparity(5, STAR);
    expect(alpha[0]).to.be.closeTo(0.04, 1e-12);
    expect(alpha[1]).to.be.closeTo(0.81, 1e-12);
    expect(alpha[2]).to.be.closeTo(0.75, 1e-12);
    expect(alpha[3]).to.be.closeTo(0.25, 1e-12);
  });

  it('keeps what is surprising, and every concept’s strongest link', () => {
    expect(Array.from(backbone(5, STAR, 0.05))).to.deep.equal([1, 1, 0, 1]);
    expect(Array.from(backbone(5, STAR, 0))).to.deep.equal([1, 1, 0, 1]);
    expect(Array.from(backbone(5, STAR, 1))).to.deep.equal([1, 1, 1, 1]);
  });

  it('leaves no linked concept without a link, whatever the level', () => {
    const link = fc.record({
      a: fc.integer({ min: 0, max: 7 }),
      b: fc.integer({ min: 0, max: 7 }),
      weight: fc.integer({ min: 1, max: 20 }),
    });
    fc.assert(
      fc.property(
        fc.array(link, { maxLength: 20 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (all, level) => {
          const links = all.filter(
            ({ a, b }, i) => a < b && all.findIndex((x) => x.a === a && x.b === b) === i,
          );
          const lists = {
            source: links.map(({ a }) => a),
            target: links.map(({ b }) => b),
            weight: links.map(({ weight }) => weight),
          };
          const kept = backbone(8, lists, level);
          const ends = (only: (i: number) => boolean): Set<number> =>
            new Set(links.flatMap(({ a, b }, i) => (only(i) ? [a, b] : [])));
          expect(ends((i) => kept[i] === 1)).to.deep.equal(ends(() => true));
        },
      ),
    );
  });

  it('of the strongest n of each concept takes those that are so of either end', () => {
    expect([...strongestOf(5, STAR, 1)].sort()).to.deep.equal([0, 1, 3]);
    expect([...strongestOf(5, STAR, 2)].sort()).to.deep.equal([0, 1, 2, 3]);
  });
});
