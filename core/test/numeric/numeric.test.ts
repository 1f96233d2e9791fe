import { expect } from 'chai';
import fc from 'fast-check';
import { adjustedMutualInformation, normalisedMutualInformation } from '../../src/numeric/agreement.ts';
import { adjustForMany, fisherExact, quantile, wilsonInterval } from '../../src/numeric/chance.ts';
import { canonicalJson, hashText } from '../../src/base/hash.ts';
import { seededRandom, shuffle } from '../../src/numeric/random.ts';
import { chiSquareTail, logFactorial, logGamma } from '../../src/numeric/special.ts';

describe('chance', () => {
  it('gives the tail of χ² as in printed tables', () => {
    expect(chiSquareTail(3.841458820694124)).to.be.closeTo(0.05, 1e-10);
    expect(chiSquareTail(6.634896601021213)).to.be.closeTo(0.01, 1e-10);
    expect(chiSquareTail(0)).to.equal(1);
    expect(chiSquareTail(5.991464547107979, 2)).to.be.closeTo(0.05, 1e-10);
  });

  it('gives Fisher’s exact p of the lady tasting tea: 3 of 4 right on both sides', () => {
    // Hypergeometric: P(4) = 1/70, P(3) = 16/70, P(2) = 36/70; two-sided p of 3 is (1 + 16 + 16 + 1) / 70.
    expect(fisherExact(3, 1, 1, 3)).to.be.closeTo(34 / 70, 1e-12);
    expect(fisherExact(4, 0, 0, 4)).to.be.closeTo(2 / 70, 1e-12);
  });

  it('sums both tails of Fisher’s test in large tables as if every table were gone through', () => {
    const logs = [0];
    for (let n = 1; n <= 3000; n++) logs.push(logs[n - 1] + Math.log(n));
    const enumerated = (a: number, b: number, c: number, d: number): number => {
      const [row, column, total] = [a + b, a + c, a + b + c + d];
      const constant = logs[row] + logs[c + d] + logs[column] + logs[b + d] - logs[total];
      const chance = (x: number): number =>
        constant - logs[x] - logs[row - x] - logs[column - x] - logs[total - row - column + x];
      let sum = 0;
      for (let x = Math.max(0, row + column - total); x <= Math.min(row, column); x++)
        if (chance(x) <= chance(a) + 1e-7) sum += Math.exp(chance(x));
      return Math.min(1, sum);
    };
    const cell = fc.integer({ min: 0, max: 700 });
    fc.assert(
      fc.property(cell, cell, cell, cell, (a, b, c, d) => {
        const expected = enumerated(a, b, c, d);
        expect(fisherExact(a, b, c, d)).to.be.closeTo(expected, 1e-9 * Math.max(expected, 1e-30));
      }),
      { numRuns: 300 },
    );
  });

  it('agrees with Fisher by enumeration on random tables', () => {
    const choose = (n: number, k: number): number =>
      Math.exp(logFactorial(n) - logFactorial(k) - logFactorial(n - k));
    fc.assert(
      fc.property(fc.nat(12), fc.nat(12), fc.nat(12), fc.nat(12), (a, b, c, d) => {
        const chances: number[] = [];
        for (let x = 0; x <= a + b; x++) {
          if (a + c - x < 0 || a + c - x > c + d) continue;
          chances.push((choose(a + b, x) * choose(c + d, a + c - x)) / choose(a + b + c + d, a + c));
        }
        const own = (choose(a + b, a) * choose(c + d, c)) / choose(a + b + c + d, a + c);
        const expected = chances.filter((chance) => chance <= own * (1 + 1e-6)).reduce((x, y) => x + y, 0);
        expect(fisherExact(a, b, c, d)).to.be.closeTo(Math.min(1, expected), 1e-9);
      }),
    );
  });

  it('adjusts p values by hand: Benjamini and Hochberg', () => {
    // Sorted 0.01, 0.02, 0.03, 0.5 of 4: 0.04, 0.04, 0.04, 0.5.
    expect([...adjustForMany([0.03, 0.5, 0.01, 0.02])].map((q) => Number(q.toFixed(10)))).to.deep.equal([
      0.04, 0.5, 0.04, 0.04,
    ]);
    expect(adjustForMany([0.01], 10)[0]).to.be.closeTo(0.1, 1e-12);
  });

  it('gives Wilson’s interval as published (Newcombe 1998: 81 of 263)', () => {
    for (let trials = 1; trials < 400; trials++) {
      expect(wilsonInterval(0, trials)[0], `none of ${trials}`).to.equal(0);
      expect(wilsonInterval(trials, trials)[1], `all of ${trials}`).to.equal(1);
    }
    const [low, high] = wilsonInterval(81, 263);
    expect(low).to.be.closeTo(0.2553, 5e-5);
    expect(high).to.be.closeTo(0.3662, 5e-5);
    expect(wilsonInterval(0, 0)).to.deep.equal([0, 1]);
  });

  it('interpolates quantiles', () => {
    expect(quantile([1, 2, 3, 4], 0.5)).to.equal(2.5);
    expect(quantile([5], 0.9)).to.equal(5);
  });
});

