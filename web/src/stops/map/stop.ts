import { counted } from '@green-thicket/core/base/wording';
import { liveFigure } from '../live-figure.ts';
import type { StopDescription } from '../stop.ts';
import { MapStop } from './MapStop.tsx';
import { CONTROLS } from './controls.tsx';

export const mapStop = {
  name: 'Map',
  figure: {
    useFigure: liveFigure('themesOnTrail', ({ themes }) =>
      themes === 0 ? 'nothing to draw' : counted(themes, 'parcel'),
    ),
  },
  Centre: MapStop,
  ledger: 'asked',
  controls: CONTROLS,
} satisfies StopDescription;
