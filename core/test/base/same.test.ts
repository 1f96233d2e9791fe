import { expect } from 'chai';
import fc from 'fast-check';
import { holdsTheSame } from '../../src/base/same.ts';

describe('whether two results hold the same', () => {
  it('is seen through lists, typed arrays and records', () => {
    const made = (last: number) => ({
      keys: ['bus', 'rain'],
      counts: Int32Array.of(3, last),
      by: { night: [Float64Array.of(0.5, NaN)] },
    });
    expect(holdsTheSame(made(4), made(4))).to.equal(true);
    expect(holdsTheSame(made(4), made(5))).to.equal(false);
    expect(holdsTheSame(Int32Array.of(1), Float64Array.of(1))).to.equal(false);
    expect(holdsTheSame({ a: undefined }, { b: undefined })).to.equal(false);
    expect(holdsTheSame([], {})).to.equal(false);
    expect(holdsTheSame(null, {})).to.equal(false);
  });

  it('goes by what is written, for any values', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (a, b) => {
        expect(holdsTheSame(a, structuredClone(a))).to.equal(true);
        if (holdsTheSame(a, b)) expect(b).to.deep.equal(a);
      }),
    );
  });
});