describe('special functions', () => {
  it('knows factorials', () => {
    expect(Math.exp(logFactorial(10))).to.be.closeTo(3628800, 1e-4);
    expect(logGamma(11)).to.be.closeTo(logFactorial(10), 1e-10);
    expect(logGamma(0.5)).to.be.closeTo(Math.log(Math.sqrt(Math.PI)), 1e-12);
  });
});

describe('agreement of groupings', () => {
  it('is 1 for the same grouping under other names', () => {
    expect(adjustedMutualInformation([0, 0, 1, 1, 2], [7, 7, 3, 3, 1])).to.equal(1);
    expect(normalisedMutualInformation([0, 0, 1, 1], [1, 1, 0, 0])).to.be.closeTo(1, 1e-12);
  });

  it('has the value worked by hand for six things', () => {
    // a = 000111, b = 001122: MI = ⅓ ln 2 · 2 = 0.4621, H(a) = ln 2, H(b) = ln 3;
    // with row sums 3, 3 and column sums 2, 2, 2 each cell is 0, 1, 2 with chance 1/5, 3/5, 1/5: EMI = 6 · (1/5 · 1/3 · ln 2).
    const mutual = (2 / 3) * Math.log(2);
    const expected = 6 * (1 / 5) * (1 / 3) * Math.log(2);
    const mean = (Math.log(2) + Math.log(3)) / 2;
    expect(adjustedMutualInformation([0, 0, 0, 1, 1, 1], [0, 0, 1, 1, 2, 2])).to.be.closeTo(
      (mutual - expected) / (mean - expected),
      1e-10,
    );
  });

  it('is about 0 for groupings that have nothing to do with each other', () => {
    const random = seededRandom(5);
    let sum = 0;
    for (let i = 0; i < 40; i++) {
      const a = Array.from({ length: 60 }, () => Math.floor(random() * 5));
      const b = Array.from({ length: 60 }, () => Math.floor(random() * 5));
      sum += adjustedMutualInformation(a, b);
    }
    expect(sum / 40).to.be.closeTo(0, 0.02);
  });
});

describe('seeded numbers', () => {
  it('are the same for a seed and differ by stream', () => {
    const draw = (seed: number, stream: number): number[] => {
      const random = seededRandom(seed, stream);
      return [random(), random(), random()];
    };
    expect(draw(1, 0)).to.deep.equal(draw(1, 0));
    expect(draw(1, 0)).not.to.deep.equal(draw(1, 1));
    expect(draw(1, 0)).not.to.deep.equal(draw(2, 0));
  });

  it('are even: 10 bins of 100 000 draws', () => {
    const random = seededRandom(3);
    const bins = new Array<number>(10).fill(0);
    for (let i = 0; i < 100_000; i++) bins[Math.floor(random() * 10)]++;
    const chi = bins.reduce((sum, count) => sum + (count - 10_000) ** 2 / 10_000, 0);
    expect(chiSquareTail(chi, 9)).to.be.above(0.001);
  });

  it('shuffle without loss', () => {
    const shuffled = shuffle([1, 2, 3, 4, 5, 6, 7, 8], seededRandom(1));
    expect([...shuffled].sort()).to.deep.equal([1, 2, 3, 4, 5, 6, 7, 8]);
    expect(shuffled).not.to.deep.equal([1, 2, 3, 4, 5, 6, 7, 8]);
  });
});

describe('hashes', () => {
  it('do not depend on the order of keys, and do on all else', () => {
    expect(canonicalJson({ b: 1, a: [2, { d: 1, c: 2 }] })).to.equal('{"a":[2,{"c":2,"d":1}],"b":1}');
    fc.assert(fc.property(fc.string(), fc.string(), (a, b) => (a === b) === (hashText(a) === hashText(b))));
  });
});
