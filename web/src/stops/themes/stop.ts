import { percent } from '@green-thicket/core/base/wording';
import type { StopDescription } from '../stop.ts';
import { ThemesStop } from './ThemesStop.tsx';
import { CONTROLS } from './controls.tsx';

export const themesStop = {
  name: 'Themes',
  figure: (_, { themes, steadiness }) =>
    themes === 0 ? 'none yet' : `${themes} · ${percent(steadiness)} steady`,
  Stage: ThemesStop,
  controls: CONTROLS,
} satisfies StopDescription;
