import { expect } from 'chai';
import { strengthOfRows } from '../../src/compare/rows.ts';
import { compareGroups } from '../../src/compare/strength.ts';
import type { SourceStrength } from '../../src/compare/source-strength.ts';
import { seededRandom } from '../../src/numeric/random.ts';
import { studentQuantile } from '../../src/numeric/special.ts';
import { wilsonInterval } from '../../src/numeric/chance.ts';
import { noncentralityFound } from '../../src/compare/power.ts';
import { unevenCoverage } from '../../../bench/intervals.ts';
import { findableOf, powerOf } from './simulated-studies.ts';

const bySource = (rows: readonly (readonly number[])[]): SourceStrength => ({
  windows: Int32Array.from(rows, ([windows]) => windows),
  speaking: Int32Array.from(rows.flatMap(([, ...speaking]) => speaking)),
  rowCount: (rows[0]?.length ?? 2) - 1,
  overlap: 1,
});

describe('strength', () => {
  it('is the share of a group’s windows that speak to a theme', () => {
    // Windows {0,1}, {0}, {2,3}, {}; theme 0 = concepts 0 and 1, theme 1 = 2 and 3; two concepts make a window speak.
    const counts = {
      windowFirst: Int32Array.of(0, 2, 3, 5, 5),
      inWindow: Int32Array.of(0, 1, 0, 2, 3),
      windowsWith: new Int32Array(4),
      together: new Int32Array(16),
    };
    const windows = {
      count: 4,
      first: new Int32Array(4),
      end: new Int32Array(4),
      source: Int32Array.of(0, 0, 1, 1),
      overlap: 1,
    };
    const strength = strengthOfRows({ spoken: counts, stretches: windows, sources: 2 }, [
      { concepts: [0, 1], fewest: 2 },
      { concepts: [2, 3], fewest: 2 },
    ]);
    expect(Array.from(strength.windows)).to.deep.equal([2, 2]);
    expect(Array.from(strength.speaking)).to.deep.equal([1, 0, 0, 1]);
    const { groups, overall } = compareGroups(strength, Int32Array.of(0, 1), ['before', 'after'], 1);
    expect(groups.map((group) => group.strengths.map((each) => each.share))).to.deep.equal([
      [0.5, 0],
      [0, 0.5],
    ]);
    expect(overall).to.deep.equal([0.25, 0.25]);
  });

  it('has Wilson’s interval over windows less their overlap where a group is one source, and says so', () => {
    const one = {
      ...bySource([
        [30, 12],
        [10, 1],
        [10, 2],
      ]),
      overlap: 3,
    };
    const { groups } = compareGroups(one, Int32Array.of(0, 1, 1), ['one', 'two'], 1);
    expect(groups.map((group) => group.interval)).to.deep.equal(['windows', 'sources']);
    expect([groups[0].strengths[0].low, groups[0].strengths[0].high]).to.deep.equal(wilsonInterval(4, 10));
  });

  it('has an interval as wide as the sources differ', () => {
    const alike = compareGroups(
      bySource(Array.from({ length: 12 }, () => [20, 5])),
      new Int32Array(12),
      ['all'],
      1,
    );
    const unlike = compareGroups(
      bySource(Array.from({ length: 12 }, (_, i) => [20, i % 2 ? 0 : 10])),
      new Int32Array(12),
      ['all'],
      1,
    );
    // Never of no width: that all twelve are alike may be chance.
    const [same] = alike.groups[0].strengths;
    expect(same.share).to.equal(0.25);
    expect([same.low, same.high]).to.deep.equal(wilsonInterval(60, 240, studentQuantile(0.05, 11)));
    const { low, high } = unlike.groups[0].strengths[0];
    // Twelve sources of 0 or 0.5: standard error 0.25 / √12 = 0.072, so about 0.25 ± 0.14.
    expect(low).to.be.closeTo(0.25 - 0.14, 0.03);
    expect(high).to.be.closeTo(0.25 + 0.17, 0.04);
  });

  it('holds the true share of themes that few sources carry, and where long sources say more', () => {
    for (const longSayMore of [false, true]) {
      const [even, uneven] = unevenCoverage(8, { isSkewed: longSayMore, longSayMore }, 100);
      expect(even, 'that all speak to').to.be.at.least(92);
      // Drawn towards the others, as it was, it is 87.
      expect(uneven, 'that few carry').to.be.at.least(90);
    }
  });

  it('holds the true share nearly always, however few the sources', () => {
    const random = seededRandom(11);
    const themes = [0.05, 0.15, 0.4, 0.1];
    for (const sources of [3, 6, 12]) {
      let [held, all] = [0, 0];
      for (let study = 0; study < 300; study++) {
        const made = Array.from({ length: sources }, () => {
          const windows = 20 + Math.floor(60 * random());
          // A source’s own share is up to twice or down to none of the true one.
          const speaking = themes.map((share) => {
            const own = share * 2 * random();
            return Array.from({ length: windows }).filter(() => random() < own).length;
          });
          return [windows, ...speaking];
        });
        const { groups } = compareGroups(bySource(made), new Int32Array(sources), ['all'], 1);
        groups[0].strengths.forEach(({ low, high }, t) => {
          all++;
          if (low <= themes[t] && themes[t] <= high) held++;
        });
      }
      expect(held / all, `${sources} sources`).to.be.within(0.92, 0.995);
    }
  });
});

