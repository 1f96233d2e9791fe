import type { Stepwise } from '../base/stepwise.ts';
import { findBoundaries } from './boundaries.ts';
import { cleanText } from './cleaning/cleaning.ts';
import { firstAtLeast } from '../base/order.ts';
import { Int32List } from '../base/int32-list.ts';
import { Interner } from './interner.ts';
import { originalPlaces } from './offsets.ts';
import { readPart, type SourceText } from './reading-part.ts';
import { scanTokens } from './scan.ts';
import type { CleaningStep } from './cleaning/steps.ts';

/** The tokens of a collection in typed arrays; places are characters of the originals. */
export interface Tokens {
  /** The different forms, by type id. */
  readonly forms: readonly string[];
  /** Index into `TOKEN_KINDS`, by type id. */
  readonly kindOf: Uint8Array;
  /** How many tokens have each type. */
  readonly mentionsOf: Int32Array;
  readonly type: Int32Array;
  readonly start: Int32Array;
  readonly end: Int32Array;
  /** 1 where only white space parts a token from the one before, in the same sentence. */
  readonly joined: Uint8Array;
  /** First token of each sentence; one entry more than there are sentences. */
  readonly sentenceFirst: Int32Array;
  readonly sentenceSource: Int32Array;
  /** Paragraph number in its source, from 1. */
  readonly sentenceParagraph: Int32Array;
  /** Turn number in its source, from 1; 0 where it is part of none. */
  readonly sentenceTurn: Int32Array;
  /** Who says it, by number in `speakers`; −1 where no label stands before it. */
  readonly sentenceSpeaker: Int32Array;
  readonly sentenceStart: Int32Array;
  readonly sentenceEnd: Int32Array;
  /** First sentence of each source; one entry more than there are sources. */
  readonly sourceFirst: Int32Array;
  /** The labels of those who speak. */
  readonly speakers: readonly string[];
}

/**
 * Cleans the originals and reads their tokens. Sentences, paragraphs and turns come from the originals; a sentence that
 * keeps no token is left out.
 *
 * @param sources each source's original with what of it is cut
 * @param leftOut speakers whose turns are not read, by the label of their turns
 */
export function* readTokens(
  sources: readonly SourceText[],
  steps: readonly CleaningStep[],
  leftOut: ReadonlySet<string> = new Set(),
): Stepwise<Tokens> {
  const interner = new Interner();
  const kinds: number[] = [];
  const mentions: number[] = [];
  const type = new Int32List();
  const start = new Int32List();
  const end = new Int32List();
  const joinedFlags = new Int32List();
  const sentenceFirst = new Int32List();
  const sentenceSource = new Int32List();
  const sentenceParagraph = new Int32List();
  const sentenceTurn = new Int32List();
  const sentenceSpeaker = new Int32List();
  const speakers = new Map<string, number>();
  const sentenceStart = new Int32List();
  const sentenceEnd = new Int32List();
  const sourceFirst = new Int32List();
  const speakerOf = (label: string | undefined): number => {
    if (label === undefined) return -1;
    const known = speakers.get(label);
    if (known === undefined) speakers.set(label, speakers.size);
    return known ?? speakers.size - 1;
  };

  for (let source = 0; source < sources.length; source++) {
    const { original } = sources[source];
    const bounds = findBoundaries(original);
    const layer = cleanText(original, steps, readPart(sources[source], bounds, leftOut));
    const places = originalPlaces(layer);
    const changed = layer.text !== original;
    let last = 0;
    sourceFirst.push(sentenceFirst.length);
    let sentence = -1;
    let opened = -1;
    scanTokens(layer.text, (cleanFrom, cleanTo, kind, joined) => {
      const from = places.startOf(cleanFrom);
      const to = places.endOf(cleanTo - 1);
      // Words that a mark parts in the original are no phrase, even where a step has taken the mark out.
      const together = joined && !(changed && hasClauseMark(original, last, from));
      last = to;
      while (sentence + 1 < bounds.start.length && bounds.start[sentence + 1] <= from) sentence++;
      // Outside every sentence stand only speaker labels, which nobody said.
      if (sentence < 0 || from >= bounds.end[sentence]) return;
      if (opened !== sentence) {
        opened = sentence;
        sentenceFirst.push(type.length);
        sentenceSource.push(source);
        sentenceParagraph.push(bounds.paragraph[sentence]);
        sentenceTurn.push(bounds.turn[sentence]);
        sentenceSpeaker.push(speakerOf(bounds.speakers[bounds.turn[sentence] - 1]));
        sentenceStart.push(bounds.start[sentence]);
        sentenceEnd.push(bounds.end[sentence]);
        joinedFlags.push(0);
      } else {
        joinedFlags.push(together ? 1 : 0);
      }
      const id = interner.intern(layer.text, cleanFrom, cleanTo);
      if (id === kinds.length) {
        kinds.push(kind);
        mentions.push(0);
      }
      mentions[id]++;
      type.push(id);
      start.push(from);
      end.push(to);
    });
    yield (source + 1) / sources.length;
  }
  sourceFirst.push(sentenceFirst.length);
  sentenceFirst.push(type.length);
  return {
    forms: interner.forms,
    kindOf: Uint8Array.from(kinds),
    mentionsOf: Int32Array.from(mentions),
    type: type.done(),
    start: start.done(),
    end: end.done(),
    joined: new Uint8Array(joinedFlags.done()),
    sentenceFirst: sentenceFirst.done(),
    sentenceSource: sentenceSource.done(),
    sentenceParagraph: sentenceParagraph.done(),
    sentenceTurn: sentenceTurn.done(),
    sentenceSpeaker: sentenceSpeaker.done(),
    sentenceStart: sentenceStart.done(),
    sentenceEnd: sentenceEnd.done(),
    sourceFirst: sourceFirst.done(),
    speakers: [...speakers.keys()],
  };
}

const CLAUSE_MARKS = new Set(Array.from(',;:.!?…()[]{}—–"“”„«»|/、。，；：', (mark) => mark.charCodeAt(0)));

function hasClauseMark(text: string, start: number, end: number): boolean {
  for (let i = start; i < end; i++) if (CLAUSE_MARKS.has(text.charCodeAt(i))) return true;
  return false;
}

/** Tokens of each source. */
export function wordsPerSource(tokens: Tokens): Int32Array {
  const words = new Int32Array(tokens.sourceFirst.length - 1);
  for (let source = 0; source < words.length; source++) {
    words[source] =
      tokens.sentenceFirst[tokens.sourceFirst[source + 1]] - tokens.sentenceFirst[tokens.sourceFirst[source]];
  }
  return words;
}

/** The sentence of every token. */
export function sentenceOfTokens(tokens: Tokens): Int32Array {
  const sentenceOf = new Int32Array(tokens.type.length);
  for (let s = 0; s + 1 < tokens.sentenceFirst.length; s++) {
    sentenceOf.fill(s, tokens.sentenceFirst[s], tokens.sentenceFirst[s + 1]);
  }
  return sentenceOf;
}

/** Number of the sentence a token is in. */
export function sentenceAt(tokens: Tokens, token: number): number {
  return firstAtLeast(tokens.sentenceFirst, token + 1) - 1;
}
