import { expect } from 'chai';
import fc from 'fast-check';
import { tenthsOf } from '../../src/compare/course.ts';
import { distanceOf, profilesOf } from '../../src/compare/profiles.ts';
import { typicalStretches } from '../../src/compare/typical.ts';
import { buildGraph } from '../../src/network/graph.ts';
import { asking } from '../examples.ts';
import { begun } from '../views/small-study.ts';

const stretchesOf = (source: readonly number[], length = 10) => ({
  count: source.length,
  first: Int32Array.from(source, (_, w) => length * w),
  end: Int32Array.from(source, (_, w) => length * (w + 1)),
  source: Int32Array.from(source),
  overlap: 1,
});

describe('tenths of a source', () => {
  it('part its stretches evenly from beginning to end, few of them far apart', () => {
    const source = [...Array<number>(20).fill(0), 1, 2, 2];
    expect(Array.from(tenthsOf(stretchesOf(source)))).to.deep.equal([
      ...[0, 0, 1, 1, 2, 2, 3, 3, 4, 4, 5, 5, 6, 6, 7, 7, 8, 8, 9, 9],
      5,
      ...[2, 7],
    ]);
  });
});

describe('profiles of sources', () => {
  it('are shares of what a source speaks to, with its distance from its group’s mixture', () => {
    const { mixture, ofGroups, distance } = profilesOf(
      {
        windows: Int32Array.of(9, 9, 9, 9),
        speaking: Int32Array.of(2, 2, 4, 0, 0, 0, 0, 3),
        rowCount: 2,
        overlap: 1,
      },
      [0, 0, 0, 1],
      2,
    );
    expect(Array.from(mixture)).to.deep.equal([0.5, 0.5, 1, 0, 0, 0, 0, 1]);
    expect(Array.from(ofGroups)).to.deep.equal([0.75, 0.25, 0, 1]);
    expect(distance[0]).to.equal(distanceOf([0.5, 0.5], [0.75, 0.25]));
    expect(distance[2], 'speaks to nothing').to.be.NaN;
    expect(distance[3], 'is its whole group').to.equal(0);
  });

  it('are set beside all sources, where each is a group of its own', () => {
    const study = begun();
    const byRole = asking(study)('profiles', null);
    expect(byRole.groups).to.have.members(['driver', 'resident']);
    study.decide({ kind: 'setCompare', change: { columns: 'sources' } });
    const alone = asking(study)('profiles', null);
    expect(alone.groups).to.deep.equal(['all sources']);
    expect(alone.groupOf.every((group) => group === 0)).to.equal(true);
    // A source is no longer its own yardstick.
    expect(Math.max(...alone.distance)).to.be.above(0);
  });

  it('are as far apart as can be where nothing is shared, and obey the triangle', () => {
    expect(distanceOf([1, 0], [0, 1])).to.equal(1);
    expect(distanceOf([0.3, 0.7], [0.3, 0.7])).to.equal(0);
    // ½ (log2(1 / ¾)) + ¼ log2(½ / ¾) + ¼ log2(½ / ¼): worked by hand.
    expect(distanceOf([1, 0], [0.5, 0.5]) ** 2).to.be.closeTo(
      0.5 * Math.log2(4 / 3) + 0.25 * Math.log2(2 / 3) + 0.25,
      1e-12,
    );
    const mixture = fc
      .array(fc.integer({ min: 0, max: 9 }), { minLength: 3, maxLength: 3 })
      .filter((counts) => counts.some((count) => count > 0))
      .map((counts) => counts.map((count) => count / counts.reduce((a, b) => a + b)));
    fc.assert(
      fc.property(mixture, mixture, mixture, (a, b, c) => {
        expect(distanceOf(a, b)).to.be.closeTo(distanceOf(b, a), 1e-12);
        expect(distanceOf(a, c)).to.be.at.most(distanceOf(a, b) + distanceOf(b, c) + 1e-9);
      }),
    );
  });
});

describe('typical stretches', () => {
  /** Concepts 0, 1, 2 of the theme; 0–1 is the strong link. */
  const graph = buildGraph(4, [0, 1, 2], [1, 2, 3], [5, 1, 9]);
  const pick = (
    held: readonly (readonly number[])[],
    source: readonly number[],
    { limit = 9, type = Int32Array.from({ length: 10 * held.length }, (_, i) => i), only = -1 } = {},
  ): number[] => {
    const windowFirst = new Int32Array(held.length + 1);
    held.forEach((set, w) => (windowFirst[w + 1] = windowFirst[w] + set.length));
    return typicalStretches(
      {
        spoken: { windowFirst, inWindow: Int32Array.from(held.flat()) },
        stretches: stretchesOf(source),
        graph,
        inTheme: Uint8Array.of(1, 1, 1, 0),
        fewest: 2,
        isMeant: (s) => only < 0 || s === only,
        type,
      },
      limit,
    );
  };

  it('are those that realise the strongest links inside the theme, of those that speak to it', () => {
    // The strong link 2–3 is not the theme’s; {1} alone does not speak to it; {0,2} holds no link.
    expect(pick([[1, 2], [0, 1, 2], [2, 3], [1], [0, 2], [0, 1]], [0, 1, 2, 3, 4, 5])).to.deep.equal([
      1, 5, 0, 4,
    ]);
  });

  it('come from every source before any gives a second one', () => {
    const realised = [
      [0, 1, 2],
      [0, 1],
      [1, 2],
    ];
    expect(pick(realised, [0, 0, 1])).to.deep.equal([0, 2, 1]);
    expect(pick(realised, [0, 0, 1], { limit: 2 })).to.deep.equal([0, 2]);
    expect(pick(realised, [0, 0, 1], { only: 0 })).to.deep.equal([0, 1]);
  });

  it('do not say the same twice', () => {
    const type = Int32Array.from({ length: 30 }, (_, i) => (i < 20 ? i % 10 : i));
    expect(
      pick(
        [
          [0, 1],
          [0, 1],
          [1, 2],
        ],
        [0, 1, 2],
        { type },
      ),
    ).to.deep.equal([0, 2]);
  });
});
