import { byCodeUnits } from '../base/order.ts';
import { ownValue } from '../base/records.ts';
import { inBands, inPeriods } from './bands.ts';
import type { StudySource, StudyState } from './study.ts';
import { workingSources } from './subset.ts';

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
 * The group of each source by an attribute: its value; of dates the period they are in, of many numbers their band. The same
 * array for the same sources and type.
 */
export function groupValues(state: StudyState, attribute: string): readonly string[] {
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

/** The groups that values make, one value a source. */
export function groupsByValue(values: readonly string[]): Groups {
  const names = [...new Set(values)].filter((name) => name !== '').sort(byLeadingNumber);
  const numberOf = new Map(names.map((name, i) => [name, i]));
  return { names, groupOf: Int32Array.from(values, (value) => numberOf.get(value) ?? -1) };
}

/** The groups of an attribute. */
export const groupsOf = (state: StudyState, attribute: string): Groups =>
  groupsByValue(groupValues(state, attribute));

/** The attribute groups are made of: the one chosen, or else the first with two to twelve values. */
export function comparedAttribute(state: StudyState): string | undefined {
  const sources = workingSources(state);
  const names = attributeNames(sources);
  if (names.includes(state.settings.compare.attribute)) return state.settings.compare.attribute;
  const values = (name: string): number => groupsOf(state, name).names.length;
  return names.find((name) => values(name) >= 2 && values(name) <= 12) ?? names[0];
}
