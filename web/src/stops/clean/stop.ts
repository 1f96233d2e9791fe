import { inFigures } from '@green-thicket/core/base/wording';
import { PointedStepDesk } from './pointed-step.tsx';
import { StepParts } from './StepParts.tsx';
import { liveFigure } from '../live-figure.ts';
import type { StopDescription } from '../stop.ts';
import { CleanStop } from './CleanStop.tsx';
import { CONTROLS } from './controls.tsx';

export const cleanStop = {
  name: 'Clean',
  figure: { useFigure: liveFigure('wordsOnTrail', ({ words }) => `${inFigures(words)} words`) },
  Centre: CleanStop,
  controls: CONTROLS,
  Sentence: StepParts,
  Around: PointedStepDesk,
} satisfies StopDescription;
