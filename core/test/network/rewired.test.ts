import { expect } from 'chai';
import fc from 'fast-check';
import { buildGraph, type Graph } from '../../src/network/graph.ts';
import { rewired } from '../../src/network/rewired.ts';
import { randomInteger, seededRandom } from '../../src/numeric/random.ts';
import { besideRewired } from '../../src/themes/beside-rewired.ts';
import { KARATE } from '../examples.ts';

/** Links by their ends, with their weights. */
function linksOf(graph: Graph): Map<string, number> {
  const links = new Map<string, number>();
  for (let v = 0; v < graph.size; v++) {
    for (let e = graph.offset[v]; e < graph.offset[v + 1]; e++) {
      const u = graph.neighbour[e];
      if (u >= v) links.set(`${v} ${u}`, graph.weight[e]);
    }
  }
  return links;
}
const degrees = ({ size, offset }: Graph): number[] =>
  Array.from({ length: size }, (_, v) => offset[v + 1] - offset[v]);
const unweighted = (size: number, pairs: readonly (readonly [number, number])[]): Graph =>
  buildGraph(
    size,
    pairs.map(([a]) => a),
    pairs.map(([, b]) => b),
    pairs.map(() => 1),
  );
const karate = unweighted(
  34,
  KARATE.map(([a, b]): [number, number] => [a - 1, b - 1]),
);

/** A network in which any two are linked with the same chance. */
function randomNetwork(size: number, links: number, seed: number): Graph {
  const random = seededRandom(seed);
  const pairs = new Map<string, [number, number]>();
  while (pairs.size < links) {
    const [a, b] = [randomInteger(random, size), randomInteger(random, size)];
    if (a < b) pairs.set(`${a} ${b}`, [a, b]);
  }
  return unweighted(size, [...pairs.values()]);
}

describe('a rewired network', () => {
  it('has every node’s number of links, every weight, no link twice and none to itself', () => {
    const pair = fc.tuple(fc.nat(11), fc.nat(11)).filter(([a, b]) => a < b);
    fc.assert(
      fc.property(
        fc.uniqueArray(pair, { selector: ([a, b]) => `${a} ${b}`, minLength: 1, maxLength: 40 }),
        fc.nat(1000),
        (pairs, seed) => {
          const graph = buildGraph(
            12,
            pairs.map(([a]) => a),
            pairs.map(([, b]) => b),
            pairs.map((_, i) => i + 1),
          );
          const other = rewired(graph, seededRandom(seed));
          expect(degrees(other)).to.deep.equal(degrees(graph));
          const links = linksOf(other);
          expect(links.size).to.equal(pairs.length);
          const falling = (weights: Iterable<number>): number[] => [...weights].sort((a, b) => a - b);
          expect(falling(links.values())).to.deep.equal(falling(linksOf(graph).values()));
        },
      ),
      { numRuns: 100 },
    );
  });

  it('leads elsewhere where there is room, and stays where there is none', () => {
    const before = [...linksOf(karate).keys()];
    const after = new Set(linksOf(rewired(karate, seededRandom(1))).keys());
    expect(before.filter((each) => after.has(each)).length).to.be.below(before.length / 2);
    const all = unweighted(
      6,
      [0, 1, 2, 3, 4, 5].flatMap((a) =>
        [0, 1, 2, 3, 4, 5].filter((b) => a < b).map((b): [number, number] => [a, b]),
      ),
    );
    expect([...linksOf(rewired(all, seededRandom(1))).keys()]).to.have.members([...linksOf(all).keys()]);
  });

  it('divides worse than one with communities, and as well as one without', () => {
    expect(besideRewired(karate, 1, 1, 20).isBeyond).to.equal(true);
    const found = [1, 2, 3, 4, 5, 6, 7, 8].filter(
      (seed) => besideRewired(randomNetwork(60, 150, seed), 1, 1, 10).isBeyond,
    );
    expect(found.length).to.be.at.most(2);
    expect(besideRewired(unweighted(2, [[0, 1]]), 1, 1, 3).isBeyond).to.equal(false);
  });
});
