import { inPercent } from '@green-thicket/core/base/ranges';
import { leastSources, selectionRange } from '@green-thicket/core/concepts/selection';
import { shownSources } from '@green-thicket/core/study/subset';
import { leastMentions, sizeOfCollection } from '@green-thicket/core/study/in-force';
import { RANGES } from '@green-thicket/core/study/limits';
import { choice, number, onOff, type Controls } from '../../controls/control-inputs.tsx';
import { Language } from './Language.tsx';
import { Parts } from './Parts.tsx';
import { StopWords } from './StopWordControl.tsx';

export const CONTROLS: Controls<
  | 'language'
  | 'parts'
  | 'unit'
  | 'phrases'
  | 'stopWords'
  | 'minimumLetters'
  | 'minimumMentions'
  | 'minimumSources'
  | 'maximumSourceShare'
  | 'minimumPull'
  | 'size'
> = {
  language: {
    label: 'Language',
    help: 'Decides which stop words, dictionary forms or stems are used. Each source’s own language is found by its letters.',
    Input: Language,
  },
  parts: {
    label: 'Kinds of words',
    help: 'Which kinds of words may become concepts. Phrases end in a noun. Kinds, in the list at the left, shows every word taken for each.',
    Input: Parts,
  },
  unit: {
    label: 'Form of a word',
    help: 'The dictionary form (lemma) brings waits, waited and waiting together; where nobody writes it, as datum for data, the word is called as it is written. A stem cuts endings off and is shown as its most frequent full form.',
    Input: choice(
      'Form of a word',
      [
        { value: 'lemma', label: 'dictionary form (a stem where there is none)' },
        { value: 'stem', label: 'stem' },
        { value: 'form', label: 'as written' },
      ],
      (state) => state.settings.concepts.unit,
      (unit) => ({ kind: 'setConcepts', change: { unit } }),
    ),
  },
  phrases: {
    label: 'Phrases',
    help: 'Word pairs and longer runs that belong together, such as night shift, count as one concept.',
    Input: onOff(
      'Find phrases of two to four words',
      (state) => state.settings.concepts.phrases,
      (phrases) => ({ kind: 'setConcepts', change: { phrases } }),
    ),
  },
  stopWords: {
    label: 'Stop words',
    help: 'Words that are never concepts: common ones, and those you searched for.',
    Input: StopWords,
  },
  minimumLetters: {
    label: 'Fewest letters',
    help: 'Shorter words are no concepts; spaces are not counted.',
    Input: number(
      'Fewest letters',
      RANGES.minimumLetters,
      (state) => state.settings.concepts.minimumLetters,
      (minimumLetters) => ({ kind: 'setConcepts', change: { minimumLetters } }),
    ),
  },
  minimumMentions: {
    label: 'Fewest mentions',
    help: 'How often a concept must be mentioned at least.',
    Input: number('Fewest mentions', RANGES.minimumMentions, leastMentions, (minimumMentions) => ({
      kind: 'setConcepts',
      change: { minimumMentions },
    })),
  },
  minimumSources: {
    label: 'Fewest sources',
    help: 'In how many sources a concept must be mentioned at least: 2 to begin with, 3 from twelve sources on, 2 % of very many.',
    Input: number(
      'Fewest sources',
      RANGES.minimumSources,
      (state) => leastSources(state.settings.concepts.minimumSources, shownSources(state).length),
      (minimumSources) => ({ kind: 'setConcepts', change: { minimumSources } }),
    ),
  },
  maximumSourceShare: {
    label: 'Largest share of sources, in per cent',
    help: 'Words that more of the sources use are left out. All are let in to begin with: in a few interviews what everybody speaks of is the point.',
    Input: number(
      'Largest share of sources',
      inPercent(RANGES.maximumSourceShare, true),
      (state) => Math.round(state.settings.concepts.maximumSourceShare * 100),
      (value) => ({ kind: 'setConcepts', change: { maximumSourceShare: value / 100 } }),
    ),
  },
  minimumPull: {
    label: 'Least pull',
    help: 'Pull says how selective a concept is in the company it keeps; 0 is no more than chance. The dashed line across the field of words is this limit: drag it.',
    Input: number(
      'Least pull',
      { ...RANGES.minimumPull, step: 0.05 },
      (state) => state.settings.concepts.minimumPull,
      (minimumPull) => ({ kind: 'setConcepts', change: { minimumPull } }),
    ),
  },
  size: {
    label: 'Number of concepts',
    help: 'How many concepts are kept; a map stays readable up to about 80. At first it is as many as stand out: those that score at least a tenth of what the best twenty do, 80 or more, and no more than the size of the collection bears.',
    Input: number(
      'Number of concepts',
      { ...RANGES.size, step: 5 },
      (state) => selectionRange(state.settings.concepts.size, sizeOfCollection(state))[1],
      (size) => ({ kind: 'setConcepts', change: { size } }),
    ),
  },
};
