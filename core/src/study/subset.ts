import { counted } from '../base/wording.ts';
import { canonicalJson } from '../base/hash.ts';
import { byCodeUnits } from '../base/order.ts';
import { remembered } from '../base/remembered.ts';
import { comparable } from './attributes.ts';
import type { Condition, Subset } from './conditions.ts';
import type { StudySource, StudyState } from './study.ts';

export type { Condition, Subset } from './conditions.ts';
import { ownValue } from '../base/records.ts';

function holds(source: StudySource, condition: Condition, state: StudyState): boolean {
  const value = (ownValue(source.attributes, condition.attribute) ?? '').trim();
  if (condition.kind === 'values') return condition.values.includes(value);
  const type = ownValue(state.attributeTypes, condition.attribute) ?? 'text';
  const order = state.settings.sources.dateOrder ?? 'dmy';
  const own = comparable(value, type, order);
  if (own === undefined) return false;
  const end = (text: string): string | number | undefined => comparable(text, type, order);
  const [from, to] = [end(condition.from), end(condition.to)];
  return (from === undefined || own >= from) && (to === undefined || own <= to);
}

/** The sources of a study that belong to a subset. */
export function sourcesIn(state: StudyState, subset: Subset): readonly StudySource[] {
  if (subset.length === 0) return state.sources;
  return state.sources.filter((source) => subset.every((condition) => holds(source, condition, state)));
}

/** A subset that was picked out, with all it was picked by. */
interface PickedSubset {
  readonly subset: Subset;
  readonly types: StudyState['attributeTypes'];
  readonly dateOrder: StudyState['settings']['sources']['dateOrder'];
  readonly person: StudyState['settings']['sources']['person'];
  /** In the order of the study. */
  readonly shown: readonly StudySource[];
  /** The same, in the order of their contents. */
  readonly computed: readonly StudySource[];
  /** By place among the computed: that among the shown. */
  readonly ranks: readonly number[];
  /** Who speaks in each of the computed, by number; null where each is somebody else's. */
  readonly persons: readonly number[] | null;
}
const picked = new WeakMap<readonly StudySource[], PickedSubset>();

/**
 * Sources in an order of what is in them: text, what is cut from it, attributes, and only of those that are the same in all of
 * it by id. What is computed in this order hangs neither on their names nor on the order they came in.
 */
export const inOrderOfContents = remembered((sources: readonly StudySource[]): readonly StudySource[] =>
  // Few texts are the same, so that hardly ever more than their hashes is looked at.
  [...sources].sort((a, b) => byCodeUnits(a.textHash, b.textHash) || byWhatElse(a, b)),
);

const byWhatElse = (a: StudySource, b: StudySource): number =>
  byCodeUnits(JSON.stringify(a.cuts ?? []), JSON.stringify(b.cuts ?? [])) ||
  byCodeUnits(canonicalJson(a.attributes), canonicalJson(b.attributes)) ||
  byCodeUnits(a.id, b.id);

function pick(state: StudyState): PickedSubset {
  const { subset, dateOrder, person } = state.settings.sources;
  const types = state.attributeTypes;
  const last = picked.get(state.sources);
  if (
    last?.subset === subset &&
    last.types === types &&
    last.dateOrder === dateOrder &&
    last.person === person
  )
    return last;
  const shown = sourcesIn(state, subset);
  const { computed, persons } = byPersons(inOrderOfContents(shown), person ?? '');
  const rankOf = new Map(shown.map(({ id }, rank) => [id, rank]));
  const ranks = computed.map(({ id }) => rankOf.get(id) ?? 0);
  const now = { subset, types, dateOrder, person, shown, computed, ranks, persons };
  picked.set(state.sources, now);
  return now;
}

