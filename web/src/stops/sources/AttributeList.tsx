import { Button, Dropdown } from 'antd';
import { useState } from 'react';
import { counted } from '@green-thicket/core/base/wording';
import { attributeNames, attributeValues } from '@green-thicket/core/study/groups';
import { AddInput } from '../../pieces/AddInput.tsx';
import { useStudy } from '../../pieces/study-context.ts';
import { FillFromDates } from './FillFromDates.tsx';
import { FillFromNames } from './FillFromNames.tsx';
import { useIntake } from './intake-context.ts';
import { chooseFiles } from './choose-files.ts';
import { ownValue } from '@green-thicket/core/base/records';
import styles from './AttributeList.module.css';

/** The attributes with how many values each has, and the ways to get more. */
export function AttributeList() {
  const { state, decide } = useStudy();
  const { addFiles } = useIntake();
  const [dialog, setDialog] = useState<'names' | 'dates'>();
  const attributes = attributeNames(state.sources);
  return (
    <>
      <h2 className="pane-title">Attributes</h2>
      {attributes.length > 0 && (
        <ul className="plain-list" aria-label="Attributes">
          {attributes.map((each) => (
            <li key={each} className={styles.attributeLine}>
              {each}{' '}
              <span className="quiet">
                {ownValue(state.attributeTypes, each) ?? 'text'} ·{' '}
                {counted(
                  new Set(attributeValues(state.sources, each).filter((value) => value !== '')).size,
                  'value',
                )}
              </span>
            </li>
          ))}
        </ul>
      )}
      <AddInput
        label="New attribute"
        placeholder="New: role, place, date …"
        action="Add"
        onAdd={(attribute) => {
          if (attributes.includes(attribute)) return false;
          decide({
            kind: 'setAttribute',
            ids: state.sources.map((source) => source.id),
            attribute,
            value: '',
          });
          return true;
        }}
      />
      <Dropdown
        trigger={['click']}
        menu={{
          'aria-label': 'Fill attributes',
          items: [
            { key: 'table', label: 'From a table with the sources’ names' },
            { key: 'names', label: 'From the sources’ names' },
            { key: 'dates', label: 'From the dates in the texts' },
          ],
          onClick: ({ key }) => {
            if (key === 'names' || key === 'dates') setDialog(key);
            else chooseFiles({ accept: '.csv,.tsv,.xlsx,.json' }, addFiles);
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
