import { byCodeUnits } from '../base/order.ts';
import { ownValue } from '../base/records.ts';
import { inBands, inPeriods } from './bands.ts';
import type { StudySource, StudyState } from './study.ts';
import { sourcesIn, shownRanks, shownSources, workingSources } from './subset.ts';
import type { Group, Within } from './within.ts';

/** The attributes any source has, in the order they are first met. */
export function attributeNames(sources: readonly StudySource[]): string[] {
  return [...new Set(sources.flatMap((source) => Object.keys(source.attributes)))];
}

const valuesOfSources = new WeakMap<readonly StudySource[], Map<string, readonly string[]>>();

/** Each source's value of an attribute, empty where it has none; the same array for the same sources. */
export function attributeValues(sources: readonly StudySource[], attribute: string): readonly string[] {
  let known = valuesOfSources.get(sources);
  if (!known) valuesOfSources.set(sources, (known = new Map()));
  let values = known.get(attribute);
  if (!values) {
    values = sources.map((source) => (ownValue(source.attributes, attribute) ?? '').trim());
    known.set(attribute, values);
  }
  return values;
}

/**
 * The group of each source by an attribute: its value; of dates the period they are in, of many numbers their band; joined
 * groups as one. The same array for the same sources, type and joins.
 */
export function groupValues(state: StudyState, attribute: string): readonly string[] {
  const values = valuesInBands(state, attribute);
  const joined = ownValue(state.groupChoices, attribute)?.joined;
  if (!joined || Object.keys(joined).length === 0) return values;
  let known = joinedValues.get(joined);
  if (known?.of !== values) {
    known = { of: values, values: values.map((value) => ownValue(joined, value) ?? value) };
    joinedValues.set(joined, known);
  }
  return known.values;
}

const joinedValues = new WeakMap<object, { of: readonly string[]; values: readonly string[] }>();

function valuesInBands(state: StudyState, attribute: string): readonly string[] {
  const sources = workingSources(state);
  const type = ownValue(state.attributeTypes, attribute) ?? 'text';
  const values = attributeValues(sources, attribute);
  if (type === 'text') return values;
  const order = state.settings.sources.dateOrder ?? 'dmy';
  // Beside the values themselves, under a name no attribute can have.
  const kept = valuesOfSources.get(sources);
  const name = `\u0000${type} ${order} ${attribute}`;
  const known = kept?.get(name);
  if (known) return known;
  const grouped = type === 'date' ? inPeriods(values, order) : inBands(values);
  kept?.set(name, grouped);
  return grouped;
}

/** Names that begin with a number by that number, before all others; else in code-unit order. */
function byLeadingNumber(a: string, b: string): number {
  const [first, second] = [a, b].map((name) => (/^-?\d/.test(name) ? Number.parseFloat(name) : Infinity));
  return first === second ? byCodeUnits(a, b) : first - second;
}

/** Groups by value, in order, and the group of each source (−1 where it has no value). */
export interface Groups {
  readonly names: readonly string[];
  readonly groupOf: Int32Array;
}

/**
 * The groups that values make, one value a source.
 *
 * @param first groups that stand before all others, in this order
 */
export function groupsByValue(values: readonly string[], first: readonly string[] = []): Groups {
  const placeOf = new Map(first.map((name, i) => [name, i]));
  const place = (name: string): number => placeOf.get(name) ?? first.length;
  const names = [...new Set(values)]
    .filter((name) => name !== '')
    .sort((a, b) => place(a) - place(b) || byLeadingNumber(a, b));
  const numberOf = new Map(names.map((name, i) => [name, i]));
  return { names, groupOf: Int32Array.from(values, (value) => numberOf.get(value) ?? -1) };
}

/** The groups of an attribute. */
export const groupsOf = (state: StudyState, attribute: string): Groups =>
  groupsByValue(groupValues(state, attribute), ownValue(state.groupChoices, attribute)?.order);

/**
 * The attribute groups are made of: the one chosen, or else the first with two to twelve values that some sources share, or else
 * with so many bands or periods: those of a running number tell nothing, and it often stands first in a table.
 */
export function comparedAttribute(state: StudyState): string | undefined {
  const sources = workingSources(state);
  const all = attributeNames(shownSources(state));
  if (all.includes(state.settings.compare.attribute)) return state.settings.compare.attribute;
  // Who speaks is no group to compare by unless one says so.
  const names = all.filter((name) => name !== state.settings.sources.person);
  // Before anything is joined: joining groups must not make another attribute the one compared.
  const areFew = (values: readonly string[]): boolean => {
    const { length } = groupsByValue(values).names;
    return length >= 2 && length <= 12 && length < values.filter((value) => value !== '').length;
  };
  return (
    names.find((name) => areFew(attributeValues(sources, name))) ??
    names.find((name) => areFew(valuesInBands(state, name))) ??
    names[0]
  );
}

