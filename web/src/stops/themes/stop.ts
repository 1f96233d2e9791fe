import { networkInForce } from '@green-thicket/core/study/in-force';
import { liveFigure } from '../live-figure.ts';
import type { StopDescription } from '../stop.ts';
import { ThemesStop } from './ThemesStop.tsx';
import { CONTROLS } from './controls.tsx';

export const themesStop = {
  name: 'Themes',
  figure: {
    useFigure: liveFigure('themesOnTrail', ({ themes, reached }, state) =>
      themes === 0
        ? 'none yet'
        : networkInForce(state)
          ? `${themes} found`
          : `${themes} found, reach ${Math.round(100 * reached)} %`,
    ),
  },
  Centre: ThemesStop,
  ledger: 'none',
  controls: CONTROLS,
} satisfies StopDescription;
