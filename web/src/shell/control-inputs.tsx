import { InputNumber, Switch } from 'antd';
import { useState } from 'react';
import type { Decision } from '@green-thicket/core/study/decisions';
import type { StudyState } from '@green-thicket/core/study/study';

export interface ControlProps {
  readonly state: StudyState;
  readonly decide: (decision: Decision) => void;
  readonly close: () => void;
}

export interface ControlDefinition {
  readonly label: string;
  /** One plain sentence: what it does. */
  readonly help: string;
  /** Whether it needs more room than most. */
  readonly wide?: boolean;
  readonly Input: (props: ControlProps) => React.JSX.Element;
}

/** A number that is decided on once it is complete: on Enter, on leaving, or by its arrows. */
export function NumberBox(props: {
  label: string;
  value: number;
  min: number;
  max: number;
  step?: number;
  onChange: (value: number) => void;
}) {
  const { label, value, min, max, step = 1, onChange } = props;
  const [draft, setDraft] = useState<number | null>(value);
  const decideOn = (next: number | null): void => {
    if (next !== null && next !== value && next >= min && next <= max) onChange(next);
  };
  return (
    <InputNumber
      autoFocus
      aria-label={label}
      value={draft}
      min={min}
      max={max}
      step={step}
      onChange={setDraft}
      onStep={(next) => decideOn(Number(next))}
      onBlur={() => decideOn(draft)}
      onPressEnter={() => decideOn(draft)}
    />
  );
}

export function onOff(label: string, isOn: (state: StudyState) => boolean, make: (on: boolean) => Decision) {
  return function OnOff({ state, decide }: ControlProps) {
    return (
      <label className="control-row">
        <Switch checked={isOn(state)} onChange={(on) => decide(make(on))} aria-label={label} /> {label}
      </label>
    );
  };
}

export function number(
  label: string,
  range: { min: number; max: number; step?: number },
  read: (state: StudyState) => number,
  make: (value: number) => Decision,
) {
  return function NumberControl({ state, decide }: ControlProps) {
    return (
      <NumberBox label={label} value={read(state)} {...range} onChange={(value) => decide(make(value))} />
    );
  };
}
