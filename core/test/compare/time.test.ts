import { expect } from 'chai';
import { finerPeriod, PERIODS, periodOf, spanOf } from '../../src/base/periods.ts';
import { nothingChanges, risesFound } from '../../../bench/intervals.ts';
import { periodsBetween, smoothed, strengthOverTime, trendsOf } from '../../src/compare/time.ts';
import { alikenessOf, compareGroups, groupStrength } from '../../src/compare/strength.ts';

const STRENGTH = {
  windows: Int32Array.of(10, 20, 10, 5),
  speaking: Int32Array.of(1, 4, 5, 5),
  rowCount: 1,
  overlap: 1,
};
const DAYS = ['2031-01-20', '2031-01-28', '2031-04-02', undefined];

describe('strength over time', () => {
  it('is each period’s own, with gaps where nobody speaks and the undated told', () => {
    const time = strengthOverTime(STRENGTH, DAYS, { names: ['all'], groupOf: [0, 0, 0, 0] }, 'month');
    expect(time.periods).to.deep.equal(['2031-01', '2031-02', '2031-03', '2031-04']);
    expect(time.undated).to.equal(1);
    const [{ periods, mean }] = time.courses;
    expect(periods.map(({ sources }) => sources)).to.deep.equal([2, 0, 0, 1]);
    expect(periods.map(({ strengths }) => strengths.map(({ share }) => share))).to.deep.equal([
      [5 / 30],
      [],
      [],
      [0.5],
    ]);
    expect(mean[0].share).to.equal(10 / 40);
    // A period is compared as a group of its own would be.
    const { groups } = compareGroups(STRENGTH, [0, 0, -1, -1], ['x'], 1);
    expect(periods[0].strengths).to.deep.equal(groups[0].strengths);
    expect(periods.map(({ interval }) => interval)).to.deep.equal(['sources', 'others', 'others', 'others']);
  });

  it('judges a source alone by how the others differ: the more alike what each says, the wider its interval', () => {
    // Four sources of 10 stretches; what they say is all or nothing, so the stretches of one count as one.
    const apart = {
      ...STRENGTH,
      windows: Int32Array.of(10, 10, 10, 10),
      speaking: Int32Array.of(10, 0, 10, 0),
    };
    const others = alikenessOf(apart, [0, 1, 2, 3]);
    expect(others?.correlation).to.deep.equal([1]);
    const [alone] = groupStrength(apart, [0], 'x', others).strengths;
    expect(alone.effect).to.be.closeTo(10, 1e-9);
    const even = { ...apart, speaking: Int32Array.of(5, 5, 5, 5) };
    const same = alikenessOf(even, [0, 1, 2, 3]);
    expect(same?.correlation).to.deep.equal([0]);
    expect(groupStrength(even, [0], 'x', same).strengths[0].effect).to.equal(1);
    expect(alikenessOf(even, [0])).to.equal(undefined);
  });

  it('of one source each seldom seems to change where nothing does', () => {
    // By their own stretches alone 13 to 23 % of such periods miss the true share.
    const [missed, trends] = nothingChanges(12, 0.15, 60);
    expect(missed).to.be.below(7);
    expect(trends).to.be.below(10);
  });

  it('says how much a row changes over the course, by hand', () => {
    const inPeriod = [[0, 1, 2], [], [3, 4, 5]];
    const windows = new Int32Array(6).fill(10);
    const speaking = Int32Array.of(1, 2, 3, 7, 8, 9);
    const [trend] = trendsOf({ windows, speaking, rowCount: 1, overlap: 1 }, inPeriod, 1);
    // From 0.2 to 0.8. Of the 20 ways to deal six sources to two periods of three, two are as far apart.
    expect(trend.change).to.be.closeTo(0.6, 1e-9);
    expect(trend.p).to.be.closeTo(0.1, 0.03);
    expect(
      trendsOf({ windows, speaking, rowCount: 1, overlap: 1 }, [[0, 1, 2, 3, 4, 5], []], 1),
    ).to.deep.equal([]);
    expect(risesFound(12, 3, 0.03, 10)).to.be.above(2);
  });

  it('takes a longer period where there would be too many to draw', () => {
    const days = ['0202-05-01', '2031-06-01'];
    const half = { ...STRENGTH, windows: Int32Array.of(1, 1), speaking: Int32Array.of(1, 0) };
    const { period, periods } = strengthOverTime(half, days, { names: ['all'], groupOf: [0, 0] }, 'day');
    expect(period).to.equal('year');
    expect([periods[0], periods.at(-1), periods.length]).to.deep.equal(['0202', '2031', 1830]);
    const near = strengthOverTime(
      half,
      ['2031-01-01', '2031-12-01'],
      { names: ['a'], groupOf: [0, 0] },
      'day',
    );
    expect(near.period).to.equal('week');
  });

  it('has no period where nothing is dated', () => {
    const none = strengthOverTime(
      STRENGTH,
      [undefined, undefined, undefined, undefined],
      { names: ['a'], groupOf: [0, 0, 0, -1] },
      'year',
    );
    expect([none.periods, none.courses, none.undated]).to.deep.equal([[], [], 3]);
  });

  it('names every period between two days once, and the periods sort as they follow each other', () => {
    expect(periodsBetween('2031-12-30', '2032-01-02', 'day')).to.deep.equal([
      '2031-12-30',
      '2031-12-31',
      '2032-01-01',
      '2032-01-02',
    ]);
    expect(periodsBetween('2031-12-30', '2032-01-12', 'week')).to.deep.equal([
      '2032-W01',
      '2032-W02',
      '2032-W03',
    ]);
    for (const period of PERIODS) {
      const all = periodsBetween('2030-11-05', '2032-02-10', period);
      expect([...all].sort(), period).to.deep.equal(all);
      expect(new Set(all).size).to.equal(all.length);
      expect(spanOf(periodOf('2031-05-06', period))).to.equal(period);
    }
    expect(PERIODS.map(finerPeriod)).to.deep.equal(['day', 'day', 'day', 'month', 'quarter']);
  });

  it('is smoothed by its neighbours’ stretches, and gaps stay gaps', () => {
    const points = [
      { share: 0.1, windows: 10 },
      { share: 0.4, windows: 30 },
      { share: 0, windows: 0 },
      { share: 1, windows: 10 },
    ];
    expect(smoothed(points, 1)).to.deep.equal([(1 + 12) / 40, (1 + 12) / 40, Number.NaN, 1]);
    expect(smoothed(points, 0)).to.deep.equal([0.1, 0.4, Number.NaN, 1]);
  });
});
