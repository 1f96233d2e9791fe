import { expect } from 'chai';
import fc from 'fast-check';
import { smallestChance, testDifferences } from '../../src/compare/regroupings.ts';
import type { SourceStrength } from '../../src/compare/source-strength.ts';

/** Small counts of a few sources in two or three groups. */
const few = fc
  .record({
    sources: fc.integer({ min: 4, max: 7 }),
    rows: fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 1, maxLength: 3 }),
    groups: fc.integer({ min: 2, max: 3 }),
    drawn: fc.array(fc.nat(9), { minLength: 100, maxLength: 100 }),
  })
  .map(({ sources, rows, groups, drawn }) => {
    let at = 0;
    const next = (): number => drawn[at++ % drawn.length];
    const counts = rows.map((rowCount): SourceStrength => {
      const windows = Int32Array.from({ length: sources }, () => 1 + next());
      return {
        windows,
        speaking: Int32Array.from({ length: sources * rowCount }, (_, i) =>
          Math.min(windows[Math.floor(i / rowCount)], next()),
        ),
        rowCount,
        overlap: 1,
      };
    });
    // Every group has someone.
    const groupOf = Array.from({ length: sources }, (_, s) => (s < groups ? s : next() % groups));
    const members = Array.from({ length: groups }, (_, g) =>
      groupOf.flatMap((each, s) => (each === g ? [s] : [])),
    );
    return { counts, members };
  });

/** Every way to deal the sources to groups of these sizes: the group of each. */
function deals(sources: number, sizes: readonly number[]): number[][] {
  if (sources === 0) return [[]];
  return sizes.flatMap((size, g) =>
    size === 0
      ? []
      : deals(
          sources - 1,
          sizes.map((each, i) => (i === g ? each - 1 : each)),
        ).map((rest) => [...rest, g]),
  );
}

/** Windows × (share − share of all)², over groups, as the definition has it. */
function unlikeness(
  { windows, speaking, rowCount }: SourceStrength,
  groupOf: readonly number[],
  row: number,
): number {
  const sum = (of: (source: number) => number, group?: number): number =>
    groupOf.reduce((all, g, s) => (group === undefined || g === group ? all + of(s) : all), 0);
  const spoken = (s: number): number => speaking[s * rowCount + row];
  const mean = sum(spoken) / sum((s) => windows[s]);
  return [...new Set(groupOf)].reduce((all, g) => {
    const own = sum((s) => windows[s], g);
    return all + own * (sum(spoken, g) / own - mean) ** 2;
  }, 0);
}

describe('regroupings of sources', () => {
  it('give each row the share of arrangements at least as unlike, as counted one by one', () => {
    fc.assert(
      fc.property(few, ({ counts, members }) => {
        const sizes = members.map(({ length }) => length);
        const observed: number[] = [];
        members.forEach((own, g) => own.forEach((s) => (observed[s] = g)));
        const all = deals(observed.length, sizes);
        const found = testDifferences(counts, members, 1);
        counts.forEach((of, c) => {
          expect(found[c].exact).to.equal(true);
          for (let row = 0; row < of.rowCount; row++) {
            const met = unlikeness(of, observed, row);
            const asExtreme = all.filter((groupOf) => unlikeness(of, groupOf, row) >= met * (1 - 1e-9));
            expect(found[c].p[row]).to.be.closeTo(asExtreme.length / all.length, 1e-12);
          }
        });
      }),
      { numRuns: 60 },
    );
  });

  it('of several counts at once are those of each by itself, sampled too', () => {
    const sources = 40;
    const counts = [2, 3].map((rowCount): SourceStrength => ({
      windows: Int32Array.from({ length: sources }, (_, s) => 3 + (s % 5)),
      speaking: Int32Array.from({ length: sources * rowCount }, (_, i) => (i * rowCount) % 4),
      rowCount,
      overlap: 1,
    }));
    const members = [0, 1, 2].map((g) =>
      Array.from({ length: sources }, (_, s) => s).filter((s) => s % 3 === g),
    );
    const together = testDifferences(counts, members, 7);
    expect(together.map(({ exact }) => exact)).to.deep.equal([false, false]);
    counts.forEach((of, c) => {
      expect(testDifferences([of], members, 7)[0].p).to.deep.equal(together[c].p);
    });
  });

  it('have a smallest chance: that of the groups as they are and what only their names tell apart', () => {
    // 20 ways to part six into three and three, of which two are the same but for the names.
    expect(smallestChance([3, 3])).to.equal(0.1);
    expect(smallestChance([2, 3])).to.equal(0.1);
    expect(smallestChance([5])).to.equal(1);
    expect(smallestChance([1, 1, 1])).to.equal(1);
    expect(smallestChance([30, 30])).to.equal(1 / 1000);
  });
});
