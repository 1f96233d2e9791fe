import type { Tokens } from '../text/tokens.ts';
import type { Hits } from './hits.ts';

/** A word that follows (or precedes) what was asked for, with how often it does. */
export interface Branch {
  /** The words of this branch: several where they always come together. */
  readonly words: readonly string[];
  readonly count: number;
  /** How many different words come next; 0 where the branch ends. */
  readonly next: number;
}

export interface Branches {
  /** How many contexts run along the path. */
  readonly count: number;
  /** The branches at its end, most frequent first. */
  readonly branches: readonly Branch[];
  /** Contexts whose sentence ends here. */
  readonly ending: number;
}

/** Words of a branch that always come together are shown as one, up to this many. */
const LONGEST_JOINED = 8;

/** The token a number of words outwards from a hit, or −1 where its sentence ends before. */
function outwards(
  tokens: Tokens,
  hits: Hits,
  sentenceOf: Int32Array,
  direction: 'after' | 'before',
): (hit: number, words: number) => number {
  const step = direction === 'after' ? 1 : -1;
  return (hit, words) => {
    const edge = direction === 'after' ? hits.end[hit] - 1 : hits.first[hit];
    const token = edge + step * (words + 1);
    if (token < 0 || token >= tokens.type.length) return -1;
    return sentenceOf[token] === sentenceOf[hits.first[hit]] ? token : -1;
  };
}

/** The hits that a path of words follows, or precedes, by number. */
export function alongPath(
  tokens: Tokens,
  hits: Hits,
  sentenceOf: Int32Array,
  direction: 'after' | 'before',
  path: readonly string[],
): number[] {
  const tokenAt = outwards(tokens, hits, sentenceOf, direction);
  return Array.from(hits.first.keys()).filter((hit) =>
    path.every((word, depth) => {
      const token = tokenAt(hit, depth);
      return token >= 0 && tokens.forms[tokens.type[token]].toLowerCase() === word;
    }),
  );
}

/**
 * What follows (or precedes) the hits along a path of words, within their sentences: common beginnings are joined into
 * one branch each. Words are compared in small letters.
 *
 * @param path words already followed, from the hit outwards
 */
export function branchesOf(
  tokens: Tokens,
  hits: Hits,
  sentenceOf: Int32Array,
  direction: 'after' | 'before',
  path: readonly string[],
): Branches {
  const forms = tokens.forms.map((form) => form.toLowerCase());
  const tokenAt = outwards(tokens, hits, sentenceOf, direction);
  const along = alongPath(tokens, hits, sentenceOf, direction, path);
  const groupsAt = (
    group: readonly number[],
    depth: number,
  ): { groups: Map<string, number[]>; ending: number } => {
    const groups = new Map<string, number[]>();
    let ending = 0;
    for (const hit of group) {
      const token = tokenAt(hit, depth);
      if (token < 0) {
        ending++;
        continue;
      }
      const word = forms[tokens.type[token]];
      const own = groups.get(word);
      if (own) own.push(hit);
      else groups.set(word, [hit]);
    }
    return { groups, ending };
  };
  const { groups, ending } = groupsAt(along, path.length);
  const branches = Array.from(groups, ([word, group]): Branch => {
    const words = [word];
    let inner = groupsAt(group, path.length + 1);
    while (inner.groups.size === 1 && inner.ending === 0 && words.length < LONGEST_JOINED) {
      words.push([...inner.groups.keys()][0]);
      inner = groupsAt(group, path.length + words.length);
    }
    return { words, count: group.length, next: inner.groups.size };
  });
  branches.sort((a, b) => b.count - a.count || (a.words[0] < b.words[0] ? -1 : 1));
  return { count: along.length, branches, ending };
}
