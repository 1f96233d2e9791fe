import { WINDOW_UNIT_NAMES, WINDOW_UNITS } from '@green-thicket/core/network/windows';
import { Checkbox, Radio, Select, Switch } from 'antd';
import { RANGES } from '@green-thicket/core/study/limits';
import { counted } from '@green-thicket/core/words/sentences';
import { LANGUAGE_CODES, LANGUAGES, type LanguageCode } from '@green-thicket/core/text/language-names';
import { useView } from '../engine/use-view.ts';
import { NumberBox, type ControlProps } from './control-inputs.tsx';

/** The language the study is read in, and those that were found. */
export function Language({ state, decide }: ControlProps) {
  const { data } = useView('languages', null);
  const found = (code: LanguageCode): number => data?.of.filter((each) => each === code).length ?? 0;
  const main = data ? LANGUAGES[data.main] : 'looking …';
  return (
    <Select
      aria-label="Language"
      className="wide"
      value={state.settings.concepts.language}
      options={[
        { value: 'auto', label: `the one most texts are in (${main})` },
        ...LANGUAGE_CODES.map((code) => ({
          value: code,
          label: `${LANGUAGES[code]}${found(code) > 0 ? ` · ${counted(found(code), 'source')}` : ''}`,
        })),
      ]}
      onChange={(language: LanguageCode | 'auto') => decide({ kind: 'setConcepts', change: { language } })}
    />
  );
}

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

export function Window({ state, decide }: ControlProps) {
  const { unit, size, acrossParagraphs } = state.settings.windows;
  const { slides, many } = WINDOW_UNITS[unit];
  return (
    <>
      <Radio.Group
        aria-label="Window"
        className="control-column"
        value={unit}
        options={WINDOW_UNIT_NAMES.map((each) => ({ value: each, label: WINDOW_UNITS[each].label }))}
        onChange={(event) => {
          const next = event.target.value as typeof unit;
          decide({ kind: 'setWindows', change: { unit: next, size: WINDOW_UNITS[next].usualSize } });
        }}
      />
      {slides && (
        <>
          <NumberBox
            key={unit}
            label={`How many ${many}`}
            value={size}
            range={RANGES.windowSize}
            onChange={(next) => decide({ kind: 'setWindows', change: { size: next } })}
          />
          <Checkbox
            checked={acrossParagraphs}
            onChange={(event) =>
              decide({ kind: 'setWindows', change: { acrossParagraphs: event.target.checked } })
            }
          >
            may run into the next paragraph
          </Checkbox>
        </>
      )}
    </>
  );
}

export function Resolution({ state, decide }: ControlProps) {
  const { resolution } = state.settings.themes;
  return (
    <>
      <label className="control-row">
        <Switch
          checked={resolution === 'auto'}
          aria-label="Take the steadiest"
          onChange={(auto) => decide({ kind: 'setThemes', change: { resolution: auto ? 'auto' : 1 } })}
        />{' '}
        take the steadiest with 5 to 12 themes
      </label>
      {resolution !== 'auto' && (
        <NumberBox
          label="Resolution"
          value={resolution}
          range={RANGES.resolution}
          step={0.1}
          onChange={(value) => decide({ kind: 'setThemes', change: { resolution: value } })}
        />
      )}
    </>
  );
}
