import { expect } from 'chai';
import fc from 'fast-check';
import {
  incompleteBeta,
  lowerGamma,
  normalOf,
  studentQuantile,
  studentTail,
  upperGamma,
} from '../../src/numeric/special.ts';

describe('the tails of distributions', () => {
  it('of Poisson counts are sums of their chances', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.double({ min: 0.01, max: 40, noNaN: true }),
        (count, mean) => {
          let [term, below] = [Math.exp(-mean), 0];
          for (let k = 0; k < count; k++) {
            below += term;
            term *= mean / (k + 1);
          }
          expect(lowerGamma(count, mean)).to.be.closeTo(1 - below, 1e-9);
          expect(lowerGamma(count, mean) + upperGamma(count, mean)).to.be.closeTo(1, 1e-12);
        },
      ),
    );
    // Exact where it is small: the chance of 20 or more of mean 1.
    expect(lowerGamma(20, 1) / 1.5875e-19).to.be.closeTo(1, 0.01);
  });

  it('of Student’s t are those of the tables', () => {
    const table = [
      [1, 12.706],
      [2, 4.303],
      [5, 2.571],
      [10, 2.228],
      [30, 2.042],
    ] as const;
    for (const [degrees, t] of table) {
      expect(studentTail(t, degrees)).to.be.closeTo(0.05, 1e-4);
      expect(studentQuantile(0.05, degrees)).to.be.closeTo(t, 1e-3);
    }
    expect(studentTail(0, 7)).to.equal(1);
    expect(studentQuantile(0.05, 1e6)).to.be.closeTo(1.96, 1e-3);
  });

  it('of the beta function are sums of binomial chances', () => {
    // P(at least 3 of 10 at 0.2) = I_0.2(3, 8).
    expect(incompleteBeta(3, 8, 0.2)).to.be.closeTo(0.3222, 1e-4);
    expect([incompleteBeta(2, 3, 0), incompleteBeta(2, 3, 1)]).to.deep.equal([0, 1]);
  });

  it('of a normal variable give its z back', () => {
    expect(normalOf(0.05)).to.be.closeTo(1.959964, 1e-5);
    expect(normalOf(0.0455002638963584)).to.be.closeTo(2, 1e-6);
    expect(normalOf(1)).to.equal(0);
    expect(normalOf(1e-12)).to.be.closeTo(7.13, 0.01);
  });
});
