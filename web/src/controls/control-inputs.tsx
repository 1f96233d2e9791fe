import { InputNumber, Radio, Switch } from 'antd';
import { useState } from 'react';
import type { Decision } from '@green-thicket/core/study/decisions';
import { within, type NumberRange } from '@green-thicket/core/base/ranges';
import type { StudyState } from '@green-thicket/core/study/study';
import type { ControlName } from '@green-thicket/core/words/sentences';

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

/** The controls of a stop, by the names they have in its sentence. */
export type Controls<Names extends ControlName> = Readonly<Record<Names, ControlDefinition>>;

/** A number that is decided on once it is complete: on Enter, on leaving, or by its arrows. */
export function NumberBox(props: {
  label: string;
  value: number;
  range: NumberRange;
  step?: number;
  onChange: (value: number) => void;
}) {
  const { label, value, range, step = 1, onChange } = props;
  const { min, max } = range;
  const [draft, setDraft] = useState<number | null>(value);
  const decideOn = (next: number | null): void => {
    if (next === null) return;
    const held = within(range, next);
    setDraft(held);
    if (held !== value) onChange(held);
  };
  return (
    <InputNumber
      aria-label={label}
      value={draft}
      min={min}
      max={max}
      step={step}
      precision={range.whole ? 0 : undefined}
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

/** One of a few values, a line each. */
export function choice<Value extends string | boolean>(
  label: string,
  options:
    | readonly { readonly value: Value; readonly label: string }[]
    | ((state: StudyState) => readonly { readonly value: Value; readonly label: string }[]),
  read: (state: StudyState) => Value | undefined,
  make: (value: Value) => Decision,
) {
  return function Choice({ state, decide }: ControlProps) {
    return (
      <Radio.Group
        aria-label={label}
        className="control-column"
        value={read(state)}
        options={[...(typeof options === 'function' ? options(state) : options)]}
        onChange={(event) => decide(make(event.target.value as Value))}
      />
    );
  };
}

export function number(
  label: string,
  { step, ...range }: NumberRange & { readonly step?: number },
  read: (state: StudyState) => number,
  make: (value: number) => Decision,
) {
  return function NumberControl({ state, decide }: ControlProps) {
    return (
      <NumberBox
        label={label}
        value={read(state)}
        range={range}
        step={step}
        onChange={(value) => decide(make(value))}
      />
    );
  };
}
