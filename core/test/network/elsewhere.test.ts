import { expect } from 'chai';
import { readNetwork } from '../../src/formats/read/network-read.ts';
import { takeNetwork } from '../../src/intake/network.ts';
import {
  conceptsOfNetwork,
  graphOfNetwork,
  linksIn,
  linksOfNetwork,
  MOST_NODES,
  MOST_TAKEN,
  type NodeChoices,
  type OtherNetwork,
} from '../../src/network/elsewhere.ts';

const NOTHING_DECIDED: NodeChoices = { dropped: [], stopWords: [], merges: {} };

async function taken(...rows: readonly string[]): Promise<OtherNetwork> {
  return takeNetwork('a.csv', await readNetwork(['source,target,weight', ...rows].join('\n'))).network;
}

/** The links as a person would write them down. */
const saidOf = (network: OtherNetwork, decided = NOTHING_DECIDED): string[] => {
  const concepts = conceptsOfNetwork(network, decided);
  const { source, target, strength } = linksOfNetwork(network, concepts, decided);
  return Array.from(
    strength,
    (weight, i) => `${[concepts.keys[source[i]], concepts.keys[target[i]]].sort().join(' – ')} ${weight}`,
  );
};

describe('a network from elsewhere', () => {
  it('keeps every link by its weight, the strongest first', async () => {
    const network = await taken('rain,roof,2', 'roof,tiles,5', 'tiles,rain,0.5');
    expect(saidOf(network)).to.deep.equal(['roof – tiles 5', 'rain – roof 2', 'rain – tiles 0.5']);
  });

  it('adds up links of the same two, whichever way they go, and leaves out what links itself', async () => {
    const read = await readNetwork('source,target,weight\na,b,1\nb,a,2\na,a,7\nb,c,1');
    const { network, notes } = takeNetwork('a.csv', read);
    expect(saidOf(network)).to.deep.equal(['a – b 3', 'b – c 1']);
    expect(notes).to.deep.equal([
      '1 link of the same two nodes was added up.',
      '1 link of a node to itself was left out.',
    ]);
  });

  it('gives nodes of one name a number each', () => {
    const read = {
      names: ['rain', ' rain', '', 'rain (2)'],
      source: [0, 1, 2],
      target: [1, 2, 3],
      weight: [1, 1, 1],
    };
    expect(takeNetwork('x', read).network.concepts).to.deep.equal([
      'rain',
      'rain (2)',
      'node 3',
      'rain (2) (2)',
    ]);
  });

  it('does without what was dropped, and counts a variant for what it was merged into', async () => {
    const network = await taken(
      'rain,roof,2',
      'rains,roof,3',
      'roof,tiles,5',
      'rain,rains,9',
      'tiles,moss,1',
    );
    const decided = { dropped: ['moss'], stopWords: [], merges: { rains: 'rain' } };
    expect(conceptsOfNetwork(network, decided).keys).to.deep.equal(['roof', 'rain', 'tiles']);
    const { keys } = conceptsOfNetwork(network, { ...decided, stopWords: ['Tiles'] });
    expect(keys).to.deep.equal(['rain', 'roof']);
    expect(saidOf(network, decided)).to.deep.equal(['rain – roof 5', 'roof – tiles 5']);
  });

  it('works with the nodes that have the strongest links where there are very many', () => {
    const size = MOST_TAKEN + 20;
    const ring = Array.from({ length: size }, (_, i) => i);
    const { network, notes } = takeNetwork('ring', {
      names: ring.map((i) => `n${i}`),
      source: ring,
      target: ring.map((i) => (i + 1) % size),
      weight: ring.map((i) => i + 1),
    });
    const { keys } = conceptsOfNetwork(network, NOTHING_DECIDED);
    expect(keys).to.have.length(MOST_TAKEN);
    expect(keys).to.include(`n${size - 1}`);
    expect(keys).not.to.include('n3');
    expect(notes.join()).to.contain(`The ${MOST_TAKEN} nodes`);
  });

  it('makes of its links a network whose strengths add up', async () => {
    const network = await taken('a,b,1', 'b,c,2', 'c,a,4');
    const concepts = conceptsOfNetwork(network, NOTHING_DECIDED);
    const graph = graphOfNetwork(3, linksOfNetwork(network, concepts, NOTHING_DECIDED));
    expect(graph.totalDegree).to.equal(14);
    expect(concepts.keys.map((key, i) => [key, graph.degree[i]])).to.deep.equal([
      ['c', 6],
      ['a', 5],
      ['b', 3],
    ]);
    // Words are as large as their links are strong.
    expect(Array.from(concepts.mentions)).to.deep.equal([1000, 833, 500]);
  });

  it('refuses what is too large or links nothing with a sentence', () => {
    const names = Array.from({ length: MOST_NODES + 1 }, (_, i) => String(i));
    expect(() => takeNetwork('x', { names, source: [0], target: [1], weight: [1] })).to.throw(
      'It has 5,001 nodes',
    );
    expect(() => takeNetwork('x', { names: ['a', 'b'], source: [0], target: [0], weight: [1] })).to.throw(
      'It links no two nodes.',
    );
    expect(() => takeNetwork('x', { names: ['a', 'b'], source: [0], target: [1], weight: [1e300] })).to.throw(
      'A weight is too large',
    );
  });

  it('refuses links that are none of its nodes', () => {
    const of =
      (links: string): (() => unknown) =>
      () =>
        linksIn({ name: 'x', concepts: ['a', 'b'], links });
    for (const wrong of [
      '0 2 1',
      '1 0 1',
      '0 0 1',
      '0 1 0',
      '0 1 -2',
      '0 1 x',
      '0 1 Infinity',
      '0 1',
      '',
      '0 1 1\n',
    ])
      expect(of(wrong), wrong).to.throw('of the network can’t be understood');
    expect(linksIn({ name: 'x', concepts: ['a', 'b'], links: '0 1 1e-3' }).weight[0]).to.equal(0.001);
  });
});
