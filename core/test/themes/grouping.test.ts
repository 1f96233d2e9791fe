import { expect } from 'chai';
import fc from 'fast-check';
import { buildGraph, connectedParts, type Graph } from '../../src/network/graph.ts';
import { normalisedMutualInformation } from '../../src/numeric/agreement.ts';
import { seededRandom } from '../../src/numeric/random.ts';
import { finish } from '../../src/base/stepwise.ts';
import { coAssignment, groupByBest, runLeiden } from '../../src/themes/runs.ts';
import { leiden, renumber } from '../../src/themes/leiden.ts';
import { modularity } from '../../src/themes/modularity.ts';
import { resampleLinks } from '../../src/themes/resample.ts';
import { alsoSteady, defaultResolution, sweepResolution } from '../../src/themes/resolution.ts';
import { KARATE } from '../examples.ts';

const karate = buildGraph(
  34,
  KARATE.map(([a]) => a - 1),
  KARATE.map(([, b]) => b - 1),
  KARATE.map(() => 1),
);

/** A random network with planted groups. */
function planted(
  groups: number,
  size: number,
  inside: number,
  outside: number,
  seed: number,
): [Graph, number[]] {
  const random = seededRandom(seed);
  const truth = Array.from({ length: groups * size }, (_, v) => Math.floor(v / size));
  const source: number[] = [];
  const target: number[] = [];
  for (let i = 0; i < truth.length; i++) {
    for (let j = i + 1; j < truth.length; j++) {
      if (random() < (truth[i] === truth[j] ? inside : outside)) {
        source.push(i);
        target.push(j);
      }
    }
  }
  return [
    buildGraph(
      truth.length,
      source,
      target,
      source.map(() => 1),
    ),
    truth,
  ];
}

const randomGraph = fc
  .record({
    size: fc.integer({ min: 2, max: 25 }),
    links: fc.array(fc.tuple(fc.nat(24), fc.nat(24), fc.integer({ min: 1, max: 9 })), {
      minLength: 1,
      maxLength: 60,
    }),
  })
  .map(({ size, links }) => {
    const kept = links.map(([a, b, w]) => [a % size, b % size, w] as const).filter(([a, b]) => a !== b);
    return buildGraph(
      size,
      kept.map(([a]) => a),
      kept.map(([, b]) => b),
      kept.map(([, , w]) => w),
    );
  });

describe('modularity', () => {
  it('of two triangles joined by a link is 5/14, by hand', () => {
    // m = 7; each triangle: 3/7 − (7/14)²; together 2 · (3/7 − 1/4) = 5/14.
    const graph = buildGraph(6, [0, 1, 0, 3, 4, 3, 2], [1, 2, 2, 4, 5, 5, 3], [1, 1, 1, 1, 1, 1, 1]);
    expect(modularity(graph, [0, 0, 0, 1, 1, 1])).to.be.closeTo(5 / 14, 1e-12);
    expect(modularity(graph, [0, 0, 0, 0, 0, 0])).to.be.closeTo(0, 1e-12);
    expect(modularity(graph, [0, 0, 0, 1, 1, 1], 2)).to.be.closeTo(6 / 7 - 1, 1e-12);
  });

  it('of the karate club’s best known grouping is reached: 0.4198', () => {
    expect(karate.totalDegree).to.equal(156);
    const { best } = runLeiden(karate, 1, 1, 20);
    expect(modularity(karate, best)).to.be.closeTo(0.4198, 5e-5);
  });
});

