import { Checkbox, Radio } from 'antd';
import { WINDOW_UNIT_NAMES, WINDOW_UNITS } from '@green-thicket/core/network/windows';
import { windowsInForce } from '@green-thicket/core/study/in-force';
import { RANGES } from '@green-thicket/core/study/limits';
import { useView } from '../../engine/use-view.ts';
import { Select } from '../../pieces/Select.tsx';
import { WindowExample } from './WindowExample.tsx';
import { NumberBox, type ControlProps } from '../../controls/control-inputs.tsx';

/** Speakers listed; of more, those who speak most. */
const MOST_SPEAKERS = 200;

export function Window({ state, decide }: ControlProps) {
  const { unit, size, acrossParagraphs, without = [] } = windowsInForce(state);
  const speakers = useView('speakers', null).data?.speakers ?? [];
  // Whoever was left out stays in the list, so that they can be let in again.
  const labels = [...new Set([...speakers.map(({ label }) => label).slice(0, MOST_SPEAKERS), ...without])];
  const chosen = state.settings.windows.unit;
  const { slides, many, within } = WINDOW_UNITS[unit];
  return (
    <>
      <Radio.Group
        aria-label="Window"
        className="control-column"
        value={chosen}
        options={[
          {
            value: 'auto',
            label:
              'as the texts are: a whole answer where they are short answers, else 3 sentences, or 5 of little text',
          },
          ...WINDOW_UNIT_NAMES.map((each) => ({ value: each, label: WINDOW_UNITS[each].label })),
        ]}
        onChange={(event) => {
          const next = event.target.value as typeof chosen;
          const size = next === 'auto' ? next : WINDOW_UNITS[next].usualSize;
          decide({ kind: 'setWindows', change: { unit: next, size } });
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
      {within !== 'source' && labels.length > 0 && (
        <Select
          mode="multiple"
          size="small"
          className="wide"
          aria-label="Speakers whose turns make no windows"
          title="What they say is read and counted, but makes no links"
          placeholder="windows of everybody’s turns"
          value={[...without]}
          options={labels.map((label) => ({
            value: label,
            label: `without ${label === '' ? 'no name' : label}`,
          }))}
          optionFilterProp="label"
          onChange={(next: string[]) => decide({ kind: 'setWindows', change: { without: next } })}
        />
      )}
      <WindowExample />
    </>
  );
}
