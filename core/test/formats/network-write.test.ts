import { expect } from 'chai';
import { readCsv } from '../../src/formats/csv.ts';
import { linksTable } from '../../src/study-files/tables.ts';
import fc from 'fast-check';
import { Parser } from 'saxen';
import { writeGraphml, writeJsonGraph, type WrittenNetwork } from '../../src/formats/write/network-write.ts';
import { asking, exampleStudy } from '../examples.ts';

/** What an independent reader of XML sees: nodes and edges with the values under the names the keys give. */
function read(xml: string) {
  const names = new Map<string, string>();
  const nodes: Record<string, string>[] = [];
  const edges: Record<string, string>[] = [];
  let here: Record<string, string> | undefined;
  let key = '';
  const parser = new Parser();
  parser.on(
    'openTag',
    (tag: string, attributesOf: () => Record<string, string>, decode: (text: string) => string) => {
      const attributes = attributesOf();
      if (tag === 'key') names.set(attributes.id, decode(attributes['attr.name']));
      if (tag === 'node') nodes.push((here = { id: attributes.id }));
      if (tag === 'edge') edges.push((here = { source: attributes.source, target: attributes.target }));
      if (tag === 'data') key = attributes.key;
    },
  );
  parser.on('text', (text: string, decode: (text: string) => string) => {
    if (here && key !== '') here[names.get(key) ?? ''] = (here[names.get(key) ?? ''] ?? '') + decode(text);
  });
  parser.on('closeTag', (tag: string) => {
    if (tag === 'data') key = '';
  });
  parser.parse(xml);
  return { nodes, edges };
}

const awkward = fc.oneof(
  fc.string({ minLength: 1 }),
  fc.constantFrom('a & b', '<b>"x"</b>', 'é ü 夜 🚌', 'x]]>y', "it's"),
);

describe('a network for other programs', () => {
  it('as GraphML is read by another reader as it was, whatever the words', () => {
    // White space at the ends, and what XML has no place for, is no part of a word here.
    const word = awkward.map((text) => text.replace(/[^\P{C}]|[\ufffe\uffff]/gu, '').trim() || 'w');
    fc.assert(
      fc.property(fc.uniqueArray(word, { minLength: 2, maxLength: 6 }), (words) => {
        const network: WrittenNetwork = {
          name: 'x',
          nodes: words.map((label, i) => ({ id: `k${i}`, values: { label, mentions: i } })),
          edges: words
            .slice(1)
            .map((_, i) => ({ source: `k${i}`, target: `k${i + 1}`, values: { npmi: i / 7, both: i } })),
        };
        const { nodes, edges } = read(writeGraphml(network));
        expect(nodes.map(({ label }) => label)).to.deep.equal(words);
        expect(edges.map(({ source, target, npmi }) => [source, target, Number(npmi)])).to.deep.equal(
          words.slice(1).map((_, i) => [`n${i}`, `n${i + 1}`, i / 7]),
        );
      }),
    );
  });

  it('of a study holds every concept, and every link that stands with its figures and themes', () => {
    // Nobody says it in the very words of another, and two stories are told apart from each other.
    const said = ['came', 'fell', 'beat', 'ran', 'blew', 'leaked', 'dripped', 'froze'];
    const study = exampleStudy(
      said.map((verb, i) => ({
        name: verb,
        text: said
          .flatMap((other) => [
            `The rain ${verb} on the shelter and ${other}.`,
            `My rent ${other} with the fare and ${verb} again.`,
          ])
          .slice(i % 3)
          .join('\n\n'),
      })),
    );
    study.decide({ kind: 'setConcepts', change: { minimumMentions: 2 } });
    expect(study.compute('links').standing).to.be.above(0);
    const ask = asking(study);
    const text = (as: 'graphml' | 'json'): string =>
      new TextDecoder().decode(ask('networkFile', { as }).bytes);
    const { nodes, edges } = read(text('graphml'));
    expect(nodes.map(({ label }) => label)).to.have.members(study.compute('concepts').written);
    expect(edges.length).to.equal(study.compute('links').standing);
    const graph = (
      JSON.parse(text('json')) as { graph: { nodes: Record<string, { label: string }>; edges: unknown[] } }
    ).graph;
    expect(Object.values(graph.nodes).map(({ label }) => label)).to.deep.equal(
      nodes.map(({ label }) => label),
    );
    expect(graph.edges.length).to.equal(edges.length);
    // The same figures under the same names as in links.csv; counts are whole numbers.
    const links = study.compute('links');
    const { rows, header } = readCsv(linksTable(study.compute('concepts').written, links));
    for (const column of ['q', 'q_sources', 'windows_both', 'meetings'])
      expect(edges.map((edge) => String((edge as unknown as Record<string, unknown>)[column]))).to.deep.equal(
        rows.map((row) => row[header.indexOf(column)]),
        column,
      );
    expect(text('graphml'))
      .to.match(/attr\.name="windows_both" attr\.type="int"/)
      .and.match(/attr\.name="spread" attr\.type="(?:double|int)"/);
    expect(writeJsonGraph({ name: '', nodes: [], edges: [] })).to.include('"edges": []');
  });
});
