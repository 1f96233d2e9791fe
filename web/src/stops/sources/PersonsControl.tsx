import { Radio } from 'antd';
import { inFigures } from '@green-thicket/core/base/wording';
import { attributeNames, attributeValues } from '@green-thicket/core/study/groups';
import { shownSources } from '@green-thicket/core/study/subset';
import type { ControlProps } from '../../controls/control-inputs.tsx';

/** Which attribute says who speaks in a source, where any does. */
export function PersonsControl({ state, decide }: ControlProps) {
  const sources = shownSources(state);
  // Only what some sources share can say that they are one person's.
  const offered = attributeNames(sources).flatMap((attribute) => {
    const given = attributeValues(sources, attribute).filter((value) => value !== '');
    const people = new Set(given).size + sources.length - given.length;
    return people < sources.length ? [{ attribute, people }] : [];
  });
  return (
    <>
      <Radio.Group
        className="stack"
        value={state.settings.sources.person ?? ''}
        onChange={(event) => decide({ kind: 'setSources', change: { person: event.target.value as string } })}
      >
        <Radio value="">Each source is somebody else’s</Radio>
        {offered.map(({ attribute, people }) => (
          <Radio key={attribute} value={attribute}>
            {attribute} says who speaks: {inFigures(people)} {people === 1 ? 'person' : 'people'} in{' '}
            {inFigures(sources.length)} sources
          </Radio>
        ))}
      </Radio.Group>
      {offered.length === 0 && (
        <p className="quiet">
          No attribute has a value that two sources share. Add one, such as person, and give the sources of
          one person the same value.
        </p>
      )}
    </>
  );
}
