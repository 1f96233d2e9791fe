import { Radio } from 'antd';
import { MEASURE_NAMES, MEASURES, type Measure } from '@green-thicket/core/network/measures';
import { type ControlName } from '@green-thicket/core/words/sentences';
import { RANGES } from '@green-thicket/core/study/limits';
import { attributeNames, comparedAttribute } from '@green-thicket/core/study/groups';
import { workingSources } from '@green-thicket/core/study/subset';
import { AddStep } from '../stops/clean/AddStep.tsx';
import { SpeakersControl } from '../stops/sources/SpeakersControl.tsx';
import { SubsetControl } from '../stops/sources/SubsetControl.tsx';
import { number, onOff, type ControlDefinition } from './control-inputs.tsx';
import { Language, Parts, Resolution, Window } from './control-panels.tsx';
import { StopWords } from './StopWordControl.tsx';

/** Every setting that stands in a method sentence. */
export const CONTROLS: Record<ControlName, ControlDefinition> = {
  subset: {
    label: 'Sources to work with',
    help: 'Everything downstream follows: concepts, links, themes, the map and the comparison are of these sources alone.',
    wide: true,
    Input: SubsetControl,
  },
  speakers: {
    label: 'Speakers',
    wide: true,
    help: 'Turns begin with a name and a colon, a time, or both. Leave out the interviewer, and only what the others said is counted.',
    Input: SpeakersControl,
  },
  addStep: {
    label: 'Add a step',
    help: 'It goes where it suits best among the others; drag it elsewhere if you know better.',
    wide: true,
    Input: AddStep,
  },
  language: {
    label: 'Language',
    help: 'Decides which stop words, dictionary forms or stems are used. Each source’s own language is found by its letters.',
    Input: Language,
  },
  unit: {
    label: 'Form of a word',
    help: 'The dictionary form (lemma) brings waits, waited and waiting together. A stem cuts endings off and is shown as its most frequent full form.',
    Input: ({ state, decide }) => (
      <Radio.Group
        aria-label="Form of a word"
        className="control-column"
        value={state.settings.concepts.unit}
        options={[
          { value: 'lemma', label: 'dictionary form (a stem where there is none)' },
          { value: 'stem', label: 'stem' },
          { value: 'form', label: 'as written' },
        ]}
        onChange={(event) =>
          decide({
            kind: 'setConcepts',
            change: { unit: event.target.value as 'lemma' | 'stem' | 'form' },
          })
        }
      />
    ),
  },
  parts: {
    label: 'Kinds of words',
    help: 'Which kinds of words may become concepts. Phrases end in a noun. Kinds, in the list at the left, shows every word taken for each.',
    Input: Parts,
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
  minimumMentions: {
    label: 'Fewest mentions',
    help: 'How often a concept must be mentioned at least.',
    Input: number(
      'Fewest mentions',
      RANGES.minimumMentions,
      (state) => state.settings.concepts.minimumMentions,
      (minimumMentions) => ({ kind: 'setConcepts', change: { minimumMentions } }),
    ),
  },
  minimumSources: {
    label: 'Fewest sources',
    help: 'In how many sources a concept must be mentioned at least.',
    Input: number(
      'Fewest sources',
      RANGES.minimumSources,
      (state) => state.settings.concepts.minimumSources,
      (minimumSources) => ({ kind: 'setConcepts', change: { minimumSources } }),
    ),
  },
  maximumSourceShare: {
    label: 'Largest share of sources, in per cent',
    help: 'A word that nearly every source uses tells them apart too little.',
    Input: number(
      'Largest share of sources',
      { min: 1, max: 100, whole: true },
      (state) => Math.round(state.settings.concepts.maximumSourceShare * 100),
      (value) => ({ kind: 'setConcepts', change: { maximumSourceShare: value / 100 } }),
    ),
  },
  size: {
    label: 'Number of concepts',
    help: 'How many concepts are kept; a map stays readable up to about 80.',
    Input: number(
      'Number of concepts',
      { ...RANGES.size, step: 5 },
      (state) => state.settings.concepts.size,
      (size) => ({ kind: 'setConcepts', change: { size } }),
    ),
  },
  window: {
    label: 'Window',
    help: 'How near two concepts must stand to keep company. Windows never cross a turn or a source.',
    Input: Window,
  },
  measure: {
    label: 'Strength of a link',
    help: MEASURE_NAMES.map((measure) => MEASURES[measure].help).join(' '),
    Input: ({ state, decide }) => (
      <Radio.Group
        aria-label="Strength of a link"
        className="control-column"
        value={state.settings.links.measure}
        options={MEASURE_NAMES.map((measure) => ({ value: measure, label: MEASURES[measure].name }))}
        onChange={(event) => {
          const measure = event.target.value as Measure;
          decide({ kind: 'setLinks', change: { measure, cutOff: MEASURES[measure].cutOff } });
        }}
      />
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
    help: 'The share of false links to put up with among those found (q, Benjamini and Hochberg).',
    Input: number(
      'Chance in per cent',
      { min: 0.1, max: 100, whole: false, step: 1 },
      (state) => state.settings.links.maximumQ * 100,
      (value) => ({ kind: 'setLinks', change: { maximumQ: value / 100 } }),
    ),
  },
  resolution: {
    label: 'Resolution',
    help: 'Higher makes more and smaller themes. The curve shows what each value gives.',
    Input: Resolution,
  },
  runs: {
    label: 'Runs',
    help: 'The search has chance in it; a consensus of many runs shows what is steady.',
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
  shownLinks: {
    label: 'Links drawn inside parcels',
    help: 'Only the drawing changes; the themes rest on all links.',
    Input: number(
      'Links drawn',
      { ...RANGES.shownLinks, step: 10 },
      (state) => state.settings.map.shownLinks,
      (shownLinks) => ({ kind: 'setMap', change: { shownLinks } }),
    ),
  },
  shownBridges: {
    label: 'Bridges drawn',
    help: 'A bridge is a link between concepts of different themes.',
    Input: number(
      'Bridges drawn',
      { ...RANGES.shownBridges, step: 10 },
      (state) => state.settings.map.shownBridges,
      (shownBridges) => ({ kind: 'setMap', change: { shownBridges } }),
    ),
  },
  attribute: {
    label: 'Attribute',
    help: 'The groups compared are the values of this attribute.',
    Input: ({ state, decide }) => (
      <Radio.Group
        aria-label="Attribute"
        className="control-column"
        value={comparedAttribute(state)}
        options={attributeNames(workingSources(state)).map((name) => ({ value: name, label: name }))}
        onChange={(event) =>
          decide({ kind: 'setCompare', change: { attribute: event.target.value as string } })
        }
      />
    ),
  },
  order: {
    label: 'Order of the themes',
    help: 'By strength over all groups, or by how far the groups are apart.',
    Input: ({ state, decide }) => (
      <Radio.Group
        aria-label="Order of the themes"
        value={state.settings.compare.order}
        options={[
          { value: 'share', label: 'overall strength' },
          { value: 'difference', label: 'difference' },
        ]}
        onChange={(event) =>
          decide({ kind: 'setCompare', change: { order: event.target.value as 'share' | 'difference' } })
        }
      />
    ),
  },
};
