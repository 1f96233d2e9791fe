import type { NumberRange } from '../base/ranges.ts';

/**
 * Most characters of whatever is typed or comes in, by what it is. The controls hold to them, a decision is checked
 * against them before it is recorded, and a study file against the same when it is read: so what can be decided can
 * always be saved and opened.
 */
export const LONGEST = {
  /** Titles; names of sources, attributes, subsets, speakers and their roles; labels of concepts and themes. */
  name: 1000,
  /** A value of an attribute. */
  value: 10_000,
  /** A concept's key: a word, phrase or name as it is counted. */
  concept: 10_000,
  /** What a cleaning decision changed, or how sources came in, in a few words. */
  remark: 10_000,
  reason: 1000,
  /** The links of a network that was made elsewhere, a line each. */
  links: 4_000_000,
  note: 20_000,
  tag: 200,
  /** The words of an excerpt. */
  quote: 1_000_000,
  /** A drawing of a kept view, or a cell of its table. */
  drawing: 4_000_000,
} as const;

const whole = (min: number, max: number): NumberRange => ({ min, max, whole: true });
const between = (min: number, max: number): NumberRange => ({ min, max, whole: false });

/** What each number among the settings may be. */
export const RANGES = {
  phraseMentions: whole(2, 1_000_000),
  phraseNpmi: between(-1, 1),
  size: whole(1, 2000),
  minimumMentions: whole(1, 1_000_000),
  minimumSources: whole(1, 1_000_000),
  maximumSourceShare: between(0, 1),
  minimumLetters: whole(1, 40),
  minimumPull: between(0, 100),
  windowSize: whole(1, 1000),
  cutOff: between(-1, 1_000_000),
  minimumTogether: whole(1, 1_000_000),
  maximumQ: between(0, 1),
  resolution: between(0.01, 100),
  runs: whole(1, 500),
  seed: whole(0, 2 ** 31 - 1),
  stretchWords: whole(5, 1000),
  shownLinks: whole(0, 100_000),
  shownBridges: whole(0, 100_000),
} as const satisfies Record<string, NumberRange>;

/** A text cut to what it may be, with an ellipsis where something was cut off; never in the middle of a character. */
export function clipped(text: string, longest: number): string {
  if (text.length <= longest) return text;
  const cut = text.slice(0, longest - 1);
  return `${/[\ud800-\udbff]$/.test(cut) ? cut.slice(0, -1) : cut}…`;
}
