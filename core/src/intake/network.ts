import type { ReadNetwork } from '../formats/read/network-read.ts';
import { largest } from '../base/extent.ts';
import { counted, inFigures } from '../base/wording.ts';
import { MOST_NODES, MOST_OTHER_LINKS, MOST_TAKEN, type OtherNetwork } from '../network/elsewhere.ts';
import { clipped, LONGEST } from '../study/limits.ts';

/** Larger weights would lose what the smaller ones say when they are added. */
const LARGEST_WEIGHT = 1e12;

/** Names that are all different: one that comes again is numbered, one without letters is numbered too. */
function named(names: readonly string[]): string[] {
  const seen = new Set<string>();
  return names.map((given, i) => {
    const name = clipped(given.replace(/\s+/g, ' ').trim(), LONGEST.name) || `node ${i + 1}`;
    let each = name;
    for (let n = 2; seen.has(each); n++) each = `${name} (${n})`;
    seen.add(each);
    return each;
  });
}

/**
 * A network as a study holds it, with what is worth knowing of how it was read. Direction is not heeded: links of the same two
 * are one, with their weights added; what links a node to itself is left out. Throws an Error with a sentence where it is too
 * large or links nothing.
 */
export function takeNetwork(
  name: string,
  { names, source, target, weight }: ReadNetwork,
): { readonly network: OtherNetwork; readonly notes: readonly string[] } {
  if (names.length > MOST_NODES)
    throw new Error(
      `It has ${inFigures(names.length)} nodes; up to ${inFigures(MOST_NODES)} can be opened. Leave out those with the weakest links.`,
    );
  const size = names.length;
  const summed = new Map<number, number>();
  let selves = 0;
  for (let i = 0; i < source.length; i++) {
    const [a, b] = [Math.min(source[i], target[i]), Math.max(source[i], target[i])];
    if (a === b) selves++;
    else summed.set(a * size + b, (summed.get(a * size + b) ?? 0) + weight[i]);
  }
  if (source.length > 0 && largest(summed.values()) > LARGEST_WEIGHT)
    throw new Error(
      'A weight is too large: up to a million million can be opened. Divide all by the same number.',
    );
  if (summed.size === 0) throw new Error('It links no two nodes.');
  if (summed.size > MOST_OTHER_LINKS)
    throw new Error(
      `It has ${inFigures(summed.size)} links; up to ${inFigures(MOST_OTHER_LINKS)} can be opened. Leave out the weakest.`,
    );
  const pairs = [...summed].sort(([a], [b]) => a - b);
  const again = source.length - selves - pairs.length;
  const notes = [
    ...(again > 0
      ? [`${counted(again, 'link')} of the same two nodes ${again === 1 ? 'was' : 'were'} added up.`]
      : []),
    ...(selves > 0
      ? [`${counted(selves, 'link')} of a node to itself ${selves === 1 ? 'was' : 'were'} left out.`]
      : []),
    ...(size > MOST_TAKEN
      ? [`The ${MOST_TAKEN} nodes with the strongest links are worked with, of ${inFigures(size)}.`]
      : []),
  ];
  return {
    network: {
      name,
      concepts: named(names),
      links: pairs.map(([pair, sum]) => `${Math.floor(pair / size)} ${pair % size} ${sum}`).join('\n'),
    },
    notes,
  };
}
