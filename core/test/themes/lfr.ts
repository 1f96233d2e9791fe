import { buildGraph, type Graph } from '../../src/network/graph.ts';
import { randomInteger, seededRandom, shuffle, type Random } from '../../src/numeric/random.ts';

/** Whole numbers with chances falling as n^−exponent between two bounds. */
function powerLaw(random: Random, low: number, high: number, exponent: number): number {
  const a = low ** (1 - exponent);
  const b = (high + 1) ** (1 - exponent);
  if (exponent === 1) return Math.floor(low * ((high + 1) / low) ** random());
  return Math.min(high, Math.floor((a + random() * (b - a)) ** (1 / (1 - exponent))));
}

/** Pairs stubs at random into simple links, trying again with those that can't be paired. */
function pair(
  stubs: number[],
  allowed: (a: number, b: number) => boolean,
  links: Set<number>,
  n: number,
  random: Random,
): void {
  let open = stubs;
  for (let attempt = 0; attempt < 60 && open.length > 1; attempt++) {
    shuffle(open, random);
    const left: number[] = [];
    for (let i = 0; i + 1 < open.length; i += 2) {
      const [a, b] = open[i] < open[i + 1] ? [open[i], open[i + 1]] : [open[i + 1], open[i]];
      if (a === b || links.has(a * n + b) || !allowed(a, b)) left.push(open[i], open[i + 1]);
      else links.add(a * n + b);
    }
    open = left;
  }
}

/**
 * A network with planted communities after Lancichinetti, Fortunato & Radicchi (2008): degrees and community sizes by
 * power laws, each node with the share `mixing` of its links outside its community.
 */
export function lfrNetwork(mixing: number, seed: number): { graph: Graph; truth: Int32Array } {
  const n = 1000;
  const random = seededRandom(seed);
  // With a smallest degree of 9 or 10, exponent 2 and at most 50, the mean is about 20.
  const degrees = Array.from({ length: n }, () => powerLaw(random, random() < 0.7 ? 10 : 11, 50, 2));
  const sizes: number[] = [];
  for (let placed = 0; placed < n;) {
    const size = powerLaw(random, 10, 50, 1);
    sizes.push(size);
    placed += size;
  }
  // The last community takes no more than is left, and is joined to the one before where that is too few.
  const over = sizes.reduce((a, b) => a + b, 0) - n;
  sizes[sizes.length - 1] -= over;
  if (sizes[sizes.length - 1] < 10) {
    const last = sizes.pop() ?? 0;
    for (let i = 0; i < last; i++) sizes[i % sizes.length]++;
  }
  const truth = new Int32Array(n).fill(-1);
  const inside = degrees.map((degree) => Math.round((1 - mixing) * degree));
  const room = [...sizes];
  const order = Array.from({ length: n }, (_, v) => v).sort((a, b) => inside[b] - inside[a]);
  for (const v of order) {
    // A node needs a community with more members than it has links inside.
    const fitting = room.map((_, c) => c).filter((c) => room[c] > 0 && sizes[c] > inside[v]);
    const open = fitting.length > 0 ? fitting : room.map((_, c) => c).filter((c) => room[c] > 0);
    const c = open[randomInteger(random, open.length)];
    truth[v] = c;
    room[c]--;
    inside[v] = Math.min(inside[v], sizes[c] - 1);
  }
  const links = new Set<number>();
  sizes.forEach((_, c) => {
    const stubs: number[] = [];
    for (let v = 0; v < n; v++) if (truth[v] === c) for (let i = 0; i < inside[v]; i++) stubs.push(v);
    pair(stubs, () => true, links, n, random);
  });
  const outer: number[] = [];
  for (let v = 0; v < n; v++) for (let i = inside[v]; i < degrees[v]; i++) outer.push(v);
  pair(outer, (a, b) => truth[a] !== truth[b], links, n, random);
  const all = [...links];
  return {
    graph: buildGraph(
      n,
      all.map((link) => Math.floor(link / n)),
      all.map((link) => link % n),
      all.map(() => 1),
    ),
    truth,
  };
}
