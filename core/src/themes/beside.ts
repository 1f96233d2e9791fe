import { adjustedMutualInformation } from '../numeric/agreement.ts';

/** A group of concepts with what it is called. */
export interface NamedGroup {
  readonly letter: string;
  readonly label: string;
  readonly keys: readonly string[];
}

/** Concepts that went from one group to another; −1 for none. */
export interface Flow {
  readonly from: number;
  readonly to: number;
  readonly keys: readonly string[];
}

/** Two groupings laid side by side. */
export interface Beside {
  readonly flows: readonly Flow[];
  /** Agreement over the concepts both have in a group (Vinh, Epps & Bailey 2010). */
  readonly agreement: number;
  readonly shared: number;
}

/** Lays two groupings side by side: which concepts are together in both, which are elsewhere, and how far they agree. */
export function layBeside(then: readonly NamedGroup[], now: readonly NamedGroup[]): Beside {
  const placeIn = (groups: readonly NamedGroup[]): Map<string, number> =>
    new Map(groups.flatMap(({ keys }, g) => keys.map((key): [string, number] => [key, g])));
  const [before, after] = [placeIn(then), placeIn(now)];
  const flows = new Map<string, { from: number; to: number; keys: string[] }>();
  for (const key of new Set([...before.keys(), ...after.keys()])) {
    const [from, to] = [before.get(key) ?? -1, after.get(key) ?? -1];
    const flow = flows.get(`${from} ${to}`);
    if (flow) flow.keys.push(key);
    else flows.set(`${from} ${to}`, { from, to, keys: [key] });
  }
  const shared = [...before.keys()].filter((key) => after.has(key));
  return {
    flows: [...flows.values()].sort((a, b) => a.from - b.from || a.to - b.to),
    agreement: adjustedMutualInformation(
      shared.map((key) => before.get(key) ?? 0),
      shared.map((key) => after.get(key) ?? 0),
    ),
    shared: shared.length,
  };
}

/** Half of a group's concepts make it out. */
const MOST = 0.5;

/**
 * What became of themes by a change, a sentence each: which split, joined, went or came. Those that stayed are not named.
 *
 * @example whatBecame([A: bus stop], [A: bus; B: stop]) // ['A split into A and B.']
 */
export function whatBecame(then: readonly NamedGroup[], now: readonly NamedGroup[]): string[] {
  const { flows } = layBeside(then, now);
  const nameOf = ({ letter, label }: NamedGroup): string => `${letter} ${label}`;
  const said: string[] = [];
  const size = (groups: readonly NamedGroup[], g: number): number => groups[g].keys.length;
  // Where most of each came from, and where most of each went.
  const parts = then.map((_, from) =>
    now.flatMap((__, to) => {
      const moved = flows.find((flow) => flow.from === from && flow.to === to)?.keys.length ?? 0;
      return moved > 0 && (moved >= MOST * size(now, to) || moved >= MOST * size(then, from))
        ? [{ to, moved }]
        : [];
    }),
  );
  const origins = now.map((_, to) =>
    then.flatMap((__, from) => {
      const moved = flows.find((flow) => flow.from === from && flow.to === to)?.keys.length ?? 0;
      return moved >= MOST * size(then, from) ? [from] : [];
    }),
  );
  const explained = new Set<number>();
  origins.forEach((from, to) => {
    if (from.length < 2) return;
    from.forEach((each) => explained.add(each));
    said.push(`${from.map((each) => nameOf(then[each])).join(' and ')} are one now: ${nameOf(now[to])}.`);
  });
  parts.forEach((to, from) => {
    const mainly = to.filter(({ to: each, moved }) => moved >= MOST * size(now, each));
    if (mainly.length > 1) {
      said.push(
        `${nameOf(then[from])} split into ${mainly.map(({ to: each }) => nameOf(now[each])).join(' and ')}.`,
      );
      explained.add(from);
    } else if (to.length === 0 && !explained.has(from))
      said.push(`${nameOf(then[from])} is no theme any more.`);
  });
  now.forEach((theme, to) => {
    const from = then.some((_, each) => parts[each].some((part) => part.to === to));
    if (!from) said.push(`${nameOf(theme)} is new.`);
  });
  return said;
}
