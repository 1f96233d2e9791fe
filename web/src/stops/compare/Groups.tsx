import { Button, Checkbox, Input, Radio } from 'antd';
import { useState } from 'react';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import { ownValue } from '@green-thicket/core/base/records';
import {
  attributeNames,
  comparedAttribute,
  crossedAttribute,
  groupsOf,
} from '@green-thicket/core/study/groups';
import { LONGEST } from '@green-thicket/core/study/limits';
import { shownSources } from '@green-thicket/core/study/subset';
import { Select } from '../../pieces/Select.tsx';
import type { ControlProps } from '../../controls/control-inputs.tsx';
import styles from './Groups.module.css';

/** Groups that are listed to be ticked, moved and joined. */
const LISTED = 60;
const NONE = '\u0000none';

/** The attribute whose values are compared, one it is crossed with, and what is made of the groups. */
export function Groups({ state, decide }: ControlProps) {
  const names = attributeNames(shownSources(state));
  const attribute = comparedAttribute(state);
  const across = crossedAttribute(state);
  if (attribute === undefined) return <p>The sources have no attribute yet.</p>;
  return (
    <>
      <Radio.Group
        aria-label="Attribute"
        className="control-column"
        value={attribute}
        options={names.map((name) => ({ value: name, label: name }))}
        onChange={(event) =>
          decide({ kind: 'setCompare', change: { attribute: event.target.value as string } })
        }
      />
      {names.length > 1 && (
        <label className="control-row">
          together with
          <Select
            size="small"
            className="short"
            aria-label="Crossed with"
            value={across ?? NONE}
            options={[
              { value: NONE, label: 'nothing' },
              ...names.filter((name) => name !== attribute).map((name) => ({ value: name, label: name })),
            ]}
            onChange={(value: string) =>
              decide({ kind: 'setCompare', change: { across: value === NONE ? '' : value } })
            }
          />
        </label>
      )}
      <GroupList key={attribute} attribute={attribute} state={state} decide={decide} />
    </>
  );
}

function GroupList({
  attribute,
  state,
  decide,
}: Pick<ControlProps, 'state' | 'decide'> & { attribute: string }) {
  const { names, groupOf } = groupsOf(state, attribute);
  const choices = ownValue(state.groupChoices, attribute);
  const leftOut = new Set(choices?.leftOut);
  const joined = new Set(Object.values(choices?.joined ?? {}));
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const [name, setName] = useState('');
  const picked = ticked.filter((each) => names.includes(each));
  const move = (at: number, to: number): void => {
    const values = [...names];
    values.splice(to, 0, ...values.splice(at, 1));
    decide({ kind: 'orderGroups', attribute, values });
  };
  const suggested = picked.join(' and ').slice(0, 60);
  const join = (): void => {
    decide({ kind: 'joinGroups', attribute, values: picked, name: name.trim() || suggested });
    setTicked([]);
    setName('');
  };
  return (
    <section aria-label={`Groups by ${attribute}`}>
      <p className="quiet">Ticked groups are compared. Pick two or more by their names to join them.</p>
      <ul className={`plain-list ${styles.groupsGroups}`}>
        {names.slice(0, LISTED).map((group, g) => {
          const sources = groupOf.reduce((sum, each) => sum + (each === g ? 1 : 0), 0);
          const isPicked = picked.includes(group);
          return (
            <li key={group}>
              <Checkbox
                aria-label={`Compare ${group}`}
                checked={!leftOut.has(group)}
                onChange={(event) =>
                  decide({
                    kind: 'leaveOutGroups',
                    attribute,
                    values: event.target.checked
                      ? [...leftOut].filter((each) => each !== group)
                      : [...leftOut, group],
                  })
                }
              />
              <button
                type="button"
                className={isPicked ? `${styles.groupsName} here` : styles.groupsName}
                aria-pressed={isPicked}
                title={`${counted(sources, 'source')}; pick to join with others`}
                onClick={() =>
                  setTicked(isPicked ? picked.filter((each) => each !== group) : [...picked, group])
                }
              >
                {group} <span className="quiet">{inFigures(sources)}</span>
              </button>
              {joined.has(group) && (
                <button
                  type="button"
                  className="linklike"
                  onClick={() => decide({ kind: 'partGroup', attribute, name: group })}
                >
                  part
                </button>
              )}
              <button
                type="button"
                className="linklike"
                aria-label={`${group} earlier`}
                disabled={g === 0}
                onClick={() => move(g, g - 1)}
              >
                ↑
              </button>
              <button
                type="button"
                className="linklike"
                aria-label={`${group} later`}
                disabled={g === names.length - 1}
                onClick={() => move(g, g + 1)}
              >
                ↓
              </button>
            </li>
          );
        })}
      </ul>
      {names.length > LISTED && <p className="quiet">… and {inFigures(names.length - LISTED)} more.</p>}
      {picked.length > 1 && (
        <div className="control-row">
          <Input
            size="small"
            aria-label="Name of the joined group"
            placeholder={suggested}
            maxLength={LONGEST.name}
            value={name}
            onChange={(event) => setName(event.target.value)}
            onPressEnter={join}
          />
          <Button size="small" type="primary" onClick={join}>
            Join {picked.length}
          </Button>
        </div>
      )}
    </section>
  );
}
