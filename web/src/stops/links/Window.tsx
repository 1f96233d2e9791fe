import { Checkbox, Radio } from 'antd';
import { WINDOW_UNIT_NAMES, WINDOW_UNITS } from '@green-thicket/core/network/windows';
import { windowsInForce } from '@green-thicket/core/study/in-force';
import { RANGES } from '@green-thicket/core/study/limits';
import { WindowExample } from './WindowExample.tsx';
import { NumberBox, type ControlProps } from '../../controls/control-inputs.tsx';

export function Window({ state, decide }: ControlProps) {
  const { unit, size, acrossParagraphs } = windowsInForce(state);
  const chosen = state.settings.windows.unit;
  const { slides, many } = WINDOW_UNITS[unit];
  return (
    <>
      <Radio.Group
        aria-label="Window"
        className="control-column"
        value={chosen}
        options={[
          {
            value: 'auto',
            label: 'as the texts are: a whole answer where they are short answers, else 3 sentences',
          },
          ...WINDOW_UNIT_NAMES.map((each) => ({ value: each, label: WINDOW_UNITS[each].label })),
        ]}
        onChange={(event) => {
          const next = event.target.value as typeof chosen;
          const usual = WINDOW_UNITS[next === 'auto' ? 'sentences' : next].usualSize;
          decide({ kind: 'setWindows', change: { unit: next, size: usual } });
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
      <WindowExample />
    </>
  );
}