describe('Leiden', () => {
  it('makes connected communities of any network', () => {
    fc.assert(
      fc.property(
        randomGraph,
        fc.integer({ min: 1, max: 30 }),
        fc.double({ min: 0.2, max: 4, noNaN: true }),
        (graph, seed, gamma) => {
          const community = leiden(graph, gamma, seededRandom(seed));
          const parts = connectedParts(graph, community);
          expect(new Set(parts).size).to.equal(new Set(community).size);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('is never worse than leaving every node alone, nor than one group', () => {
    fc.assert(
      fc.property(randomGraph, fc.integer({ min: 1, max: 30 }), (graph, seed) => {
        const reached = modularity(graph, leiden(graph, 1, seededRandom(seed)));
        const alone = Array.from({ length: graph.size }, (_, v) => v);
        expect(reached).to.be.at.least(modularity(graph, alone) - 1e-9);
        expect(reached).to.be.at.least(-1e-9);
      }),
    );
  });

  it('reaches the best of all groupings of a small network', () => {
    // Every grouping of seven nodes, as restricted growth strings.
    const groupings: number[][] = [];
    const grow = (made: number[], next: number): void => {
      if (made.length === 7) groupings.push(made);
      else for (let c = 0; c <= next; c++) grow([...made, c], Math.max(next, c + 1));
    };
    grow([], 0);
    expect(groupings).to.have.length(877);
    let reachedBest = 0;
    for (let seed = 1; seed <= 20; seed++) {
      const [graph] = planted(2, 4, 0.7, 0.3, seed);
      const seven = buildGraph(
        7,
        ...(([0, 1, 2] as const).map((column) => {
          const rows: number[][] = [];
          for (let v = 0; v < 7; v++) {
            for (let e = graph.offset[v]; e < graph.offset[v + 1]; e++) {
              if (graph.neighbour[e] > v && graph.neighbour[e] < 7) rows.push([v, graph.neighbour[e], 1]);
            }
          }
          return rows.map((row) => row[column]);
        }) as [number[], number[], number[]]),
      );
      const best = Math.max(...groupings.map((grouping) => modularity(seven, grouping)));
      const reached = modularity(seven, runLeiden(seven, 1, seed, 10).best);
      if (Math.abs(best - reached) < 1e-9) reachedBest++;
    }
    expect(reachedBest).to.be.at.least(19);
  });

  it('gives the same communities whatever the weights are measured in', () => {
    const [source, target] = [
      [0, 0, 1, 2, 3, 3, 4],
      [1, 2, 2, 3, 4, 5, 5],
    ];
    const of = (scale: number) =>
      leiden(
        buildGraph(
          6,
          source,
          target,
          source.map(() => scale),
        ),
        1,
        seededRandom(1),
      );
    for (const scale of [1e-14, 1e-6, 1e9]) expect(of(scale)).to.deep.equal(of(1));
  });

  it('finds planted groups', () => {
    const [graph, truth] = planted(6, 20, 0.5, 0.03, 4);
    expect(normalisedMutualInformation(leiden(graph, 1, seededRandom(1)), truth)).to.be.above(0.95);
  });

  it('gives the same communities for the same seed', () => {
    const [graph] = planted(5, 12, 0.4, 0.1, 9);
    expect(leiden(graph, 1, seededRandom(7))).to.deep.equal(leiden(graph, 1, seededRandom(7)));
  });
});

describe('the best of many runs', () => {
  it('says how often two nodes are together, by hand', () => {
    const shares = coAssignment([Int32Array.of(0, 0, 1), Int32Array.of(0, 1, 1)], 3);
    expect(Array.from(shares)).to.deep.equal([1, 0.5, 0, 0.5, 1, 0.5, 0, 0.5, 1]);
  });

  it('is steady where the groups are clear, and less so where they are not', () => {
    const [clear] = planted(4, 12, 0.8, 0.02, 2);
    const [blurred] = planted(4, 12, 0.3, 0.22, 2);
    const sure = finish(groupByBest(clear, 1, 1, 20));
    const unsure = finish(groupByBest(blurred, 1, 1, 20));
    expect(sure.overallSteadiness).to.equal(1);
    expect(Math.min(...sure.steadiness)).to.equal(1);
    expect(unsure.overallSteadiness).to.be.below(0.9);
    expect(Math.min(...unsure.steadiness)).to.be.below(0.95);
  });

  it('is looked for until it was found as often as asked, and as many runs as are asked for are made all the same', () => {
    const [clear] = planted(4, 12, 0.8, 0.02, 2);
    const runsOf = (how: Parameters<typeof runLeiden>[4]): number =>
      runLeiden(clear, 1, 1, 40, how).communities.length;
    expect(runsOf({ enoughAlike: 3 })).to.equal(3);
    expect(runsOf({ enoughAlike: 3, fewest: 10 })).to.equal(10);
    expect(runsOf({})).to.equal(40);
  });

  it('is the same with every seed, where single runs are not', () => {
    const [blurred] = planted(5, 16, 0.3, 0.08, 2);
    const seeds = [1, 2, 3, 4, 5, 6];
    const different = (communities: readonly Int32Array[]): number =>
      new Set(communities.map((community) => renumber(community).join())).size;
    expect(different(seeds.map((seed) => runLeiden(blurred, 1, seed, 1).best))).to.be.above(2);
    expect(different(seeds.map((seed) => finish(groupByBest(blurred, 1, seed, 50)).community))).to.equal(1);
  });

  it('keeps communities connected', () => {
    for (let seed = 1; seed <= 10; seed++) {
      const [graph] = planted(4, 10, 0.35, 0.15, seed);
      const { community } = finish(groupByBest(graph, 1, seed, 15));
      expect(new Set(connectedParts(graph, community)).size).to.equal(new Set(community).size);
    }
  });
});

describe('the default resolution', () => {
  const point = (resolution: number, themes: number, steadiness: number) => ({
    resolution,
    themes,
    steadiness,
    modularity: 0.5,
    plateau: themes,
  });

  it('is the coarsest of three themes or more that comes back nearly as well as the best', () => {
    const points = [point(0.5, 2, 1), point(1, 4, 0.78), point(2, 7, 0.8), point(3, 14, 0.75)];
    // Within 0.16 · 0.8 · 0.2 = 0.0256 of the best.
    expect(defaultResolution(points)).to.equal(1);
    expect(defaultResolution([points[0], point(1, 4, 0.77), ...points.slice(2)])).to.equal(2);
    // What comes back wholly is not given up for what nearly does.
    expect(defaultResolution([point(1, 4, 0.99), point(2, 7, 1)])).to.equal(2);
    // Where nothing has three themes, what has most.
    expect(defaultResolution([point(0.5, 1, 1), point(2, 2, 0.6)])).to.equal(2);
    expect(defaultResolution([])).to.equal(1);
  });

  it('is no number that comes back well at one resolution alone', () => {
    const points = [
      ...[0.5, 0.5, 0.65].map((steadiness, i) => point(0.5 + i / 10, 3, steadiness)),
      ...[0.63, 0.64, 0.64].map((steadiness, i) => point(0.8 + i / 10, 4, steadiness)),
    ];
    expect(defaultResolution(points)).to.equal(0.9);
    expect(alsoSteady(points, 0.9)).to.deep.equal([]);
  });

  it('is the middle of the stretch over which that number holds', () => {
    const points = [point(0.5, 6, 0.84), point(0.7, 6, 0.84), point(1, 6, 0.84), point(2, 7, 0.85)];
    expect(defaultResolution(points)).to.equal(0.7);
    expect(alsoSteady(points, 0.7)).to.deep.equal([7]);
    expect(alsoSteady([...points, point(3, 8, 0.9)], 3)).to.deep.equal([]);
  });

  it('is swept from 0.3 to 3 in equal ratios, each grouping tried on the drawn networks', () => {
    const drawn = resampleLinks(karate, 1, 4);
    const points = finish(sweepResolution({ graph: karate, drawn, seed: 1 }));
    expect(points).to.have.length(25);
    expect(points[0].resolution).to.equal(0.3);
    expect(points[24].resolution).to.equal(3);
    expect(points[24].themes).to.be.at.least(points[0].themes);
    // On itself a network is grouped the same.
    for (const { steadiness } of finish(sweepResolution({ graph: karate, drawn: [karate], seed: 1 })))
      expect(steadiness).to.be.above(0.7);
    const several = points.filter(({ themes }) => themes > 1);
    for (const { steadiness } of several) expect(steadiness).to.be.within(0.2, 0.95);
    for (const [i, each] of points.entries())
      if (i > 0 && each.plateau === points[i - 1].plateau) expect(each.themes).to.equal(points[i - 1].themes);
  });

  it('is tried on links counted anew: as often on average, many not at all', () => {
    const drawn = resampleLinks(karate, 1, 40);
    const mean = drawn.reduce((sum, { totalDegree }) => sum + totalDegree, 0) / drawn.length;
    expect(mean / karate.totalDegree).to.be.within(0.93, 1.07);
    const links = drawn.reduce((sum, { neighbour }) => sum + neighbour.length, 0) / drawn.length;
    expect(links / karate.neighbour.length).to.be.closeTo(1 - Math.exp(-1), 0.03);
    expect(resampleLinks(karate, 1, 2)).to.deep.equal(drawn.slice(0, 2));
  });
});
