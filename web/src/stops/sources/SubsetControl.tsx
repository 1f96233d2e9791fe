import { Button, Checkbox, Input, Segmented, Select } from 'antd';
import { useState } from 'react';
import { comparable } from '@green-thicket/core/study/attributes';
import { counted } from '@green-thicket/core/base/wording';
import { attributeNames } from '@green-thicket/core/study/groups';
import {
  conditionText,
  sourcesIn,
  subsetText,
  valuesOf,
  type Condition,
  type Subset,
} from '@green-thicket/core/study/subset';
import { AddInput } from '../../pieces/AddInput.tsx';
import type { ControlProps } from '../../controls/control-inputs.tsx';
import { ownValue } from '@green-thicket/core/base/records';
import styles from './SubsetControl.module.css';

/** The subset the study works with, built by picking values; what remains is said at once. */
export function SubsetControl({ state, decide }: ControlProps) {
  const { subset } = state.settings.sources;
  const attributes = attributeNames(state.sources);
  const [editing, setEditing] = useState(subset.length === 0 ? (attributes[0] ?? '') : '');
  const remaining = sourcesIn(state, subset).length;
  const change = (next: Subset): void => decide({ kind: 'setSources', change: { subset: next } });
  if (attributes.length === 0) {
    return <p>Give the sources an attribute first, such as role or date. Then they can be picked by it.</p>;
  }
  const edited = subset.find((condition) => condition.attribute === editing);
  const put = (condition: Condition | undefined): void => {
    const others = subset.filter((each) => each.attribute !== editing);
    change(condition ? [...others, condition] : others);
  };
  return (
    <>
      <p role="status">
        <strong>{remaining}</strong> of {counted(state.sources.length, 'source')}{' '}
        {remaining === 1 ? 'remains' : 'remain'}.
        {remaining === 0 && ' Nothing is left to work with: take a condition out or widen it.'}
      </p>
      {subset.length > 0 && (
        <ul className={`plain-list ${styles.conditionList}`} aria-label="Conditions">
          {subset.map((condition) => (
            <li key={condition.attribute}>
              <button type="button" className="linklike" onClick={() => setEditing(condition.attribute)}>
                {conditionText(condition, state)}
              </button>
              <Button
                size="small"
                type="text"
                aria-label={`Take out: ${conditionText(condition, state)}`}
                onClick={() => change(subset.filter((each) => each !== condition))}
              >
                ✕
              </Button>
            </li>
          ))}
        </ul>
      )}
      <label className="control-row">
        Pick by
        <Select
          aria-label="Attribute to pick by"
          className="short"
          value={editing === '' ? undefined : editing}
          placeholder="an attribute"
          options={attributes.map((name) => ({ value: name, label: name }))}
          onChange={setEditing}
        />
      </label>
      {editing !== '' && (
        <ConditionEditor key={editing} attribute={editing} condition={edited} state={state} onChange={put} />
      )}
      <NamedSubsets state={state} decide={decide} />
    </>
  );
}

