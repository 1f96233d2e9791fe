import { Switch } from 'antd';
import { RANGES } from '@green-thicket/core/study/limits';
import { NumberBox, type ControlProps } from '../../controls/control-inputs.tsx';

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
        take the fewest, three or more, that come back nearly as well as the steadiest when sources are drawn
        anew
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
