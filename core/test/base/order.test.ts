import { expect } from 'chai';
import fc from 'fast-check';
import { firstAtLeast, median, ranked } from '../../src/base/order.ts';
import { taken } from '../../src/base/taken.ts';

describe('order', () => {
  const score = fc.oneof(fc.integer({ min: -3, max: 3 }), fc.double({ noNaN: true }), fc.constant(-0));
  // Long lists are sorted in another way than short ones.
  const scoresOf = (minLength: number, maxLength: number): fc.Arbitrary<number[]> =>
    fc.array(score, { minLength, maxLength, size: 'max' });

  it('is that of falling scores, those that are equal as they stood, as by comparing each with each', () => {
    fc.assert(
      fc.property(fc.oneof(scoresOf(0, 60), scoresOf(201, 400)), (scores) => {
        const compared = scores
          .map((_, i) => i)
          .sort((a, b) => {
            if (scores[a] === scores[b]) return a - b;
            return scores[a] > scores[b] ? -1 : 1;
          });
        expect(ranked(scores.length, (i) => scores[i])).to.deep.equal(compared);
      }),
    );
  });

  it('has infinite scores at its ends', () => {
    const scores = [0, -Infinity, Infinity, 5, Infinity];
    expect(ranked(5, (i) => scores[i])).to.deep.equal([2, 4, 3, 0, 1]);
    expect(ranked(0, () => 1)).to.deep.equal([]);
  });

  it('is searched for the first place that is no less, as by going through it', () => {
    fc.assert(
      fc.property(fc.array(score, { maxLength: 40 }), score, (values, value) => {
        const sorted = Float64Array.from(values).sort();
        const at = sorted.findIndex((each) => each >= value);
        expect(firstAtLeast(sorted, value)).to.equal(at < 0 ? sorted.length : at);
      }),
    );
  });

  it('has the lower of two values in its middle', () => {
    expect(median([4, 1, 3, 2])).to.equal(2);
    expect(median([9, 1, 5])).to.equal(5);
    expect(median([])).to.equal(0);
  });
});

describe('values taken from a list', () => {
  it('are those at the places, in a list of the same kind, and as often as they are named', () => {
    expect(taken(Float64Array.of(0.5, 1.5, 2.5), [2, 0, 2])).to.deep.equal(Float64Array.of(2.5, 0.5, 2.5));
    expect(taken(Int32Array.of(7, -8), Int32Array.of(1))).to.deep.equal(Int32Array.of(-8));
    expect(taken(Uint8Array.of(1, 0), [])).to.deep.equal(new Uint8Array(0));
  });
});
