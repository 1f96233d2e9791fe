import type { Stepwise } from '../../base/stepwise.ts';
import { byCodeUnits } from '../../base/order.ts';
import type { Piece } from '../reading-part.ts';
import { nearlyTheSame } from './nearly-the-same.ts';
import { readUnits, unitsOf, type Unit } from './units.ts';

/** Where in their texts most copies of a block stand. */
export type RepeatPlace = 'top' | 'foot' | 'within';

/** Words that stand in many sources, the same or nearly: a footer, a licence, a question asked of everyone. */
export interface Repeat {
  /** Keys of its lines, by which it is found in a text (`repeatPieces`). */
  readonly keys: readonly string[];
  /** As it is most often written. */
  readonly text: string;
  readonly place: RepeatPlace;
  readonly sources: number;
  readonly times: number;
  /** Words of all its copies. */
  readonly words: number;
  /** One of them: a source's number and the piece of its text. */
  readonly first: { readonly source: number; readonly start: number; readonly end: number };
}

/** Sources a unit must stand in: so many, and this share of all. */
const FEWEST_SOURCES = 3;
const SHARE_OF_SOURCES = 0.05;
/** Shorter units than this, in words, are said by chance; they count at a text's top or foot alone. */
const FEWEST_WORDS = 4;
/** Units from a text's top, or foot, that are its edge. */
const EDGE = 8;
/** Share of its copies that must stand at an edge for a short unit to count. */
const AT_EDGE = 0.8;
/** Sources a short unit must stand in, a share of all: more than a greeting that some write. */
const SHORT_SHARE = 0.2;
/** Share of their places at which one unit must follow the other for both to be one block. */
const TOGETHER = 0.75;
const MOST_REPEATS = 60;

/** What is known of a unit over all texts. */
interface Known {
  sources: number;
  times: number;
  last: number;
  atEdge: number;
  words: number;
}

/**
 * What stands, the same or nearly, in many sources: lines and sentences that at least three sources and one in twenty
 * share, put together to blocks where they follow each other. Counts are exact. A text that is one such line and nothing
 * else, as a short answer is, does not count.
 *
 * @param texts the sources' originals
 * @param unreadOf the pieces of a source's text that are not read; nothing is looked for in them
 * @returns what repeats, most words first, and how many words are read in all
 */
export function* findRepeats(
  texts: readonly string[],
  unreadOf: (source: number) => readonly Piece[] = () => [],
): Stepwise<{ readonly repeats: readonly Repeat[]; readonly words: number }> {
  const enough = Math.max(FEWEST_SOURCES, Math.ceil(SHARE_OF_SOURCES * texts.length));
  let words = 0;
  const units: Unit[][] = [];
  const known = new Map<string, Known>();
  for (const [source, text] of texts.entries()) {
    const own = readUnits(text, unreadOf(source));
    units.push(own);
    for (const unit of own) words += unit.words;
    if (own.length > 1) own.forEach((unit, i) => note(known, unit, source, i, own.length));
    if (source % 64 === 63) yield source / texts.length / 2;
  }
  const short = Math.max(enough, Math.ceil(SHORT_SHARE * texts.length));
  const isMany = (key: string): boolean => {
    const each = known.get(key);
    if (!each || each.sources < enough) return false;
    return each.words >= FEWEST_WORDS || (each.sources >= short && each.atEdge >= AT_EDGE * each.times);
  };
  const likeness = yield* nearlyTheSame(units, enough);
  return {
    repeats: blocksOf(units, (key) => likeness.get(key) ?? (isMany(key) ? key : undefined), texts),
    words,
  };
}

function note(known: Map<string, Known>, unit: Unit, source: number, at: number, count: number): void {
  const each = known.get(unit.key) ?? {
    sources: 0,
    times: 0,
    last: -1,
    atEdge: 0,
    words: unit.words,
  };
  known.set(unit.key, each);
  each.times++;
  if (each.last !== source) each.sources++;
  each.last = source;
  if (edgeOf(at, at, count) !== 'within') each.atEdge++;
}

/** The edge of a text of so many units at which some in a row stand: the nearer one. */
function edgeOf(first: number, last: number, count: number): RepeatPlace {
  const below = count - 1 - last;
  if (Math.min(first, below) >= EDGE) return 'within';
  return first < below ? 'top' : 'foot';
}

