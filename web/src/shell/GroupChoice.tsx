import { Select } from 'antd';
import { attributeNames, groupsOf } from '@green-thicket/core/study/study';
import { workingSources } from '@green-thicket/core/study/subset';
import type { Group } from '@green-thicket/core/study/view-types';
import { useStudy } from './study-context.ts';

/** An attribute with more values tells no groups. */
const MOST_GROUPS = 30;

/** A choice of one group of sources, or none. */
export function GroupChoice({
  group,
  label,
  placeholder,
  title,
  onChoose,
}: {
  group: Group | undefined;
  label: string;
  placeholder: string;
  title: string;
  onChoose: (group: Group | undefined) => void;
}) {
  const { state } = useStudy();
  const sources = workingSources(state);
  const groups = attributeNames(sources)
    .map((attribute) => ({ attribute, values: groupsOf(sources, attribute).names }))
    .filter(({ values }) => values.length >= 2 && values.length <= MOST_GROUPS);
  if (groups.length === 0) return null;
  return (
    <Select
      size="small"
      allowClear
      className="short"
      aria-label={label}
      placeholder={placeholder}
      title={title}
      popupMatchSelectWidth={false}
      value={group ? JSON.stringify([group.attribute, group.value]) : null}
      options={groups.map(({ attribute, values }) => ({
        label: attribute,
        options: values.map((value) => ({
          value: JSON.stringify([attribute, value]),
          label: `${attribute}: ${value}`,
        })),
      }))}
      onChange={(chosen?: string | null) => {
        const found = groups
          .flatMap(({ attribute, values }) => values.map((value): Group => ({ attribute, value })))
          .find(({ attribute, value }) => JSON.stringify([attribute, value]) === chosen);
        onChoose(found);
      }}
    />
  );
}