function ConditionEditor({
  attribute,
  condition,
  state,
  onChange,
}: Pick<ControlProps, 'state'> & {
  attribute: string;
  condition: Condition | undefined;
  onChange: (condition: Condition | undefined) => void;
}) {
  const type = ownValue(state.attributeTypes, attribute) ?? 'text';
  const [by, setBy] = useState<'values' | 'range'>(condition?.kind ?? (type === 'text' ? 'values' : 'range'));
  const [filter, setFilter] = useState('');
  const values = valuesOf(state.sources, attribute);
  const picked = condition?.kind === 'values' ? condition.values : [];
  const range = condition?.kind === 'range' ? condition : { from: '', to: '' };
  const shown = values.filter(({ value }) => value.toLowerCase().includes(filter.toLowerCase()));
  const setEnd = (end: 'from' | 'to', value: string): void => {
    const next = { from: range.from, to: range.to, [end]: value };
    onChange(next.from === '' && next.to === '' ? undefined : { kind: 'range', attribute, ...next });
  };
  return (
    <div className="stack condition-editor">
      {type !== 'text' && (
        <Segmented
          size="small"
          aria-label="Pick by a range or by values"
          value={by}
          options={[
            { value: 'range', label: type === 'date' ? 'from … to' : 'at least … at most' },
            { value: 'values', label: 'single values' },
          ]}
          onChange={(next) => setBy(next as 'values' | 'range')}
        />
      )}
      {by === 'range' ? (
        <div className="control-row">
          <RangeEnd
            label={`${attribute} from`}
            type={type}
            value={range.from}
            onChange={(v) => setEnd('from', v)}
          />
          to
          <RangeEnd
            label={`${attribute} to`}
            type={type}
            value={range.to}
            onChange={(v) => setEnd('to', v)}
          />
        </div>
      ) : (
        <>
          {values.length > 12 && (
            <Input
              size="small"
              aria-label={`Find a value of ${attribute}`}
              placeholder={`Find among ${values.length} values`}
              value={filter}
              onChange={(event) => setFilter(event.target.value)}
            />
          )}
          <Checkbox.Group
            className={styles.valueList}
            aria-label={`Values of ${attribute}`}
            value={[...picked]}
            options={shown.slice(0, 200).map(({ value, sources }) => ({
              value,
              label: `${value === '' ? 'not given' : value} · ${sources}`,
            }))}
            onChange={(chosen) => {
              const hidden = picked.filter((value) => !shown.some((each) => each.value === value));
              const next = [...hidden, ...chosen];
              onChange(next.length === 0 ? undefined : { kind: 'values', attribute, values: next });
            }}
          />
        </>
      )}
    </div>
  );
}

/** One end of a range; what is no number or date is refused with a word of why. */
function RangeEnd({
  label,
  type,
  value,
  onChange,
}: {
  label: string;
  type: 'text' | 'number' | 'date';
  value: string;
  onChange: (value: string) => void;
}) {
  const [draft, setDraft] = useState(value);
  const isWrong = draft.trim() !== '' && comparable(draft, type, 'dmy') === undefined;
  const finish = (): void => {
    if (isWrong || draft.trim() === value) return;
    onChange(draft.trim() === '' ? '' : String(comparable(draft, type, 'dmy')));
  };
  return (
    <Input
      className={styles.rangeEnd}
      aria-label={label}
      value={draft}
      status={isWrong ? 'error' : undefined}
      title={isWrong ? (type === 'date' ? 'Write a date as 2031-06-01.' : 'Write a number.') : undefined}
      placeholder={type === 'date' ? '2031-06-01' : 'any'}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={finish}
      onPressEnter={finish}
    />
  );
}

function NamedSubsets({ state, decide }: Pick<ControlProps, 'state' | 'decide'>) {
  const { subset } = state.settings.sources;
  const named = Object.entries(state.subsets);
  const isNamed = named.some(([, each]) => JSON.stringify(each) === JSON.stringify(subset));
  return (
    <>
      {named.length > 0 && (
        <ul className={`plain-list ${styles.conditionList}`} aria-label="Subsets kept by name">
          {named.map(([each, kept]) => (
            <li key={each}>
              <button
                type="button"
                className="linklike"
                title={subsetText(state, kept)}
                onClick={() => decide({ kind: 'setSources', change: { subset: kept } })}
              >
                {each} · {counted(sourcesIn(state, kept).length, 'source')}
              </button>
              <Button
                size="small"
                type="text"
                aria-label={`Forget the subset ${each}`}
                onClick={() => decide({ kind: 'forgetSubset', name: each })}
              >
                ✕
              </Button>
            </li>
          ))}
        </ul>
      )}
      {subset.length > 0 && (
        <div className="control-row">
          <Button size="small" onClick={() => decide({ kind: 'setSources', change: { subset: [] } })}>
            Work with all sources
          </Button>
          {!isNamed && (
            <AddInput
              label="Name of this subset"
              placeholder="Keep it under a name"
              action="Keep"
              onAdd={(name) => decide({ kind: 'keepSubset', name, subset })}
            />
          )}
        </div>
      )}
    </>
  );
}
