import { byCodeUnits } from '../base/order.ts';
import type { Tokens } from '../text/tokens.ts';
import type { Hits } from './hits.ts';

/** A word that follows (or precedes) what was asked for, with how often it does. */
export interface Branch {
  /** The words of this branch: several where they always come together, and function words with what follows them. */
  readonly words: readonly string[];
  readonly count: number;
  /** How many different words come next; 0 where the branch ends. */
  readonly next: number;
  /** What goes on from it, where that is open from the start. */
  readonly inner?: OpenFork;
}

export interface Branches {
  /** How many contexts run along the path. */
  readonly count: number;
  /** The branches at its end, most frequent first. */
  readonly branches: readonly Branch[];
  /** Contexts whose sentence ends here. */
  readonly ending: number;
}

/** Branches of which so many are shown at first. */
export interface OpenFork extends Branches {
  readonly shown: number;
}

/** Function words that are joined to what follows them, at most. */
const LONGEST_RUN = 4;
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

/** What branches are made of. */
export interface BranchOptions {
  readonly direction: 'after' | 'before';
  /** Words already followed, from the hit outwards. */
  readonly path: readonly string[];
  /** Small words, each joined to what follows it: a branch that says no more than *the* says nothing. */
  readonly functionWords?: ReadonlySet<string>;
}

/**
 * What follows (or precedes) the hits along a path of words, within their sentences: common beginnings are joined into
 * one branch each. Words are compared in small letters.
 */
export function branchesOf(
  tokens: Tokens,
  hits: Hits,
  sentenceOf: Int32Array,
  { direction, path, functionWords = new Set() }: BranchOptions,
): Branches {
  const forms = tokens.forms.map((form) => form.toLowerCase());
  const tokenAt = outwards(tokens, hits, sentenceOf, direction);
  /** The words from a depth on, up to the first that is no function word; none where the sentence ends. */
  const runAt = (hit: number, depth: number): string[] => {
    const run: string[] = [];
    while (run.length < LONGEST_RUN) {
      const token = tokenAt(hit, depth + run.length);
      if (token < 0) break;
      const word = forms[tokens.type[token]];
      run.push(word);
      if (!functionWords.has(word.replaceAll('’', "'"))) break;
    }
    return run;
  };
  const groupsAt = (group: readonly number[], depth: number) => {
    const groups = new Map<string, { run: readonly string[]; hits: number[] }>();
    let ending = 0;
    for (const hit of group) {
      const run = runAt(hit, depth);
      if (run.length === 0) {
        ending++;
        continue;
      }
      const key = run.join(' ');
      const own = groups.get(key);
      if (own) own.hits.push(hit);
      else groups.set(key, { run, hits: [hit] });
    }
    return { groups: [...groups.values()], ending };
  };
  const along = alongPath(tokens, hits, sentenceOf, direction, path);
  const { groups, ending } = groupsAt(along, path.length);
  const branches = groups.map(({ run, hits: group }): Branch => {
    const words = [...run];
    let inner = groupsAt(group, path.length + words.length);
    while (inner.groups.length === 1 && inner.ending === 0 && words.length < LONGEST_JOINED) {
      for (const word of inner.groups[0].run) words.push(word);
      inner = groupsAt(group, path.length + words.length);
    }
    return { words, count: group.length, next: inner.groups.length };
  });
  branches.sort((a, b) => b.count - a.count || byCodeUnits(a.words.join(' '), b.words.join(' ')));
  return { count: along.length, branches, ending };
}

/** Branches shown of the first fork, and of those that open from it, before the rest is asked for: at least and at most. */
export const SHOWN_FIRST = [4, 10] as const;
export const SHOWN_OPEN = [2, 5] as const;

/** How many branches of a fork are shown at first: those that are met again and again, and a few. */
function shownOf({ branches }: Branches, [fewest, most]: readonly [number, number]): number {
  const again = branches.filter(({ count }) => count > 1).length;
  return Math.min(branches.length, most, Math.max(fewest, again));
}

/** Lines a fork takes: its branches that are shown, how many more there are, and how many sentences end. */
const linesOf = ({ branches, ending }: Branches, shown: number): number =>
  shown + (branches.length > shown ? 1 : 0) + (ending > 0 ? 1 : 0);

/** A branch that may be open, and a fork whose branches may be. */
interface Opening {
  readonly branch: Branch;
  readonly path: readonly string[];
  inner?: Forked;
}
interface Forked {
  readonly fork: Branches;
  readonly openings: readonly Opening[];
  shown: number;
}

/**
 * Branches that are open from the start, the most frequent first, as far as so many lines hold them.
 *
 * @param branchesAt the branches along a path
 */
export function openBranches(
  path: readonly string[],
  lines: number,
  branchesAt: (path: readonly string[]) => Branches,
): OpenFork {
  const forkAt = (at: readonly string[], bounds: readonly [number, number]): Forked => {
    const fork = branchesAt(at);
    return {
      fork,
      openings: fork.branches.map((branch) => ({ branch, path: [...at, ...branch.words] })),
      shown: shownOf(fork, bounds),
    };
  };
  const worthIt = ({ openings, shown }: Forked): Opening[] =>
    openings.slice(0, shown).filter(({ branch }) => branch.count > 1 && branch.next > 0);
  const root = forkAt(path, SHOWN_FIRST);
  let left = lines - linesOf(root.fork, root.shown);
  const waiting = worthIt(root);
  while (left > 0 && waiting.length > 0) {
    // The first of the most frequent, so that equals open in their order.
    const most = waiting.reduce((best, each) => (each.branch.count > best.branch.count ? each : best));
    waiting.splice(waiting.indexOf(most), 1);
    const inner = forkAt(most.path, SHOWN_OPEN);
    const more = linesOf(inner.fork, inner.shown) - 1;
    if (more > left) continue;
    left -= more;
    most.inner = inner;
    for (const each of worthIt(inner)) waiting.push(each);
  }
  // What room is left is for those met once.
  root.shown = Math.min(root.fork.branches.length, root.shown + Math.max(0, left));
  return asFork(root);
}

const asFork = ({ fork, openings, shown }: Forked): OpenFork => ({
  ...fork,
  branches: openings.map(({ branch, inner }) => (inner ? { ...branch, inner: asFork(inner) } : branch)),
  shown,
});
