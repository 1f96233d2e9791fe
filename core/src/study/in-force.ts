import { leastMentionsOf, type CollectionSize } from '../concepts/selection.ts';
import { WINDOW_UNITS, type WindowSettings } from '../network/windows.ts';
import type { StudySource, StudyState } from './study.ts';
import { countOfPersons, workingSources } from './subset.ts';

/** What a collection is, as far as the lengths of its texts tell. */
export type CollectionKind = 'answers' | 'texts';

/** Fewer texts are no column of answers. */
const FEWEST_ANSWERS = 8;
/** Half the answers are shorter, in characters: about 70 words. */
const ANSWER = 400;
/** Nine in ten are. */
const LONG_ANSWER = 1200;

/** Whether texts are short answers, so many and so short that each is about one thing. */
export function kindOfCollection(sources: readonly Pick<StudySource, 'length'>[]): CollectionKind {
  if (sources.length < FEWEST_ANSWERS) return 'texts';
  const lengths = Float64Array.from(sources, ({ length }) => length).sort();
  const at = (share: number): number => lengths[Math.floor(share * (lengths.length - 1))];
  return at(0.5) < ANSWER && at(0.9) < LONG_ANSWER ? 'answers' : 'texts';
}

/** The network that is worked with: the one from elsewhere, where there are no texts of whose words there could be one. */
export const networkInForce = ({ sources, network }: StudyState): StudyState['network'] =>
  sources.length === 0 ? network : null;

/** Characters of a collection that is little text: about 15,000 words. */
const LITTLE_TEXT = 90_000;
/**
 * Sentences of a window where there is little text. Two concepts of a theme share few windows there, and more of longer ones:
 * of twelve and eighteen interviews of the sample 17 and 29 concepts come to be in themes, with three sentences 8 and 20.
 */
const MORE_SENTENCES = 5;

/**
 * The windows in force: those set, or, left to the collection, a whole answer where it is of answers, else sentences, more of them
 * where there is little text.
 */
export function windowsInForce(state: StudyState): WindowSettings {
  const { unit: chosen, size: number, ...others } = state.settings.windows;
  const { compare, speakers } = state.settings;
  const rest = { ...others, heard: { interviewers: compare.interviewers, roles: speakers.roles } };
  const isOfAnswers = (): boolean => kindOfCollection(workingSources(state)) === 'answers';
  const unit = chosen === 'auto' ? (isOfAnswers() ? 'source' : 'sentences') : chosen;
  if (number !== 'auto') return { unit, size: number, ...rest };
  const isLittle = unit === 'sentences' && sizeOfCollection(state).characters < LITTLE_TEXT;
  return { unit, size: isLittle ? MORE_SENTENCES : WINDOW_UNITS[unit].usualSize, ...rest };
}

/** How many sources are worked with, those of one person as one, and how long they are together. */
export function sizeOfCollection(state: StudyState): CollectionSize {
  const sources = workingSources(state);
  return { sources: countOfPersons(state), characters: sources.reduce((sum, { length }) => sum + length, 0) };
}

/** The fewest mentions of a concept: the number set, or by how much text there is. */
export const leastMentions = (state: StudyState): number =>
  leastMentionsOf(state.settings.concepts.minimumMentions, sizeOfCollection(state).characters);
