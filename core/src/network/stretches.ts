import { Int32List } from '../base/int32-list.ts';
import type { Concepts } from '../concepts/selection.ts';
import { isInterviewer } from '../text/speakers.ts';
import type { Tokens } from '../text/tokens.ts';
import { firstAtLeast } from '../base/order.ts';
import { conceptsInWindows, type Counts } from './counts.ts';
import type { Windows } from './windows.ts';

/** What strength is measured over. */
export interface StretchSettings {
  /** Words of a stretch, about. */
  readonly words: number;
  /** Whether what interviewers say counts. */
  readonly interviewers: boolean;
  /** Label of a speaker → their role, where the researcher said it. */
  readonly roles: Readonly<Record<string, string>>;
}

/** A stretch ends with a sentence where one ends so near, in shares of its length, to where it should. */
const NEAR_ENOUGH = 0.25;
/** A stretch of fewer words is about a sentence: one concept of a theme speaks to it. */
const LONGER_THAN_A_SENTENCE = 20;

/** How many of a theme's concepts a stretch must hold to speak to it: 2 where it is longer than a sentence. */
export const fewestToSpeak = (words: number): number => (words < LONGER_THAN_A_SENTENCE ? 1 : 2);

/** 1 for each sentence that counts: what interviewers say does not, unless it is to. */
export function countedSentences(
  { sentenceSpeaker, speakers }: Tokens,
  { interviewers, roles }: StretchSettings,
): Uint8Array {
  const asks = speakers.map((label) => !interviewers && isInterviewer(label, roles));
  return Uint8Array.from(sentenceSpeaker, (speaker) => (speaker >= 0 && asks[speaker] ? 0 : 1));
}

/**
 * Parts every source into stretches of about so many words, wherever its paragraphs and turns are: strength is not to
 * depend on where somebody pressed Enter. What does not count is not counted in; it may stand within a stretch. A source
 * is parted evenly, so that its last stretch is as long as the others; a short one is one stretch.
 */
export function layStretches(tokens: Tokens, settings: StretchSettings): Windows {
  const counts = countedSentences(tokens, settings);
  const { sentenceFirst, sourceFirst } = tokens;
  const first = new Int32List();
  const end = new Int32List();
  const source = new Int32List();
  for (let s = 0; s + 1 < sourceFirst.length; s++) {
    const sentences: number[] = [];
    for (let i = sourceFirst[s]; i < sourceFirst[s + 1]; i++) if (counts[i] === 1) sentences.push(i);
    // Words that counted before each of them, and in all.
    const before = [0];
    for (const i of sentences)
      before.push(before[before.length - 1] + sentenceFirst[i + 1] - sentenceFirst[i]);
    const words = before[sentences.length];
    if (words === 0) continue;
    const parts = Math.max(1, Math.round(words / settings.words));
    const length = words / parts;
    let from = 0;
    for (let part = 1; part <= parts; part++) {
      const to = part === parts ? words : cutNear(before, part * length, NEAR_ENOUGH * length);
      if (to <= from) continue;
      const [opening, closing] = [firstAtLeast(before, from + 1) - 1, firstAtLeast(before, to) - 1];
      first.push(sentenceFirst[sentences[opening]] + from - before[opening]);
      end.push(sentenceFirst[sentences[closing]] + to - before[closing]);
      source.push(s);
      from = to;
    }
  }
  return {
    count: first.length,
    first: first.done(),
    end: end.done(),
    source: source.done(),
    overlap: 1,
  };
}

/** The end of a sentence that is nearest to a place, or the place where none is near. */
function cutNear(ends: readonly number[], place: number, reach: number): number {
  const at = firstAtLeast(ends, place);
  const near = [ends[at - 1], ends[at]].filter(
    (each) => each !== undefined && Math.abs(each - place) <= reach,
  );
  const nearest = near.sort((a, b) => Math.abs(a - place) - Math.abs(b - place) || a - b)[0];
  return nearest ?? Math.round(place);
}

/** The concepts of every stretch, by the mentions that count. */
export function spokenIn(
  concepts: Mentioned,
  stretches: Windows,
  tokens: Tokens,
  settings: StretchSettings,
): Pick<Counts, 'windowFirst' | 'inWindow'> {
  return conceptsInWindows(mentionsThatCount(concepts, tokens, settings), stretches);
}

/** The mentions outside what interviewers say, unless that counts. */
export function mentionsThatCount(concepts: Mentioned, tokens: Tokens, settings: StretchSettings): Mentioned {
  const counts = countedSentences(tokens, settings);
  // Mostly nobody is left out, and nothing is copied.
  return counts.includes(0) ? countedMentions(concepts, tokens, counts) : concepts;
}

type Mentioned = Pick<Concepts, 'keys' | 'occurrence' | 'occurrenceFirst' | 'occurrenceEnd'>;

/** The mentions in the sentences that count. */
function countedMentions(
  { keys, occurrence, occurrenceFirst, occurrenceEnd }: Mentioned,
  { sentenceFirst }: Tokens,
  counts: Uint8Array,
): Mentioned {
  const taken = {
    occurrence: new Int32Array(occurrence.length),
    occurrenceFirst: new Int32Array(occurrence.length),
    occurrenceEnd: new Int32Array(occurrence.length),
  };
  let sentence = 0;
  let held = 0;
  for (let i = 0; i < occurrence.length; i++) {
    while (sentenceFirst[sentence + 1] <= occurrenceFirst[i]) sentence++;
    if (counts[sentence] === 0) continue;
    taken.occurrence[held] = occurrence[i];
    taken.occurrenceFirst[held] = occurrenceFirst[i];
    taken.occurrenceEnd[held++] = occurrenceEnd[i];
  }
  return {
    keys,
    occurrence: taken.occurrence.subarray(0, held),
    occurrenceFirst: taken.occurrenceFirst.subarray(0, held),
    occurrenceEnd: taken.occurrenceEnd.subarray(0, held),
  };
}