/** Sources with those of one person in a row, the person whose first source comes first before all others. */
function byPersons(
  sources: readonly StudySource[],
  attribute: string,
): Pick<PickedSubset, 'computed' | 'persons'> {
  if (attribute === '') return { computed: sources, persons: null };
  const numberOf = new Map<string, number>();
  const sourcesOf: StudySource[][] = [];
  for (const source of sources) {
    const person = (ownValue(source.attributes, attribute) ?? '').trim();
    const known = person === '' ? undefined : numberOf.get(person);
    if (known !== undefined) sourcesOf[known].push(source);
    else {
      if (person !== '') numberOf.set(person, sourcesOf.length);
      sourcesOf.push([source]);
    }
  }
  if (sourcesOf.length === sources.length) return { computed: sources, persons: null };
  return {
    computed: sourcesOf.flat(),
    persons: sourcesOf.flatMap((own, person) => own.map(() => person)),
  };
}

/**
 * The sources the study works with: those of the subset in force, in the order of their contents. Everything computed follows
 * them, and lists by source are in this order. As long as nothing about sources is decided this is the same array.
 */
export const workingSources = (state: StudyState): readonly StudySource[] => pick(state).computed;

/** The same sources as they are shown: in the order of the study. */
export const shownSources = (state: StudyState): readonly StudySource[] => pick(state).shown;

/** By number of a working source: which place it has where sources are shown. */
export const shownRanks = (state: StudyState): readonly number[] => pick(state).ranks;

/**
 * Who speaks in each working source, by number: those of one person are one in every interval, test and draw, and stand in a row.
 * Null where each is somebody else's.
 */
export const personsOf = (state: StudyState): readonly number[] | null => pick(state).persons;

/** How many people speak in the working sources. */
export function countOfPersons(state: StudyState): number {
  const { computed, persons } = pick(state);
  return persons === null ? computed.length : persons[persons.length - 1] + 1;
}

/** Numbers of working sources in the order they are shown in, by their ranks. */
export function inShownOrder(ranks: readonly number[]): number[] {
  const numbers = new Array<number>(ranks.length);
  ranks.forEach((rank, number) => (numbers[rank] = number));
  return numbers;
}

/** Rows of so many numbers, a row a source in the order they are computed in, laid in the order they are shown in. */
export function rowsInShownOrder(rows: Float64Array, ranks: readonly number[], width: number): Float64Array {
  const shown = new Float64Array(rows.length);
  ranks.forEach((rank, s) => shown.set(rows.subarray(s * width, (s + 1) * width), rank * width));
  return shown;
}

/** The values of an attribute with how many sources have each, in code-unit order; those without one come last, as ''. */
export function valuesOf(
  sources: readonly StudySource[],
  attribute: string,
): { readonly value: string; readonly sources: number }[] {
  const counts = new Map<string, number>();
  for (const source of sources) {
    const value = (ownValue(source.attributes, attribute) ?? '').trim();
    counts.set(value, (counts.get(value) ?? 0) + 1);
  }
  return [...counts]
    .sort(([a], [b]) => (a === '' ? 1 : b === '' ? -1 : byCodeUnits(a, b)))
    .map(([value, count]) => ({ value, sources: count }));
}

/** A condition in words. */
export function conditionText(condition: Condition, state: StudyState): string {
  const { attribute } = condition;
  if (condition.kind === 'values') {
    const named = condition.values.map((value) => (value === '' ? 'not given' : value));
    return `${attribute} is ${named.length <= 3 ? named.join(' or ') : `one of ${named.length} values`}`;
  }
  const isDate = ownValue(state.attributeTypes, attribute) === 'date';
  const { from, to } = condition;
  if (from !== '' && to !== '') return `${attribute} is from ${from} to ${to}`;
  if (from !== '') return `${attribute} is ${isDate ? `on or after ${from}` : `${from} or more`}`;
  return `${attribute} is ${isDate ? `on or before ${to}` : `${to} or less`}`;
}

/** A subset in words: “sources where role is driver and date is on or after 2031-06-01”. */
export function subsetText(state: StudyState, subset: Subset): string {
  const count = sourcesIn(state, subset).length;
  if (state.sources.length === 0) return 'no sources yet';
  if (subset.length === 0) return count === 1 ? 'the 1 source' : `all ${counted(count, 'source')}`;
  return `${count} of ${state.sources.length} sources, where ${subset.map((each) => conditionText(each, state)).join(' and ')}`;
}
