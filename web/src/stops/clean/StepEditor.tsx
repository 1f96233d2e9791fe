import { Button, Input, Radio, Switch } from 'antd';
import { useState } from 'react';
import { STEP_KINDS } from '@green-thicket/core/words/step-texts';
import { patternFault } from '@green-thicket/core/text/patterns';
import type { CleaningStep } from '@green-thicket/core/text/steps';
import { FocusBox } from '../../pieces/FocusBox.tsx';
import { NumberBox } from '../../controls/control-inputs.tsx';
import { useStepChanges } from './step-changes.ts';
import { LONGEST } from '@green-thicket/core/study/limits';

/** What can be set of a step; each change is shown in the text at once. */
export function StepEditor({ step, close }: { step: CleaningStep; close: () => void }) {
  const { steps, change, switchStep, remove, move } = useStepChanges();
  const at = steps.findIndex((each) => each.id === step.id);
  const { name, help } = STEP_KINDS[step.kind];
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

function StepOptions({ step, onChange }: { step: CleaningStep; onChange: (step: CleaningStep) => void }) {
  switch (step.kind) {
    case 'remarks':
      return (
        <label className="control-row">
          <Switch
            size="small"
            checked={step.round}
            aria-label="Everything in round brackets too"
            onChange={(round) => onChange({ ...step, round })}
          />
          everything in round brackets too
        </label>
      );
    case 'lines':
      return (
        <TextOption
          label="Pattern of the lines"
          value={step.pattern}
          placeholder="for example ^Page \d+$"
          isPattern
          onChange={(pattern) => onChange({ ...step, pattern })}
        />
      );
    case 'handles':
    case 'hashtags':
      return (
        <Radio.Group
          aria-label={step.kind === 'handles' ? 'Handles' : 'Hashtags'}
          className="control-column"
          value={step.keepWord}
          options={[
            { value: false, label: 'take them out' },
            { value: true, label: `keep the word, drop the ${step.kind === 'handles' ? '@' : '#'}` },
          ]}
          onChange={(event) => onChange({ ...step, keepWord: event.target.value as boolean })}
        />
      );
    case 'replace':
      return <ReplaceOptions step={step} onChange={onChange} />;
    case 'symbols':
      return (
        <Radio.Group
          aria-label="Which symbols"
          className="control-column"
          value={step.which}
          options={[
            { value: 'both', label: 'symbols and emoji' },
            { value: 'emoji', label: 'emoji only' },
            { value: 'symbols', label: 'symbols only' },
          ]}
          onChange={(event) =>
            onChange({ ...step, which: event.target.value as 'both' | 'emoji' | 'symbols' })
          }
        />
      );
    case 'numbers':
      return (
        <label className="control-row">
          <Switch
            size="small"
            checked={step.inWords}
            aria-label="Digits inside words too"
            onChange={(inWords) => onChange({ ...step, inWords })}
          />
          digits inside words too, as in N7
        </label>
      );
    case 'punctuation':
      return (
        <TextOption
          label="Only these marks"
          longest={LONGEST.marks}
          value={step.marks}
          placeholder="all marks; or write some, such as ( ) *"
          onChange={(marks) => onChange({ ...step, marks })}
        />
      );
    case 'repeats':
      return (
        <Radio.Group
          aria-label="Repeated letters"
          value={step.keep}
          options={[
            { value: 1, label: 'write once' },
            { value: 2, label: 'write twice' },
          ]}
          onChange={(event) => onChange({ ...step, keep: event.target.value as 1 | 2 })}
        />
      );
    case 'short':
      return (
        <label className="control-row">
          fewer than
          <NumberBox
            label="Letters"
            value={step.letters}
            range={{ min: 2, max: 20, whole: true }}
            onChange={(letters) => onChange({ ...step, letters })}
          />
          letters
        </label>
      );
    default:
      return null;
  }
}

function ReplaceOptions({
  step,
  onChange,
}: {
  step: Extract<CleaningStep, { kind: 'replace' }>;
  onChange: (step: CleaningStep) => void;
}) {
  const option = (label: string, checked: boolean, set: (on: boolean) => CleaningStep) => (
    <label className="control-row">
      <Switch size="small" checked={checked} aria-label={label} onChange={(on) => onChange(set(on))} />
      {label}
    </label>
  );
  return (
    <>
      <TextOption
        label="Text to find"
        value={step.find}
        placeholder={step.isPattern ? 'for example \\[[a-z ]+\\]' : 'the text to find'}
        isPattern={step.isPattern}
        onChange={(find) => onChange({ ...step, find })}
      />
      <TextOption
        label="What takes its place"
        value={step.replacement}
        placeholder="nothing"
        onChange={(replacement) => onChange({ ...step, replacement })}
      />
      {option('It is a pattern (regular expression)', step.isPattern, (isPattern) => ({
        ...step,
        isPattern,
      }))}
      {option('Whole words only', step.wholeWords, (wholeWords) => ({ ...step, wholeWords }))}
      {option('Capitals matter', step.matchCase, (matchCase) => ({ ...step, matchCase }))}
    </>
  );
}

/** A text that is decided on once it is complete; a faulty pattern is not taken, and says why. */
function TextOption({
  label,
  value,
  placeholder,
  isPattern = false,
  longest = LONGEST.pattern,
  onChange,
}: {
  label: string;
  value: string;
  placeholder: string;
  isPattern?: boolean;
  /** Most characters. */
  longest?: number;
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
        aria-label={label}
        value={draft}
        maxLength={longest}
        placeholder={placeholder}
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
