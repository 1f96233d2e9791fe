/** A stop of the trail. */
export const STOPS = ['sources', 'clean', 'concepts', 'links', 'themes', 'map', 'compare'] as const;
export type Stop = (typeof STOPS)[number];

/** A part of a method sentence: words, or a setting that can be changed where it stands. */
export type SentencePart =
  | string
  | { readonly control: ControlName; readonly text: string }
  /** A cleaning step: its place among the steps, to be switched, edited and moved. */
  | { readonly step: string; readonly on: boolean; readonly text: string };

/** The settings that stand underlined in the method sentences. */
export type ControlName =
  | 'subset'
  | 'persons'
  | 'speakers'
  | 'addStep'
  | 'language'
  | 'unit'
  | 'parts'
  | 'phrases'
  | 'stopWords'
  | 'minimumLetters'
  | 'minimumMentions'
  | 'minimumSources'
  | 'maximumSourceShare'
  | 'minimumPull'
  | 'size'
  | 'window'
  | 'repeated'
  | 'measure'
  | 'cutOff'
  | 'minimumTogether'
  | 'maximumQ'
  | 'standsBy'
  | 'resolution'
  | 'runs'
  | 'seed'
  | 'shownLinks'
  | 'shownBridges'
  | 'sheet'
  | 'columns'
  | 'attribute'
  | 'strengthMeasure'
  | 'words'
  | 'interviewers'
  | 'order';
