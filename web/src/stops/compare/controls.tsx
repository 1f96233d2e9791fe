import { STRENGTH_MEASURE_NAMES, STRENGTH_MEASURES } from '@green-thicket/core/compare/measures';
import { RANGES } from '@green-thicket/core/study/limits';
import { Groups } from './Groups.tsx';
import { choice, number, type Controls } from '../../controls/control-inputs.tsx';

export const CONTROLS: Controls<
  'attribute' | 'columns' | 'strengthMeasure' | 'order' | 'words' | 'interviewers'
> = {
  words: {
    label: 'Words of a stretch',
    help: 'Every source is parted into stretches of about so many words, wherever its paragraphs are, so that strength does not hang on the layout. Of stretches under 20 words one concept of a theme is enough.',
    Input: number(
      'Words of a stretch',
      { ...RANGES.stretchWords, step: 5 },
      (state) => state.settings.compare.words,
      (words) => ({ kind: 'setCompare', change: { words } }),
    ),
  },
  interviewers: {
    label: 'What interviewers say',
    help: 'Interviewers are the speakers whose role is interviewer, set at Sources or told by their label, such as Interviewer or Q. Their words still make links and themes.',
    Input: choice(
      'What interviewers say',
      [
        { value: false, label: 'does not count for strength' },
        { value: true, label: 'counts like all else' },
      ],
      (state) => state.settings.compare.interviewers,
      (interviewers) => ({ kind: 'setCompare', change: { interviewers } }),
    ),
  },
  strengthMeasure: {
    label: 'What strength is the share of',
    help: STRENGTH_MEASURE_NAMES.map((measure) => STRENGTH_MEASURES[measure].help).join(' '),
    Input: choice(
      'What strength is the share of',
      STRENGTH_MEASURE_NAMES.map((value) => ({ value, label: STRENGTH_MEASURES[value].name })),
      (state) => state.settings.compare.measure,
      (measure) => ({ kind: 'setCompare', change: { measure } }),
    ),
  },
  columns: {
    label: 'What is compared',
    help: 'Groups by an attribute, every source by itself, or the subsets that were kept at Sources; a source in several subsets counts for the first.',
    Input: choice(
      'What is compared',
      [
        { value: 'attribute', label: 'groups by an attribute' },
        { value: 'sources', label: 'single sources' },
        { value: 'subsets', label: 'kept subsets' },
      ],
      (state) => state.settings.compare.columns,
      (columns) => ({ kind: 'setCompare', change: { columns } }),
    ),
  },
  attribute: {
    label: 'Groups',
    help: 'The groups compared are the values of an attribute, or of two together.',
    Input: Groups,
  },
  order: {
    label: 'Order of the themes',
    help: 'By strength over all groups, or by how far the groups are apart.',
    Input: choice(
      'Order of the themes',
      [
        { value: 'share', label: 'overall strength' },
        { value: 'difference', label: 'difference' },
      ],
      (state) => state.settings.compare.order,
      (order) => ({ kind: 'setCompare', change: { order } }),
    ),
  },
};
