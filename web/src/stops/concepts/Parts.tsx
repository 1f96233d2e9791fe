import { Checkbox } from 'antd';
import type { ControlProps } from '../../controls/control-inputs.tsx';

/** The kinds of words, with examples; each is a setting of its own. */
const KINDS = [
  { value: 'nouns', label: 'nouns (bus, fare)' },
  { value: 'verbs', label: 'verbs (wait, feel)' },
  { value: 'adjectives', label: 'adjectives (late, safe)' },
  { value: 'names', label: 'names (Nadia, Market Square)' },
  { value: 'numbers', label: 'numbers and times (42, Monday)' },
] as const;

export function Parts({ state, decide }: ControlProps) {
  const { concepts } = state.settings;
  return (
    <Checkbox.Group
      aria-label="Kinds of words"
      className="control-column"
      value={KINDS.map(({ value }) => value).filter((kind) => concepts[kind])}
      options={[...KINDS]}
      onChange={(chosen: string[]) =>
        decide({
          kind: 'setConcepts',
          change: Object.fromEntries(KINDS.map(({ value }) => [value, chosen.includes(value)])),
        })
      }
    />
  );
}
