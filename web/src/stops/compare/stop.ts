import { comparedAttribute } from '@green-thicket/core/study/groups';
import { liveFigure } from '../live-figure.ts';
import type { StopDescription } from '../stop.ts';
import { CompareStop } from './CompareStop.tsx';
import { CONTROLS } from './controls.tsx';

export const compareStop = {
  name: 'Compare',
  figure: {
    useFigure: liveFigure('themesOnTrail', (_, state) => {
      const { columns } = state.settings.compare;
      if (columns === 'sources') return 'source by source';
      if (columns === 'subsets') return 'by kept subsets';
      const attribute = comparedAttribute(state);
      return attribute === undefined ? 'no attribute yet' : `by ${attribute}`;
    }),
  },
  Centre: CompareStop,
  ledger: 'none',
  controls: CONTROLS,
} satisfies StopDescription;
