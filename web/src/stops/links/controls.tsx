import { MEASURE_NAMES, MEASURES } from '@green-thicket/core/network/measures';
import { inPercent } from '@green-thicket/core/base/ranges';
import { RANGES } from '@green-thicket/core/study/limits';
import { choice, number, type Controls } from '../../controls/control-inputs.tsx';
import { Window } from './Window.tsx';

export const CONTROLS: Controls<
  'window' | 'repeated' | 'measure' | 'cutOff' | 'minimumTogether' | 'maximumQ' | 'standsBy'
> = {
  window: {
    label: 'Window',
    help: 'How near two concepts must stand to keep company. Windows never cross a turn or a source.',
    Input: Window,
  },
  repeated: {
    label: 'What many sources repeat',
    help: 'A sentence of five words or more that three sources and one in twenty hold word for word, such as a question on a form, puts words together that nobody put together. It makes no links unless you say so.',
    Input: choice(
      'What many sources repeat',
      [
        { value: false, label: 'Makes no links' },
        { value: true, label: 'Makes links like all else' },
      ],
      (state) => state.settings.windows.repeated === true,
      (repeated) => ({ kind: 'setWindows', change: { repeated } }),
    ),
  },
  measure: {
    label: 'Strength of a link',
    help: MEASURE_NAMES.map((measure) => MEASURES[measure].help).join(' '),
    Input: choice(
      'Strength of a link',
      MEASURE_NAMES.map((measure) => ({ value: measure, label: MEASURES[measure].name })),
      (state) => state.settings.links.measure,
      (measure) => ({ kind: 'setLinks', change: { measure, cutOff: MEASURES[measure].cutOff } }),
    ),
  },
  cutOff: {
    label: 'Cut-off',
    help: 'Links weaker than this are left out.',
    Input: number(
      'Cut-off',
      { ...RANGES.cutOff, step: 0.05 },
      (state) => state.settings.links.cutOff,
      (cutOff) => ({ kind: 'setLinks', change: { cutOff } }),
    ),
  },
  minimumTogether: {
    label: 'Fewest shared windows',
    help: 'How many windows two concepts must share at least.',
    Input: number(
      'Fewest shared windows',
      RANGES.minimumTogether,
      (state) => state.settings.links.minimumTogether,
      (minimumTogether) => ({ kind: 'setLinks', change: { minimumTogether } }),
    ),
  },
  maximumQ: {
    label: 'Chance, in per cent',
    help: 'The share of false links to put up with among those found (q, Benjamini and Hochberg). At 100 chance is not asked: what is strong enough and meets often enough stands, and the list says what may be chance.',
    Input: number(
      'Chance in per cent',
      { ...inPercent(RANGES.maximumQ, false), step: 1 },
      (state) => state.settings.links.maximumQ * 100,
      (value) => ({ kind: 'setLinks', change: { maximumQ: value / 100 } }),
    ),
  },
  standsBy: {
    label: 'What a link stands by',
    help: 'Two concepts may meet oftener than chance has it within the sources; or they may be said by the same sources, wherever in them. The first is evidence that they belong together, the second that the same people speak of both.',
    Input: choice(
      'What a link stands by',
      [
        { value: 'either', label: 'meetings within sources, or which sources hold both' },
        { value: 'meetings', label: 'meetings within sources alone' },
      ],
      (state) => state.settings.links.standsBy,
      (standsBy) => ({ kind: 'setLinks', change: { standsBy } }),
    ),
  },
};
