import { escapeXml } from '../../base/xml.ts';

/** What is told of a node or an edge: numbers, words, or yes and no. */
export type NetworkValue = number | string | boolean;

/** A network to be written for other programs. */
export interface WrittenNetwork {
  readonly name: string;
  readonly nodes: readonly { readonly id: string; readonly values: Readonly<Record<string, NetworkValue>> }[];
  /** Undirected, by the ids of their ends. */
  readonly edges: readonly {
    readonly source: string;
    readonly target: string;
    readonly values: Readonly<Record<string, NetworkValue>>;
  }[];
}

/** The types of GraphML that are used. */
type WrittenType = 'int' | 'double' | 'string' | 'boolean';
const LARGEST_INT = 2 ** 31 - 1;

function typeOf(value: NetworkValue): WrittenType {
  if (typeof value === 'string') return 'string';
  if (typeof value === 'boolean') return 'boolean';
  return Number.isInteger(value) && Math.abs(value) <= LARGEST_INT ? 'int' : 'double';
}

/** The attributes some things have, in the order they are met, with their types: numbers are whole where all of them are. */
function attributesOf(
  things: readonly { readonly values: Readonly<Record<string, NetworkValue>> }[],
): Map<string, WrittenType> {
  const found = new Map<string, WrittenType>();
  for (const { values } of things) {
    for (const [name, value] of Object.entries(values)) {
      const type = typeOf(value);
      if (!found.has(name) || (type === 'double' && found.get(name) === 'int')) found.set(name, type);
    }
  }
  return found;
}

/** A network as GraphML (Brandes et al. 2002; graphml.graphdrawing.org), UTF-8. Equal networks give equal bytes. */
export function writeGraphml({ name, nodes, edges }: WrittenNetwork): string {
  const keys = (['node', 'edge'] as const).map((of) => {
    const attributes = attributesOf(of === 'node' ? nodes : edges);
    return { of, ids: new Map([...attributes.keys()].map((each, i) => [each, `${of[0]}${i}`])), attributes };
  });
  const dataOf = (values: Readonly<Record<string, NetworkValue>>, ids: ReadonlyMap<string, string>): string =>
    Object.entries(values)
      .map(([each, value]) => `<data key="${ids.get(each) ?? ''}">${escapeXml(String(value))}</data>`)
      .join('');
  const numberOf = new Map(nodes.map(({ id }, i) => [id, `n${i}`]));
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<graphml xmlns="http://graphml.graphdrawing.org/xmlns" xmlns:xsi="http://www.w3.org/2001/XMLSchema-instance" xsi:schemaLocation="http://graphml.graphdrawing.org/xmlns http://graphml.graphdrawing.org/xmlns/1.0/graphml.xsd">',
    ...keys.flatMap(({ of, ids, attributes }) =>
      [...attributes].map(
        ([each, type]) =>
          `  <key id="${ids.get(each) ?? ''}" for="${of}" attr.name="${escapeXml(each)}" attr.type="${type}"/>`,
      ),
    ),
    `  <graph id="g" edgedefault="undirected"><desc>${escapeXml(name)}</desc>`,
    ...nodes.map(
      ({ id, values }) => `    <node id="${numberOf.get(id) ?? ''}">${dataOf(values, keys[0].ids)}</node>`,
    ),
    ...edges.map(
      ({ source, target, values }, i) =>
        `    <edge id="e${i}" source="${numberOf.get(source) ?? ''}" target="${numberOf.get(target) ?? ''}">${dataOf(values, keys[1].ids)}</edge>`,
    ),
    '  </graph>',
    '</graphml>',
    '',
  ].join('\n');
}

/** A network as JSON Graph Format, version 2 (jsongraphformat.info), UTF-8. */
export function writeJsonGraph({ name, nodes, edges }: WrittenNetwork): string {
  const graph = {
    graph: {
      label: name,
      directed: false,
      nodes: Object.fromEntries(
        nodes.map(({ id, values }) => [id, { label: String(values.label ?? id), metadata: values }]),
      ),
      edges: edges.map(({ source, target, values }) => ({ source, target, metadata: values })),
    },
  };
  return `${JSON.stringify(graph, null, 1)}\n`;
}

/** A file format of networks. */
interface NetworkFormatKind {
  /** What a file of it is, as a hint on its button. */
  readonly hint: string;
  readonly mediaType: string;
  readonly write: (network: WrittenNetwork) => string;
}

/** Every format a network leaves in, by the ending of its files. One more is one more record here. */
export const NETWORK_FORMATS = {
  graphml: {
    hint: 'Concepts and links with their figures and themes, as GraphML, which programs for networks open',
    mediaType: 'application/graphml+xml',
    write: writeGraphml,
  },
  json: { hint: 'The same as JSON Graph', mediaType: 'application/json', write: writeJsonGraph },
} as const satisfies Record<string, NetworkFormatKind>;

export type NetworkFormat = keyof typeof NETWORK_FORMATS;
export const NETWORK_FORMAT_NAMES = Object.keys(NETWORK_FORMATS) as readonly NetworkFormat[];
