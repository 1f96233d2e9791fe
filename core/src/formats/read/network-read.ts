import { readCsv } from '../csv.ts';

/** A network that was made elsewhere. */
export interface ReadNetwork {
  readonly names: readonly string[];
  /** Numbers of the names a link joins, and its weight, above 0; 1 where none is told. */
  readonly source: readonly number[];
  readonly target: readonly number[];
  readonly weight: readonly number[];
}

/** Links as they are read; an end that was not told of before is a node of its name. */
function network(): {
  node: (id: string, label?: string) => number;
  link: (source: string, target: string, weight: number, where: string) => void;
  whole: () => ReadNetwork;
} {
  const names: string[] = [];
  const numberOf = new Map<string, number>();
  const [source, target, weight]: [number[], number[], number[]] = [[], [], []];
  const node = (id: string, label?: string): number => {
    let number = numberOf.get(id);
    if (number === undefined) {
      numberOf.set(id, (number = names.length));
      names.push(id);
    }
    if (label !== undefined && label !== '') names[number] = label;
    return number;
  };
  return {
    node,
    link(from, to, value, where) {
      if (from === '' || to === '') throw new Error(`${where} lacks a source or a target.`);
      if (!Number.isFinite(value) || value <= 0)
        throw new Error(`${where} has the weight “${value}”; it must be a number above 0.`);
      source.push(node(from));
      target.push(node(to));
      weight.push(value);
    },
    whole() {
      if (source.length === 0) throw new Error('It has no links.');
      return { names, source, target, weight };
    },
  };
}

/** Reads source,target,weight; a missing weight column counts every link as 1. */
function readEdgeList(text: string): ReadNetwork {
  const { header, rows } = readCsv(text);
  const column = (name: string): number => header.findIndex((each) => each.toLowerCase() === name);
  const [s, t, w] = [column('source'), column('target'), column('weight')];
  if (s < 0 || t < 0)
    throw new Error('It needs the columns source and target, and weight if links have one.');
  const { link, whole } = network();
  rows.forEach((row, i) => {
    const given = w < 0 ? '1' : (row[w] ?? '');
    const value = given.trim() === '' ? NaN : Number(given);
    if (Number.isNaN(value) && row[s] && row[t])
      throw new Error(`Row ${i + 2} has the weight “${given}”; it must be a number above 0.`);
    link(row[s] ?? '', row[t] ?? '', value, `Row ${i + 2}`);
  });
  return whole();
}

/** Reads GraphML: the nodes with their `label`, the edges with their `weight`, by the names its keys give. */
async function readGraphml(text: string): Promise<ReadNetwork> {
  const { Parser } = await import('saxen');
  const keys = new Map<string, string>();
  const { node, link, whole } = network();
  const edges: { source: string; target: string; weight: number }[] = [];
  const fault: { first?: Error } = {};
  let nodeId: string | undefined;
  let edge: (typeof edges)[number] | undefined;
  let key: string | undefined;
  let data = '';
  const local = (name: string): string => name.slice(name.indexOf(':') + 1);
  new Parser()
    .on('openTag', (name, attributesOf, decode) => {
      const attributes = new Map(
        Object.entries(attributesOf()).map(([each, value]) => [each, decode(value)]),
      );
      const of = (each: string): string => attributes.get(each) ?? '';
      switch (local(name)) {
        case 'key':
          keys.set(of('id'), of('attr.name'));
          break;
        case 'node':
          nodeId = of('id');
          node(nodeId);
          break;
        case 'edge':
          edge = { source: of('source'), target: of('target'), weight: 1 };
          edges.push(edge);
          break;
        case 'data':
          key = keys.get(of('key'));
          data = '';
          break;
      }
    })
    .on('text', (value, decode) => {
      data += decode(value);
    })
    .on('closeTag', (name) => {
      switch (local(name)) {
        case 'data':
          if (edge && key === 'weight') edge.weight = data.trim() === '' ? NaN : Number(data);
          else if (nodeId !== undefined && key === 'label') node(nodeId, data.trim());
          key = undefined;
          break;
        case 'node':
          nodeId = undefined;
          break;
        case 'edge':
          edge = undefined;
          break;
      }
    })
    .on('error', (error) => {
      fault.first ??= error;
    })
    .parse(text);
  if (fault.first) throw new Error('It is no whole GraphML file: it is damaged or was cut short.');
  edges.forEach(({ source, target, weight }, i) => link(source, target, weight, `Edge ${i + 1}`));
  return whole();
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const textOf = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : '';

/** Reads JSON Graph Format, version 1 or 2: the first graph of it. */
function readJsonGraph(text: string): ReadNetwork {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new Error('It is no whole JSON file: it is damaged or was cut short.');
  }
  const several = isRecord(json) && Array.isArray(json.graphs) ? (json.graphs as unknown[])[0] : undefined;
  const graph = several ?? (isRecord(json) ? json.graph : undefined);
  if (!isRecord(graph) || !Array.isArray(graph.edges))
    throw new Error('It has no graph with edges, as JSON Graph Format has.');
  const { node, link, whole } = network();
  const nodes: [string, unknown][] = Array.isArray(graph.nodes)
    ? graph.nodes.map((each: unknown) => [isRecord(each) ? textOf(each.id) : '', each])
    : Object.entries(isRecord(graph.nodes) ? graph.nodes : {});
  for (const [id, each] of nodes) node(id, isRecord(each) ? textOf(each.label) : undefined);
  graph.edges.forEach((each: unknown, i) => {
    const edge = isRecord(each) ? each : {};
    const metadata = isRecord(edge.metadata) ? edge.metadata : {};
    const weight = edge.weight ?? metadata.weight ?? 1;
    link(
      textOf(edge.source),
      textOf(edge.target),
      typeof weight === 'number' ? weight : NaN,
      `Edge ${i + 1}`,
    );
  });
  return whole();
}

/**
 * Reads a network by what it is: GraphML, JSON Graph Format, or a table with the columns source, target and perhaps weight.
 * Throws an Error with a sentence where it can't.
 */
export async function readNetwork(text: string): Promise<ReadNetwork> {
  const start = text.replace(/^\ufeff/, '').trimStart();
  if (start.startsWith('<')) return readGraphml(start);
  if (start.startsWith('{')) return readJsonGraph(start);
  return readEdgeList(text.replace(/^\ufeff/, ''));
}
