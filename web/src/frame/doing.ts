import type { StageName } from '@green-thicket/core/engine/stage-keys';
import type { ViewName } from '@green-thicket/core/views/view-keys';

/** What the long stages do; the others are over before anybody could read it. */
const DOING: Partial<Readonly<Record<StageName, string>>> = {
  languages: 'finding the language',
  tokens: 'reading words',
  parts: 'telling nouns from verbs',
  terms: 'finding dictionary forms',
  capitals: 'looking at capitals',
  repeated: 'looking for what repeats',
  names: 'finding names',
  runs: 'finding phrases',
  candidates: 'weighing words and phrases',
  counts: 'counting windows',
  evidence: 'weighing links',
  links: 'weighing links',
  resampledPairs: 'weighing links of sources drawn anew',
  resampledGraphs: 'weighing links of sources drawn anew',
  sweep: 'trying how many themes',
  grouping: 'grouping concepts',
  map: 'laying out the map',
  comparison: 'testing differences',
  redrawn: 'choosing concepts of halves of the sources',
  resampled: 'grouping halves of the sources',
};

/** What the long views do that are made of no stage. */
const MAKING: Partial<Readonly<Record<ViewName, string>>> = {
  duplicates: 'looking for texts that are there twice',
  repeats: 'looking for what repeats',
  remains: 'looking for what is left to clean',
  cleaningOrder: 'trying the order of steps',
  steadiness: 'grouping halves of the sources',
  topics: 'finding topics',
  topicNumbers: 'trying how many topics',
  beside: 'grouping concepts again',
  howMany: 'trying how many themes',
};

/** What is being done, in words. */
export const doing = (stage: StageName | undefined, view: ViewName | undefined): string =>
  (stage && DOING[stage]) ?? (view && MAKING[view]) ?? 'computing';