/** The second attribute groups are crossed with, where one is chosen that is there and another. */
export function crossedAttribute(state: StudyState): string | undefined {
  const { across } = state.settings.compare;
  return across !== comparedAttribute(state) && attributeNames(shownSources(state)).includes(across)
    ? across
    : undefined;
}

/** The columns of a comparison: a name, the sources each has, and what its sources are by. */
export interface ComparedGroups {
  readonly names: readonly string[];
  /** Group of each source, −1 for none. */
  readonly groupOf: readonly number[];
  readonly within: readonly Within[];
  /** Groups that were left out, by the attribute they are of. */
  readonly leftOut: readonly Group[];
}

/** The groups compared, as the researcher has them: of an attribute, of two crossed, single sources, or kept subsets. */
export function comparedGroups(state: StudyState): ComparedGroups {
  const { columns } = state.settings.compare;
  const sources = workingSources(state);
  if (columns === 'sources') {
    const shown = shownSources(state);
    return {
      names: shown.map(({ name }) => name),
      groupOf: shownRanks(state),
      within: shown.map(({ id }) => ({ sourceId: id })),
      leftOut: [],
    };
  }
  if (columns === 'subsets') {
    const names = Object.keys(state.subsets);
    const number = new Map(sources.map(({ id }, i) => [id, i]));
    const groupOf = sources.map(() => -1);
    // A source is of one group: of the first subset it belongs to.
    for (const g of [...names.keys()].reverse()) {
      for (const { id } of sourcesIn(state, ownValue(state.subsets, names[g]) ?? [])) {
        const i = number.get(id);
        if (i !== undefined) groupOf[i] = g;
      }
    }
    return { names, groupOf, within: names.map((subset) => ({ subset })), leftOut: [] };
  }
  const first = comparedAttribute(state);
  if (first === undefined) return { names: [], groupOf: sources.map(() => -1), within: [], leftOut: [] };
  const second = crossedAttribute(state);
  const attributes = second === undefined ? [first] : [first, second];
  const parts = attributes.map((attribute) => ({ attribute, ...groupsOf(state, attribute) }));
  const isLeftOut = parts.map(({ attribute, names }) => {
    const leftOut = new Set(ownValue(state.groupChoices, attribute)?.leftOut);
    return names.map((name) => leftOut.has(name));
  });
  const leftOut = parts.flatMap(({ attribute, names }, p) =>
    names.filter((_, g) => isLeftOut[p][g]).map((value): Group => ({ attribute, value })),
  );
  const groups: { name: string; within: Within; code: string }[] = [];
  const add = (chosen: readonly number[]): void => {
    const group = parts.map(({ attribute, names }, p): Group => ({ attribute, value: names[chosen[p]] }));
    groups.push({
      name: group.map(({ value }) => value).join(' × '),
      within: { groups: group },
      code: chosen.join(' '),
    });
  };
  const kept = parts.map(({ names }, p) => [...names.keys()].filter((g) => !isLeftOut[p][g]));
  for (const a of kept[0]) {
    if (parts.length === 1) add([a]);
    else for (const b of kept[1]) add([a, b]);
  }
  const codes = sources.map((_, s) => parts.map(({ groupOf }) => groupOf[s]).join(' '));
  // Of crossed groups those that no source is in are no columns.
  const there = new Set(codes);
  const shown = groups.filter(({ code }) => there.has(code));
  const numberOf = new Map(shown.map(({ code }, g) => [code, g]));
  return {
    names: shown.map(({ name }) => name),
    groupOf: codes.map((code) => numberOf.get(code) ?? -1),
    within: shown.map(({ within }) => within),
    leftOut,
  };
}

/** The numbers of the sources that are meant, among those worked with. */
export function subsetNumbers(state: StudyState, name: string): readonly number[] {
  const of = Object.keys(state.subsets).indexOf(name);
  const { groupOf } = comparedGroups({
    ...state,
    settings: { ...state.settings, compare: { ...state.settings.compare, columns: 'subsets' } },
  });
  return of < 0 ? [] : groupOf.flatMap((group, i) => (group === of ? [i] : []));
}
