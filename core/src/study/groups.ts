import { ownValue } from '../base/records.ts';
import type { StudySource, StudyState } from './study.ts';
import { workingSources } from './subset.ts';

/** The attributes any source has, in the order they are first met. */
export function attributeNames(sources: readonly StudySource[]): string[] {
  return [...new Set(sources.flatMap((source) => Object.keys(source.attributes)))];
}

/** The attribute groups are made of: the one chosen, or else the first with two to twelve values. */
export function comparedAttribute(state: StudyState): string | undefined {
  const sources = workingSources(state);
  const names = attributeNames(sources);
  if (names.includes(state.settings.compare.attribute)) return state.settings.compare.attribute;
  const values = (name: string): number => groupsOf(sources, name).names.length;
  return names.find((name) => values(name) >= 2 && values(name) <= 12) ?? names[0];
}

/** The groups of an attribute, in code-unit order, and the group of each source (−1 where it has no value). */
export function groupsOf(
  sources: readonly StudySource[],
  attribute: string,
): { names: string[]; groupOf: Int32Array } {
  const value = (source: StudySource): string => (ownValue(source.attributes, attribute) ?? '').trim();
  const names = [...new Set(sources.map(value))].filter((name) => name !== '').sort();
  const numberOf = new Map(names.map((name, i) => [name, i]));
  return { names, groupOf: Int32Array.from(sources, (source) => numberOf.get(value(source)) ?? -1) };
}
