import type { StopDescription } from '../stop.ts';
import { ThemesStop } from './ThemesStop.tsx';
import { CONTROLS } from './controls.tsx';

export const themesStop = {
  name: 'Themes',
  figure: (_, { themes }) => (themes === 0 ? 'none yet' : `${themes} found`),
  Stage: ThemesStop,
  controls: CONTROLS,
} satisfies StopDescription;