describe('difference of groups', () => {
  it('says when no difference could be told from chance, and what would have been found', () => {
    const even = (sources: number) => bySource(Array.from({ length: sources }, (_, i) => [20, i % 5]));
    const few = compareGroups(even(6), Int32Array.of(0, 0, 0, 1, 1, 1), ['a', 'b'], 1);
    // 20 arrangements, of which each is met twice with the names changed.
    expect(few.smallestP).to.be.closeTo(0.1, 1e-12);
    expect(few.findable[0]).to.equal(undefined);
    const some = compareGroups(
      even(12),
      Int32Array.from({ length: 12 }, (_, i) => i % 2),
      ['a', 'b'],
      1,
    );
    expect(some.findable[0]).to.be.within(0.01, 1);
    const more = compareGroups(
      even(40),
      Int32Array.from({ length: 40 }, (_, i) => i % 2),
      ['a', 'b'],
      1,
    );
    expect(more.smallestP).to.equal(0.001);
    expect(more.findable[0]).to.be.below(some.findable[0] ?? 0);
    const alone = compareGroups(even(4), new Int32Array(4), ['a'], 1);
    expect([alone.smallestP, alone.findable[0]]).to.deep.equal([1, undefined]);
  });

  it('is tested over all arrangements where these are few, by hand', () => {
    // Sources 10, 9 against 1, 0 of 10 windows: of 6 arrangements this and its mirror are the most unlike.
    const { p, exact } = compareGroups(
      bySource([
        [10, 10],
        [10, 9],
        [10, 1],
        [10, 0],
      ]),
      Int32Array.of(0, 0, 1, 1),
      ['a', 'b'],
      1,
    );
    expect(exact).to.equal(true);
    expect(p[0]).to.be.closeTo(2 / 6, 1e-12);
  });

  it('is sampled where they are many, and finds a true one', () => {
    const rows = Array.from({ length: 24 }, (_, i): [number, number] => [
      20,
      i < 12 ? 10 + (i % 3) : 2 + (i % 3),
    ]);
    const groupOf = Int32Array.from(rows, (_, i) => (i < 12 ? 0 : 1));
    const { p, exact, range } = compareGroups(bySource(rows), groupOf, ['a', 'b'], 1);
    expect(exact).to.equal(false);
    expect(p[0]).to.be.closeTo(1 / 1000, 1e-12);
    expect(range[0]).to.be.closeTo(0.4, 1e-12);
  });

  it('is nothing with one group or none', () => {
    expect(
      Array.from(
        compareGroups(
          bySource([
            [10, 1],
            [10, 2],
          ]),
          Int32Array.of(0, 0),
          ['a'],
          1,
        ).p,
      ),
    ).to.deep.equal([1]);
    expect(compareGroups(bySource([[10, 1]]), Int32Array.of(-1), [], 1).groups).to.deep.equal([]);
  });

  it('is the same for the same seed', () => {
    const rows = Array.from({ length: 30 }, (_, i): [number, number] => [20, (i * 7) % 11]);
    const groupOf = Int32Array.from(rows, (_, i) => i % 3);
    const once = compareGroups(bySource(rows), groupOf, ['a', 'b', 'c'], 4);
    expect(compareGroups(bySource(rows), groupOf, ['a', 'b', 'c'], 4)).to.deep.equal(once);
  });
});

describe('what difference would have been found', () => {
  it('is that of the normal formula for many sources and one row, and more for few and many', () => {
    expect(noncentralityFound(0.05, 2, 1000)).to.be.closeTo(2.8016 ** 2, 0.25);
    expect(noncentralityFound(0.05, 2, 12)).to.be.above(noncentralityFound(0.05, 2, 24));
    expect(noncentralityFound(0.05 / 8, 2, 24)).to.be.above(1.5 * noncentralityFound(0.05, 2, 24));
    expect(noncentralityFound(0.05, 3, 24)).to.be.above(noncentralityFound(0.05, 2, 24));
    expect(noncentralityFound(0.05, 2, 2)).to.equal(Infinity);
  });

  it('is found about four times of five by the test that is shown, and none of four and four sources', () => {
    expect(findableOf(4, 3)).to.equal(undefined);
    const difference = findableOf(12, 3);
    expect(difference).to.be.within(0.08, 0.3);
    expect(powerOf(12, difference ?? 0, 60)).to.be.within(0.62, 0.95);
  });
});
