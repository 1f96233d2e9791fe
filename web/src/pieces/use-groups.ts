import { attributeNames, groupsOf } from '@green-thicket/core/study/groups';
import { shownSources } from '@green-thicket/core/study/subset';
import type { Group } from '@green-thicket/core/views/view-types';
import { useStudy } from './study-context.ts';

/** An attribute with more values tells no groups. */
const MOST_GROUPS = 30;

/** The groups that can be chosen from, for a list under the names of their attributes. */
export interface GroupOptions {
  readonly options: { label: string; options: { value: string; label: string }[] }[];
  /** The entry of the list a group is. */
  readonly entryOf: (group: Group) => string;
  /** The group of an entry; undefined where there is none. */
  readonly groupOf: (entry: string) => Group | undefined;
}

const entryOf = ({ attribute, value }: Group): string => JSON.stringify([attribute, value]);

export function useGroups(): GroupOptions {
  const { state } = useStudy();
  const sources = shownSources(state);
  const attributes = attributeNames(sources)
    .map((attribute) => ({ attribute, values: groupsOf(state, attribute).names }))
    .filter(({ values }) => values.length >= 2 && values.length <= MOST_GROUPS);
  const groups = attributes.flatMap(({ attribute, values }) =>
    values.map((value): Group => ({ attribute, value })),
  );
  return {
    options: attributes.map(({ attribute, values }) => ({
      label: attribute,
      options: values.map((value) => ({
        value: entryOf({ attribute, value }),
        label: `${attribute}: ${value}`,
      })),
    })),
    entryOf,
    groupOf: (entry) => groups.find((group) => entryOf(group) === entry),
  };
}
