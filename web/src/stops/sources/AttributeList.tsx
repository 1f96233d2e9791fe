import { Button, Dropdown, Input } from 'antd';
import { useState } from 'react';
import { counted } from '@green-thicket/core/study/sentences';
import { attributeNames, groupsOf } from '@green-thicket/core/study/study';
import { useStudy } from '../../shell/study-context.ts';
import { FillFromDates } from './FillFromDates.tsx';
import { FillFromNames } from './FillFromNames.tsx';
import { useIntake } from './intake-context.ts';
import { chooseFiles } from './choose-files.ts';

/** The attributes with how many values each has, and the ways to get more. */
export function AttributeList() {
  const { state, decide } = useStudy();
  const { addFiles } = useIntake();
  const [name, setName] = useState('');
  const [dialog, setDialog] = useState<'names' | 'dates'>();
  const attributes = attributeNames(state.sources);
  const add = (): void => {
    const attribute = name.trim();
    if (attribute === '' || attributes.includes(attribute)) return;
    decide({ kind: 'setAttribute', ids: state.sources.map((source) => source.id), attribute, value: '' });
    setName('');
  };
  return (
    <>
      <h2 className="pane-title">Attributes</h2>
      {attributes.length > 0 && (
        <ul className="plain-list" aria-label="Attributes">
          {attributes.map((each) => (
            <li key={each} className="attribute-line">
              {each}{' '}
              <span className="quiet">
                {state.attributeTypes[each] ?? 'text'} ·{' '}
                {counted(groupsOf(state.sources, each).names.length, 'value')}
              </span>
            </li>
          ))}
        </ul>
      )}
      <Input
        size="small"
        aria-label="New attribute"
        placeholder="New: role, place, date …"
        value={name}
        maxLength={60}
        onChange={(event) => setName(event.target.value)}
        onPressEnter={add}
        suffix={
          <button type="button" className="linklike" disabled={name.trim() === ''} onClick={add}>
            Add
          </button>
        }
      />
      <Dropdown
        trigger={['click']}
        menu={{
          items: [
            { key: 'table', label: 'From a table with the sources’ names' },
            { key: 'names', label: 'From the sources’ names' },
            { key: 'dates', label: 'From the dates in the texts' },
          ],
          onClick: ({ key }) => {
            if (key === 'names' || key === 'dates') setDialog(key);
            else chooseFiles({ accept: '.csv,.tsv,.xlsx,.json' }, (files) => void addFiles(files));
          },
        }}
      >
        <Button size="small">Fill them …</Button>
      </Dropdown>
      {dialog === 'names' && <FillFromNames onClose={() => setDialog(undefined)} />}
      {dialog === 'dates' && <FillFromDates onClose={() => setDialog(undefined)} />}
    </>
  );
}
