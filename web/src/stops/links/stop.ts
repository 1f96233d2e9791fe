import { inFigures } from '@green-thicket/core/base/wording';
import { liveFigure } from '../live-figure.ts';
import type { StopDescription } from '../stop.ts';
import { LinksStop } from './LinksStop.tsx';
import { CONTROLS } from './controls.tsx';

export const linksStop = {
  name: 'Links',
  figure: { useFigure: liveFigure('linksOnTrail', ({ links }) => `${inFigures(links)} stand`) },
  Centre: LinksStop,
  ledger: 'none',
  controls: CONTROLS,
} satisfies StopDescription;
