import { counted } from '@green-thicket/core/base/wording';
import { networkInForce } from '@green-thicket/core/study/in-force';
import { shownSources } from '@green-thicket/core/study/subset';
import { IntakeDesk } from './IntakeDesk.tsx';
import type { StudyState } from '@green-thicket/core/study/study';
import type { StopDescription } from '../stop.ts';
import { SourcesStop } from './SourcesStop.tsx';
import { CONTROLS } from './controls.tsx';

export const sourcesStop = {
  name: 'Sources',
  figure: {
    plain: (state: StudyState) => {
      if (networkInForce(state)) return 'a network';
      const working = shownSources(state).length;
      return working === state.sources.length
        ? counted(working, 'source')
        : `${working} of ${counted(state.sources.length, 'source')}`;
    },
  },
  Centre: SourcesStop,
  controls: CONTROLS,
  Around: IntakeDesk,
} satisfies StopDescription;
