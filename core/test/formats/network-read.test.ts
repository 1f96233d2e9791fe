import { expect } from 'chai';
import fc from 'fast-check';
import { readNetwork } from '../../src/formats/read/network-read.ts';
import { writeGraphml, writeJsonGraph, type WrittenNetwork } from '../../src/formats/write/network-write.ts';

const fault = async (text: string): Promise<string> =>
  readNetwork(text).then(
    () => '',
    (error: unknown) => (error instanceof Error ? error.message : String(error)),
  );

describe('a network from elsewhere', () => {
  it('is read from GraphML and JSON Graph Format as it was written, whatever its words', async () => {
    const word = fc
      .oneof(
        fc.string({ minLength: 1 }),
        fc.constantFrom('a & b', '<b>', 'constructor', '__proto__', 'é 夜 🚌'),
      )
      .map((text) => text.replace(/[^\P{C}]|[\ufffe\uffff]/gu, '').trim() || 'w');
    await fc.assert(
      fc.asyncProperty(fc.uniqueArray(word, { minLength: 2, maxLength: 6 }), async (words) => {
        const network: WrittenNetwork = {
          name: 'n',
          nodes: words.map((label, i) => ({ id: `k${i}`, values: { label } })),
          edges: words
            .slice(1)
            .map((_, i) => ({ source: `k${i}`, target: `k${i + 1}`, values: { weight: 0.5 + i } })),
        };
        for (const text of [writeGraphml(network), writeJsonGraph(network)]) {
          const { names, source, target, weight } = await readNetwork(text);
          expect(names).to.deep.equal(words);
          expect(source.map((from, i) => [from, target[i], weight[i]])).to.deep.equal(
            words.slice(1).map((_, i) => [i, i + 1, 0.5 + i]),
          );
        }
      }),
    );
  });

  it('is read from a table, and from JSON as others write it', async () => {
    expect(await readNetwork('Source,Target\na,b\nb,c\n')).to.deep.equal({
      names: ['a', 'b', 'c'],
      source: [0, 1],
      target: [1, 2],
      weight: [1, 1],
    });
    const first =
      '{"graphs":[{"nodes":[{"id":"x","label":"Rain"},{"id":"y"}],"edges":[{"source":"x","target":"y","weight":2}]}]}';
    expect(await readNetwork(first)).to.deep.equal({
      names: ['Rain', 'y'],
      source: [0],
      target: [1],
      weight: [2],
    });
  });

  it('is refused with what is wrong with it', async () => {
    expect(await fault('a,b\n1,2\n')).to.match(/columns source and target/);
    expect(await fault('source,target,weight\na,b,x\n')).to.match(/Row 2 has the weight “x”/);
    expect(await fault('source,target,weight\na,b,-1\n')).to.match(/above 0/);
    expect(await fault('source,target\na,\n')).to.match(/Row 2 lacks/);
    expect(await fault('source,target\n')).to.match(/no links/);
    expect(await fault('<graphml><graph><node id="a"')).to.match(/damaged|no links/);
    expect(await fault('{"graph":')).to.match(/damaged/);
    expect(await fault('{"graph":{"nodes":{}}}')).to.match(/no graph with edges/);
    expect(
      await fault('{"graph":{"edges":[{"source":"a","target":"b","metadata":{"weight":"much"}}]}}'),
    ).to.match(/Edge 1 has the weight/);
  });
});
