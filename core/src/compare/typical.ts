import { ranked } from '../base/order.ts';
import type { Graph } from '../network/graph.ts';
import type { Spoken } from './rows.ts';

/** What typical stretches are picked from. */
export interface TypicalInput extends Pick<Spoken, 'spoken' | 'stretches'> {
  /** The network whose links are realised. */
  readonly graph: Graph;
  /** 1 for each concept of the theme. */
  readonly inTheme: Uint8Array;
  readonly fewest: number;
  /** Whether a source may be picked from. */
  readonly isMeant: (source: number) => boolean;
  /** The type of each word. */
  readonly type: Int32Array;
}

/** Two stretches that share so much of their different words are the same said twice. */
const NEAR_REPEAT = 0.6;

/**
 * The stretches that realise the strongest links of a theme: of all its concepts a stretch holds, the strengths of the links
 * between them add up, over the root of its words, so that a long one has no start. They are spread over the sources: each
 * source gives one before any gives two; what repeats another is passed over.
 *
 * @returns numbers of stretches, the most typical first
 */
export function typicalStretches(
  { spoken: { windowFirst, inWindow }, stretches, graph, inTheme, fewest, isMeant, type }: TypicalInput,
  limit: number,
): number[] {
  const scores = new Float64Array(stretches.count);
  const here = new Int32Array(inTheme.length).fill(-1);
  for (let w = 0; w < stretches.count; w++) {
    if (!isMeant(stretches.source[w])) continue;
    let held = 0;
    let strength = 0;
    for (let k = windowFirst[w]; k < windowFirst[w + 1]; k++) {
      const concept = inWindow[k];
      if (inTheme[concept] === 0) continue;
      held++;
      for (let e = graph.offset[concept]; e < graph.offset[concept + 1]; e++) {
        if (here[graph.neighbour[e]] === w) strength += graph.weight[e];
      }
      here[concept] = w;
    }
    // A stretch that speaks to the theme without any link of it comes after all that have one.
    if (held >= fewest)
      scores[w] = (strength + 1e-6 * held) / Math.sqrt(stretches.end[w] - stretches.first[w]);
  }
  const order = ranked(stretches.count, (w) => scores[w]).filter((w) => scores[w] > 0);
  const picked: number[] = [];
  const words = new Map<number, Set<number>>();
  const wordsOf = (w: number): Set<number> => {
    let own = words.get(w);
    if (!own) words.set(w, (own = new Set(type.subarray(stretches.first[w], stretches.end[w]))));
    return own;
  };
  const repeats = (w: number): boolean =>
    picked.some((other) => {
      const [a, b] = [wordsOf(w), wordsOf(other)];
      let shared = 0;
      for (const word of a) if (b.has(word)) shared++;
      return shared >= NEAR_REPEAT * (a.size + b.size - shared);
    });
  const takenFrom = new Map<number, number>();
  const left = new Set(order);
  for (let round = 1; picked.length < limit && left.size > 0 && round <= limit; round++) {
    for (const w of [...left]) {
      if (picked.length >= limit) break;
      const taken = takenFrom.get(stretches.source[w]) ?? 0;
      if (taken >= round) continue;
      left.delete(w);
      if (repeats(w)) continue;
      takenFrom.set(stretches.source[w], taken + 1);
      picked.push(w);
    }
  }
  return picked;
}
