import { Select } from 'antd';
import { FIGURES, type FigureName } from '@green-thicket/core/study/figure-sentences';
import { attributeNames, groupsOf } from '@green-thicket/core/study/study';
import { workingSources } from '@green-thicket/core/study/subset';
import { useStudy } from '../../shell/study-context.ts';
import { FIGURE_FACES } from './figures.ts';

/** A group of sources: one value of an attribute. */
export interface Group {
  readonly attribute: string;
  readonly value: string;
}

/** An attribute with more values tells no groups. */
const MOST_GROUPS = 30;

/** Which figure an axis of the field follows. */
export function AxisChoice({
  label,
  value,
  onChange,
}: {
  label: string;
  value: FigureName;
  onChange: (figure: FigureName) => void;
}) {
  return (
    <Select
      size="small"
      aria-label={label}
      value={value}
      popupMatchSelectWidth={false}
      options={FIGURES.map((figure) => ({
        value: figure,
        label: `${label}: ${FIGURE_FACES[figure].title.toLowerCase()}`,
        title: FIGURE_FACES[figure].hint,
      }))}
      onChange={onChange}
    />
  );
}

/** The group whose distinctive concepts are looked for, against the rest. */
export function GroupChoice({
  group,
  onChoose,
}: {
  group: Group | undefined;
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
      aria-label="Distinctive of a group"
      placeholder="Distinct of …"
      title="What sets one group apart from the rest"
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
