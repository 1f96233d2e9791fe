import type { Stepwise } from '../base/stepwise.ts';
import {
  ADJECTIVE,
  clearPart,
  likeliestPart,
  NOUN,
  OTHER_PART,
  PARTS_OF_SPEECH,
  sensesOfForm,
  shareAs,
  type Lexicon,
} from './lexicon.ts';
import { WORD } from './scan.ts';
import type { SentenceTags, TaggedSource } from './sentence-tags.ts';
import type { Tokens } from './tokens.ts';
import { ownValue } from '../base/records.ts';

/** How many times a word whose part is open is looked at in its sentence. */
const LOOKS = 5;
/** A sentence longer than this is not tagged: it is a table or a list, and costs as much as many others. */
const LONGEST_SENTENCE = 80;
/** … or in characters: one endless run of letters is no word. */
const LONGEST_IN_CHARACTERS = 1000;
/** How many sentences are tagged before others may have a turn. */
const SENTENCES_A_STEP = 20;

/** Parts of speech by type. */
export interface PartsOfTypes {
  /** The part most of a type's tokens have; index into `PARTS_OF_SPEECH`. */
  readonly part: Uint8Array;
  /** 1 where the type is a noun now and then, as run in school run. */
  readonly nounAtTimes: Uint8Array;
  /** 1 where it is an adjective now and then, as last in last train. */
  readonly adjectiveAtTimes: Uint8Array;
}

/** Parts of speech where none are known, as in every language but English: any word may be a concept. */
export function unknownParts(tokens: Tokens): PartsOfTypes {
  const word = tokens.kindOf.map((kind) => (kind === WORD ? 1 : 0));
  return {
    part: tokens.kindOf.map((kind) => (kind === WORD ? NOUN : OTHER_PART)),
    nounAtTimes: word,
    adjectiveAtTimes: word,
  };
}

/** What the researcher says a word is: a part of speech, or a name. */
export const WORD_KINDS = ['noun', 'verb', 'adjective', 'other', 'name'] as const;
export type WordKind = (typeof WORD_KINDS)[number];

/**
 * Parts of speech with the researcher's corrections: a corrected word is that and nothing else now and then.
 *
 * @param said word, small letters without a possessive ending → what it is
 */
export function correctedParts(
  parts: PartsOfTypes,
  tokens: Tokens,
  said: Readonly<Record<string, WordKind>>,
): PartsOfTypes {
  if (Object.keys(said).length === 0) return parts;
  const part = parts.part.slice();
  const nounAtTimes = parts.nounAtTimes.slice();
  const adjectiveAtTimes = parts.adjectiveAtTimes.slice();
  for (let type = 0; type < part.length; type++) {
    const kind = tokens.kindOf[type] === WORD ? ownValue(said, bareForm(tokens.forms[type])) : undefined;
    if (kind === undefined) continue;
    part[type] = kind === 'name' ? NOUN : PARTS_OF_SPEECH.indexOf(kind);
    nounAtTimes[type] = part[type] === NOUN ? 1 : 0;
    adjectiveAtTimes[type] = part[type] === ADJECTIVE ? 1 : 0;
  }
  return { part, nounAtTimes, adjectiveAtTimes };
}

/** A word is something now and then when at least this share of its uses in the lexicon's texts was. */
const NOW_AND_THEN = 0.05;

/**
 * The part of speech of every type (index into `PARTS_OF_SPEECH`). Types the lexicon leaves open are decided by the
 * majority of a few sentences in which they stand, so the cost grows with the vocabulary and not with the text; a
 * sentence that was tagged before is not tagged again.
 *
 * @param sources in the order of the tokens
 */
export function* partsOfTypes(
  tokens: Tokens,
  sources: readonly TaggedSource[],
  lexicon: Lexicon,
  tags: SentenceTags,
): Stepwise<PartsOfTypes> {
  const parts = new Uint8Array(tokens.forms.length).fill(OTHER_PART);
  const nounAtTimes = new Uint8Array(parts.length);
  const adjectiveAtTimes = new Uint8Array(parts.length);
  const wanted = new Int8Array(parts.length);
  /** Types that are written alike but for a possessive ending: what is found of a form is found of all of them. */
  const typesOf = new Map<string, number[]>();
  for (let type = 0; type < parts.length; type++) {
    if (tokens.kindOf[type] !== WORD) continue;
    const form = bareForm(tokens.forms[type]);
    const senses = sensesOfForm(lexicon, form);
    if (shareAs(senses, NOUN) >= NOW_AND_THEN) nounAtTimes[type] = 1;
    if (shareAs(senses, ADJECTIVE) >= NOW_AND_THEN) adjectiveAtTimes[type] = 1;
    const part = clearPart(senses);
    parts[type] = part < 0 ? likeliestPart(senses) : part;
    if (part >= 0) continue;
    wanted[type] = LOOKS;
    const alike = typesOf.get(form);
    if (alike) alike.push(type);
    else typesOf.set(form, [type]);
  }
  const votes = new Int16Array(parts.length * 4);
  const vote = (word: string, part: number): void => {
    for (const type of typesOf.get(word) ?? []) votes[type * 4 + part]++;
  };
  let tagged = 0;
  const sentences = tokens.sentenceFirst.length - 1;
  for (let s = 0; s < sentences; s++) {
    const first = tokens.sentenceFirst[s];
    const last = tokens.sentenceFirst[s + 1];
    if (last - first > LONGEST_SENTENCE) continue;
    if (tokens.sentenceEnd[s] - tokens.sentenceStart[s] > LONGEST_IN_CHARACTERS) continue;
    let useful = false;
    for (let t = first; t < last && !useful; t++) useful = wanted[tokens.type[t]] > 0;
    if (!useful) continue;
    for (let t = first; t < last; t++) if (wanted[tokens.type[t]] > 0) wanted[tokens.type[t]]--;
    const source = sources[tokens.sentenceSource[s]];
    if (!tags.has(source.textHash, tokens.sentenceStart[s])) tagged++;
    tags.visit(source, tokens.sentenceStart[s], tokens.sentenceEnd[s], vote);
    if (tagged >= SENTENCES_A_STEP) {
      tagged = 0;
      yield s / sentences;
    }
  }
  for (const type of [...typesOf.values()].flat()) {
    const part = partByVotes(votes.subarray(type * 4, type * 4 + 4));
    if (part >= 0) parts[type] = part;
  }
  for (let type = 0; type < parts.length; type++) {
    if (tokens.kindOf[type] !== WORD) continue;
    if (parts[type] === NOUN) nounAtTimes[type] = 1;
    if (parts[type] === ADJECTIVE) adjectiveAtTimes[type] = 1;
  }
  return { part: parts, nounAtTimes, adjectiveAtTimes };
}

/** A word is a noun from this share of its uses on: as one it may be a concept, whatever else it is. */
const NOUN_SHARE = 1 / 3;

/** The part of speech by what was found in sentences: noun from a third on, else what most are; −1 where nothing was. */
function partByVotes(votes: ArrayLike<number>): number {
  let [best, all] = [-1, 0];
  for (let part = 0; part < votes.length; part++) {
    all += votes[part];
    if (votes[part] > (best < 0 ? 0 : votes[best])) best = part;
  }
  return all > 0 && votes[NOUN] >= NOUN_SHARE * all ? NOUN : best;
}

/** A form in small letters without a possessive ending, as the lexicon has it. */
export function bareForm(form: string): string {
  const small = form.toLowerCase().replaceAll('’', "'");
  return small.endsWith("'s") ? small.slice(0, -2) : small.endsWith("s'") ? small.slice(0, -1) : small;
}
