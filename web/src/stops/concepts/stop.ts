import { inFigures } from '@green-thicket/core/base/wording';
import { ConceptsLookDesk } from './concepts-look.tsx';
import { liveFigure } from '../live-figure.ts';
import type { StopDescription } from '../stop.ts';
import { ConceptsStop } from './ConceptsStop.tsx';
import { CONTROLS } from './controls.tsx';

export const conceptsStop = {
  name: 'Concepts',
  figure: { useFigure: liveFigure('conceptsOnTrail', ({ concepts }) => `${inFigures(concepts)} kept`) },
  Centre: ConceptsStop,
  controls: CONTROLS,
  Around: ConceptsLookDesk,
} satisfies StopDescription;
