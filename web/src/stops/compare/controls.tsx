import { attributeNames, comparedAttribute } from '@green-thicket/core/study/groups';
import { workingSources } from '@green-thicket/core/study/subset';
import { RANGES } from '@green-thicket/core/study/limits';
import { choice, number, type Controls } from '../../controls/control-inputs.tsx';

export const CONTROLS: Controls<'attribute' | 'order' | 'words' | 'interviewers'> = {
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
  attribute: {
    label: 'Attribute',
    help: 'The groups compared are the values of this attribute.',
    Input: choice(
      'Attribute',
      (state) => attributeNames(workingSources(state)).map((name) => ({ value: name, label: name })),
      comparedAttribute,
      (attribute) => ({ kind: 'setCompare', change: { attribute } }),
    ),
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
