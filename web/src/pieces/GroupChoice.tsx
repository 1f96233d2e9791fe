import type { Group } from '@green-thicket/core/views/view-types';
import { useGroups } from './use-groups.ts';
import { Select } from './Select.tsx';
import styles from './GroupChoice.module.css';

interface ChoiceWords {
  readonly label: string;
  readonly placeholder: string;
  readonly title: string;
}

/** A choice of one group of sources, or none. */
export function GroupChoice({
  group,
  label,
  placeholder,
  title,
  onChoose,
}: ChoiceWords & { group: Group | undefined; onChoose: (group: Group | undefined) => void }) {
  const { options, entryOf, groupOf } = useGroups();
  if (options.length === 0) return null;
  return (
    <Select<string | null>
      size="small"
      allowClear
      className="short"
      aria-label={label}
      placeholder={placeholder}
      title={title}
      popupMatchSelectWidth={false}
      value={group ? entryOf(group) : null}
      options={options}
      onChange={(entry?: string | null) => onChoose(entry ? groupOf(entry) : undefined)}
    />
  );
}

/** A choice of several groups of sources; none means all of them. */
export function GroupsChoice({
  groups,
  label,
  placeholder,
  title,
  onChoose,
}: ChoiceWords & { groups: readonly Group[]; onChoose: (groups: readonly Group[]) => void }) {
  const { options, entryOf, groupOf } = useGroups();
  if (options.length === 0) return null;
  return (
    <Select<string[]>
      mode="multiple"
      size="small"
      allowClear
      className={styles.groupsChoice}
      aria-label={label}
      placeholder={placeholder}
      title={title}
      popupMatchSelectWidth={false}
      value={groups.map(entryOf)}
      options={options}
      optionFilterProp="label"
      onChange={(entries) => onChoose(entries.map(groupOf).filter((group) => group !== undefined))}
    />
  );
}
