import { Button, Input, Radio, Switch } from 'antd';
import { useState } from 'react';
import { patternFault } from '@green-thicket/core/text/patterns';
import { stepDescription, type CleaningStep } from '@green-thicket/core/text/cleaning/steps';
import {
  isPattern,
  valueOfField,
  type StepField,
  type TextField,
} from '@green-thicket/core/text/cleaning/steps/describe';
import { FocusBox } from '../../pieces/FocusBox.tsx';
import { NumberBox } from '../../controls/control-inputs.tsx';
import { useStepChanges } from './step-changes.ts';

/** What can be set of a step; each change is shown in the text at once. */
export function StepEditor({ step, close }: { step: CleaningStep; close: () => void }) {
  const { steps, change, switchStep, remove, move } = useStepChanges();
  const at = steps.findIndex((each) => each.id === step.id);
  const { name, help } = stepDescription(step.kind);
  return (
    <FocusBox label={name} className="control-box" onClose={close}>
      <label className="control-row">
        <Switch
          size="small"
          checked={step.on}
          aria-label={`${name}: on`}
          onChange={(on) => switchStep(step, on)}
        />
        <strong>{name}</strong>
      </label>
      <p className="quiet">{help}</p>
      <StepOptions key={step.id} step={step} onChange={change} />
      <div className="control-row">
        <Button size="small" disabled={at <= 0} onClick={() => move(step.id, at - 1)}>
          Earlier
        </Button>
        <Button size="small" disabled={at >= steps.length - 1} onClick={() => move(step.id, at + 1)}>
          Later
        </Button>
        <Button
          size="small"
          type="text"
          onClick={() => {
            close();
            remove(step);
          }}
        >
          Remove
        </Button>
      </div>
    </FocusBox>
  );
}

/** What can be set of the step, as its fields ask for it. */
function StepOptions({ step, onChange }: { step: CleaningStep; onChange: (step: CleaningStep) => void }) {
  return Object.entries(stepDescription(step.kind).fields).map(([name, field]) => (
    <StepOption
      key={name}
      field={field}
      value={valueOfField(step, name)}
      isPattern={isPattern(field, step)}
      onChange={(value) => onChange({ ...step, [name]: value })}
    />
  ));
}

function StepOption({
  field,
  value,
  isPattern,
  onChange,
}: {
  field: StepField;
  value: unknown;
  /** Whether the text is read as a pattern now. */
  isPattern: boolean;
  onChange: (value: unknown) => void;
}) {
  switch (field.ask) {
    case 'switch':
      return (
        <label className="control-row">
          <Switch size="small" checked={value === true} aria-label={field.label} onChange={onChange} />
          {field.label}
        </label>
      );
    case 'choice':
      return (
        <Radio.Group
          aria-label={field.label}
          className="control-column"
          value={value}
          options={[...field.options]}
          onChange={(event) => onChange(event.target.value)}
        />
      );
    case 'number':
      return (
        <label className="control-row">
          {field.before}
          <NumberBox label={field.label} value={Number(value)} range={field.range} onChange={onChange} />
          {field.after}
        </label>
      );
    case 'text':
      return <TextOption field={field} value={String(value)} isPattern={isPattern} onChange={onChange} />;
  }
}

/** A text that is decided on once it is complete; a faulty pattern is not taken, and says why. */
function TextOption({
  field,
  value,
  isPattern,
  onChange,
}: {
  field: TextField;
  value: string;
  isPattern: boolean;
  onChange: (value: string) => void;
}) {
  const [draft, setDraft] = useState(value);
  const fault = isPattern && draft !== '' ? patternFault(draft) : undefined;
  const finish = (): void => {
    if (fault === undefined && draft !== value) onChange(draft);
  };
  return (
    <>
      <Input
        aria-label={field.label}
        value={draft}
        maxLength={field.longest}
        placeholder={isPattern ? field.pattern?.placeholder : field.placeholder}
        status={fault ? 'error' : undefined}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={finish}
        onPressEnter={finish}
      />
      {fault && (
        <p className="control-fault" role="alert">
          {fault}
        </p>
      )}
    </>
  );
}
