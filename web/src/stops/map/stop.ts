import { counted } from '@green-thicket/core/base/wording';
import type { StopDescription } from '../stop.ts';
import { MapStop } from './MapStop.tsx';
import { CONTROLS } from './controls.tsx';

export const mapStop = {
  name: 'Map',
  figure: (_, { themes }) => (themes === 0 ? 'nothing to draw' : counted(themes, 'parcel')),
  Stage: MapStop,
  controls: CONTROLS,
} satisfies StopDescription;
