import { Int32List } from '../../base/int32-list.ts';
import type { Stepwise } from '../../base/stepwise.ts';
import type { Unit } from './units.ts';
import { WordRuns } from './word-runs.ts';

/** Words in a row that are looked for where units are not quite the same (Broder 1997). */
const SHINGLE = 4;
/** Share of a unit's shingles that must stand in many sources for it to be nearly the same. */
const NEARLY = 0.7;
/** A unit's words are not counted beyond this: no footer is one sentence so long. */
const MOST_WORDS = 120;

/** Units by number, with the numbers of their words. */
interface NumberedUnits {
  readonly keys: readonly string[];
  readonly numberOf: ReadonlyMap<string, number>;
  /** Words of unit u: `words[first[u] … first[u + 1])`. */
  readonly words: Int32Array;
  readonly first: Int32Array;
  /** Sources each word stands in. */
  readonly sources: Int32Array;
}

/** Numbers the units long enough to be nearly the same as others, and their words. */
function* numberUnits(units: readonly (readonly Unit[])[]): Stepwise<NumberedUnits> {
  const numberOf = new Map<string, number>();
  const wordOf = new Map<string, number>();
  const words = new Int32List();
  const first = new Int32List();
  const sources: number[] = [];
  const last: number[] = [];
  first.push(0);
  for (const [source, own] of units.entries()) {
    if (own.length < 2) continue;
    for (const unit of own) {
      if (unit.words < 2 * SHINGLE) continue;
      const isNew = !numberOf.has(unit.key);
      for (const word of unit.key.split(' ').slice(0, MOST_WORDS)) {
        let number = wordOf.get(word);
        if (number === undefined) {
          wordOf.set(word, (number = wordOf.size));
          sources.push(0);
          last.push(-1);
        }
        if (last[number] !== source) sources[number]++;
        last[number] = source;
        if (isNew) words.push(number);
      }
      if (!isNew) continue;
      numberOf.set(unit.key, numberOf.size);
      first.push(words.length);
    }
    if (source % 16 === 15) yield 0.5 + source / units.length / 8;
  }
  return {
    keys: [...numberOf.keys()],
    numberOf,
    words: words.done(),
    first: first.done(),
    sources: Int32Array.from(sources),
  };
}

/**
 * Units of which most runs of words stand in many sources, with the unit that names their group: the one that had most of
 * those runs first. Units too short for that are not in it.
 */
export function* nearlyTheSame(
  units: readonly (readonly Unit[])[],
  enough: number,
): Stepwise<Map<string, string>> {
  const { keys, numberOf, words, first, sources } = yield* numberUnits(units);
  const runs = new WordRuns(SHINGLE);
  /** The run that begins at each word. */
  const runAt = new Int32Array(words.length).fill(-1);
  /** Shows the places of a unit's runs that may stand in many sources: each of their words does. */
  const forRuns = (unit: number, show: (at: number) => void): void => {
    let row = 0;
    for (let at = first[unit]; at < first[unit + 1]; at++) {
      row = sources[words[at]] >= enough ? row + 1 : 0;
      if (row >= SHINGLE) show(at - SHINGLE + 1);
    }
  };
  // By run: sources it stands in, the last of them, and the unit that had it first.
  const sourcesOf = new Int32List();
  const lastOf = new Int32List();
  const unitOf = new Int32List();
  for (const [source, own] of units.entries()) {
    if (own.length < 2) continue;
    for (const { key } of own) {
      const unit = numberOf.get(key);
      if (unit === undefined) continue;
      forRuns(unit, (at) => {
        if (runAt[at] < 0) runAt[at] = runs.numberOf(words, at);
        const run = runAt[at];
        if (run === sourcesOf.length) {
          sourcesOf.push(1);
          lastOf.push(source);
          unitOf.push(unit);
        } else if (lastOf.at(run) !== source) {
          sourcesOf.set(run, sourcesOf.at(run) + 1);
          lastOf.set(run, source);
        }
      });
    }
    if (source % 16 === 15) yield 0.625 + source / units.length / 8;
  }
  const groupOf = new Map<string, string>();
  for (let unit = 0; unit < keys.length; unit++) {
    const all = Math.max(0, first[unit + 1] - first[unit] - SHINGLE + 1);
    const votes = new Map<number, number>();
    let many = 0;
    forRuns(unit, (at) => {
      if (sourcesOf.at(runAt[at]) < enough) return;
      const group = unitOf.at(runAt[at]);
      many++;
      votes.set(group, (votes.get(group) ?? 0) + 1);
    });
    if (many < NEARLY * all) continue;
    let most = 0;
    for (const [group, count] of votes) {
      if (count <= most) continue;
      most = count;
      groupOf.set(keys[unit], keys[group]);
    }
    if (unit % 4096 === 4095) yield 0.75;
  }
  return groupOf;
}