/** Puts units in many sources together to blocks and counts those. */
function blocksOf(
  units: readonly (readonly Unit[])[],
  groupOf: (key: string) => string | undefined,
  texts: readonly string[],
): Repeat[] {
  const times = new Map<string, number>();
  const follows = new Map<string, Map<string, number>>();
  const membersOf = new Map<string, Set<string>>();
  for (const own of units) {
    let before: string | undefined;
    for (const { key } of own) {
      const group = own.length > 1 ? groupOf(key) : undefined;
      if (group !== undefined) {
        times.set(group, (times.get(group) ?? 0) + 1);
        membersOf.set(group, (membersOf.get(group) ?? new Set()).add(key));
        if (before !== undefined && before !== group) {
          const next = follows.get(before) ?? new Map<string, number>();
          next.set(group, (next.get(group) ?? 0) + 1);
          follows.set(before, next);
        }
      }
      before = group;
    }
  }
  const nextOf = new Map<string, string>();
  const hasBefore = new Set<string>();
  for (const [group, next] of follows) {
    const count = times.get(group) ?? 0;
    for (const [after, together] of next) {
      if (together < TOGETHER * Math.max(count, times.get(after) ?? 0)) continue;
      nextOf.set(group, after);
      hasBefore.add(after);
    }
  }
  const blockOf = new Map<string, number>();
  let blocks = 0;
  const chainFrom = (start: string): void => {
    if (blockOf.has(start)) return;
    for (
      let each: string | undefined = start;
      each !== undefined && !blockOf.has(each);
      each = nextOf.get(each)
    )
      blockOf.set(each, blocks);
    blocks++;
  };
  for (const group of times.keys()) if (!hasBefore.has(group)) chainFrom(group);
  // What is left follows itself in a ring.
  for (const group of times.keys()) chainFrom(group);
  const counts = Array.from({ length: blocks }, () => new BlockCount());
  for (const [group, block] of blockOf)
    for (const key of membersOf.get(group) ?? []) counts[block].keys.add(key);
  for (const [source, own] of units.entries()) {
    if (own.length < 2) continue;
    const blockAt = own.map(({ key }) => {
      const group = groupOf(key);
      return group === undefined ? undefined : blockOf.get(group);
    });
    for (let i = 0; i < own.length; i++) {
      const block = blockAt[i];
      if (block === undefined) continue;
      const first = i;
      while (i + 1 < own.length && blockAt[i + 1] === block) i++;
      counts[block].add(source, own, first, i);
    }
  }
  return counts
    .filter(({ sources }) => sources >= FEWEST_SOURCES)
    .map((count) => count.asRepeat(texts))
    .sort((a, b) => b.words - a.words || byCodeUnits(a.text, b.text))
    .slice(0, MOST_REPEATS);
}

/** What is counted of one block. */
class BlockCount {
  readonly keys = new Set<string>();
  sources = 0;
  private last = -1;
  private times = 0;
  private words = 0;
  private top = 0;
  private foot = 0;
  /** Wordings with how often each stands, and where it stood first. */
  private readonly wordings = new Map<string, { times: number; place: Repeat['first'] }>();

  /** Counts a copy: the units from `first` to `last` of a source. */
  add(source: number, own: readonly Unit[], first: number, last: number): void {
    this.times++;
    if (this.last !== source) this.sources++;
    this.last = source;
    const edge = edgeOf(first, last, own.length);
    if (edge === 'top') this.top++;
    else if (edge === 'foot') this.foot++;
    let key = '';
    for (let i = first; i <= last; i++) {
      this.words += own[i].words;
      key += `${own[i].key}\n`;
    }
    const wording = this.wordings.get(key);
    if (wording) wording.times++;
    else this.wordings.set(key, { times: 1, place: { source, start: own[first].start, end: own[last].end } });
  }

  asRepeat(texts: readonly string[]): Repeat {
    let most = { times: 0, place: { source: 0, start: 0, end: 0 } };
    for (const wording of this.wordings.values()) if (wording.times > most.times) most = wording;
    const first = most.place;
    const { sources, times, words } = this;
    return {
      keys: [...this.keys],
      text: texts[first.source].slice(first.start, first.end).trim(),
      place: 2 * this.top > times ? 'top' : 2 * this.foot > times ? 'foot' : 'within',
      sources,
      times,
      words,
      first,
    };
  }
}

/** The pieces of a text that are lines or sentences with one of these keys. */
export function repeatPieces(text: string, keys: ReadonlySet<string>): Piece[] {
  return unitsOf(text)
    .filter(({ key }) => keys.has(key))
    .map(({ start, end }): Piece => [start, end]);
}
