import { expect } from 'chai';
import { largest, least } from '../../src/base/extent.ts';

describe('the largest and the least', () => {
  it('are those of however many values', () => {
    expect(largest([3, 7, 5])).to.equal(7);
    expect(least([3, 7, 5])).to.equal(3);
    const many = Float64Array.from({ length: 500_000 }, (_, i) => (i * 7919) % 500_009);
    expect(largest(many)).to.equal([...many].reduce((a, b) => Math.max(a, b)));
    expect(least(many)).to.equal(0);
  });

  it('of nothing, or of nothing beyond a bound, are the bound', () => {
    expect(largest([], 1)).to.equal(1);
    expect(largest([0.5], 1)).to.equal(1);
    expect(least([], 4)).to.equal(4);
    expect(largest([])).to.equal(-Infinity);
  });
});
