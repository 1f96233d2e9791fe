import { RANGES } from '@green-thicket/core/study/limits';
import { number, type Controls } from '../../controls/control-inputs.tsx';
import { Resolution } from './Resolution.tsx';

export const CONTROLS: Controls<'resolution' | 'runs' | 'seed'> = {
  resolution: {
    label: 'Resolution',
    help: 'Higher makes more and smaller themes. The curve shows what each value gives.',
    Input: Resolution,
  },
  runs: {
    label: 'Runs',
    help: 'The search has chance in it; the best of many runs hardly has. More are made until the best was found five times, up to four times as many.',
    Input: number(
      'Runs',
      { ...RANGES.runs, step: 10 },
      (state) => state.settings.themes.runs,
      (runs) => ({ kind: 'setThemes', change: { runs } }),
    ),
  },
  seed: {
    label: 'Seed',
    help: 'Any whole number. The same seed gives the same themes and map everywhere.',
    Input: number(
      'Seed',
      RANGES.seed,
      (state) => state.settings.themes.seed,
      (seed) => ({ kind: 'setThemes', change: { seed } }),
    ),
  },
};
