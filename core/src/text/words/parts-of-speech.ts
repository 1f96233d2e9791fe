import { bareForm } from '../../languages/en/bare-form.ts';
import { plainForm } from '../../languages/plain-form.ts';
import type { InParts } from '../../base/share-out.ts';
import type { Stepwise } from '../../base/stepwise.ts';
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
} from '../../languages/en/lexicon.ts';
import { WORD } from '../scan.ts';
import type { SentenceTags, TaggedSource } from './sentence-tags.ts';
import type { Tokens } from '../tokens.ts';
import { ownValue } from '../../base/records.ts';

/** How many times a word whose part is open is looked at in its sentence. */
const LOOKS = 5;
/**
 * In a large collection, of so many tokens, it is looked at less often, since its sentences are seen for other words as
 * well; and not where it is so rare that it can't become a concept by itself (docs/method/concepts.md). Of 2.2 million
 * words of prose 19 % are tagged instead of 37; of words of 4 mentions and more, 0.7 % get another part than if every
 * sentence were tagged (0.4 % with five looks).
 */
const LARGE = 200_000;
const LOOKS_IN_LARGE = 3;
const FEWEST_IN_LARGE = 4;
/**
 * The larger the collection, the more mentions its rarest concept has: 23 of two million words, 50 of ten. A third of that is asked
 * of a form. Of two million words the same 160 concepts are chosen, and a third less is tagged; of ten, two thirds less.
 */
const fewestMentions = (words: number): number =>
  Math.max(FEWEST_IN_LARGE, Math.round(Math.sqrt(words) / 180));
/** A sentence longer than this is not tagged: it is a table or a list, and costs as much as many others. */
const LONGEST_SENTENCE = 80;
/** … or in characters: one endless run of letters is no word. */
const LONGEST_IN_CHARACTERS = 1000;

/** Parts of speech by type. */
export interface PartsOfTypes {
  /** The part most of a type's tokens have; index into `PARTS_OF_SPEECH`. */
  readonly part: Uint8Array;
  /** 1 where the type is a noun now and then, as run in school run. */
  readonly nounAtTimes: Uint8Array;
  /** 1 where it is an adjective now and then, as last in last train. */
  readonly adjectiveAtTimes: Uint8Array;
  /** 1 where a form of a verb may stand before a noun, as waiting in waiting room. */
  readonly participle: Uint8Array;
}

/** Parts of speech where none are known, as in every language but English: any word may be a concept. */
export function unknownParts(tokens: Tokens): PartsOfTypes {
  const word = tokens.kindOf.map((kind) => (kind === WORD ? 1 : 0));
  return {
    part: tokens.kindOf.map((kind) => (kind === WORD ? NOUN : OTHER_PART)),
    nounAtTimes: word,
    adjectiveAtTimes: word,
    participle: new Uint8Array(tokens.forms.length),
  };
}

/**
 * The parts of speech of a collection in several languages, each word's as its own language has it.
 *
 * @param found parts of types by language
 * @param readingOf which of them a type is read by
 */
export function partsByLanguage(
  found: readonly PartsOfTypes[],
  readingOf: (type: number) => number,
): PartsOfTypes {
  const of = (name: keyof PartsOfTypes): Uint8Array =>
    found[0][name].map((_, type) => found[readingOf(type)][name][type]);
  return {
    part: of('part'),
    nounAtTimes: of('nounAtTimes'),
    adjectiveAtTimes: of('adjectiveAtTimes'),
    participle: of('participle'),
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
  const participle = parts.participle.slice();
  for (let type = 0; type < part.length; type++) {
    const kind = tokens.kindOf[type] === WORD ? ownValue(said, plainForm(tokens.forms[type])) : undefined;
    if (kind === undefined) continue;
    part[type] = kind === 'name' ? NOUN : PARTS_OF_SPEECH.indexOf(kind);
    nounAtTimes[type] = part[type] === NOUN ? 1 : 0;
    adjectiveAtTimes[type] = part[type] === ADJECTIVE ? 1 : 0;
    participle[type] = 0;
  }
  return { part, nounAtTimes, adjectiveAtTimes, participle };
}

/** A word is something now and then when at least this share of its uses in the lexicon's texts was. */
const NOW_AND_THEN = 0.05;

/** The types whose part only sentences can tell. */
interface OpenTypes {
  /** By form without a possessive ending: what is found of a form is found of all types that are written so. */
  readonly ofForm: ReadonlyMap<string, readonly number[]>;
  /** How often each type is to be looked at. */
  readonly looks: Int8Array;
}

/** Sentences by which open types are decided, the first that show each often enough. */
function sentencesToSee(tokens: Tokens, looks: Int8Array): number[] {
  const wanted = looks.slice();
  const chosen: number[] = [];
  for (let s = 0; s + 1 < tokens.sentenceFirst.length; s++) {
    const first = tokens.sentenceFirst[s];
    const last = tokens.sentenceFirst[s + 1];
    if (last - first > LONGEST_SENTENCE) continue;
    if (tokens.sentenceEnd[s] - tokens.sentenceStart[s] > LONGEST_IN_CHARACTERS) continue;
    let useful = false;
    for (let t = first; t < last && !useful; t++) useful = wanted[tokens.type[t]] > 0;
    if (!useful) continue;
    chosen.push(s);
    for (let t = first; t < last; t++) if (wanted[tokens.type[t]] > 0) wanted[tokens.type[t]]--;
  }
  return chosen;
}

/** Tags sentences, some at a time: gives what is found of each, in their order (`sentenceTagger`). */
export type TagSentences = InParts<readonly string[], readonly string[]>;

/** How many sentences are tagged at a time. */
const SENTENCES_A_PART = 50;

/** Has those of the sentences tagged that were not yet. */
function* tagThem(
  chosen: readonly number[],
  tokens: Tokens,
  sources: readonly TaggedSource[],
  tags: SentenceTags,
  tagSentences: TagSentences,
): Stepwise<void> {
  const parts: number[][] = [];
  for (const s of chosen) {
    if (tags.has(sources[tokens.sentenceSource[s]].textHash, tokens.sentenceStart[s])) continue;
    const last = parts.at(-1);
    if (last && last.length < SENTENCES_A_PART) last.push(s);
    else parts.push([s]);
  }
  const textOf = (s: number): string =>
    sources[tokens.sentenceSource[s]].original.slice(tokens.sentenceStart[s], tokens.sentenceEnd[s]);
  // What was found is kept part by part, so that nothing is lost where this is stopped.
  yield* tagSentences(
    parts.map((part) => part.map(textOf)),
    (found, k) =>
      parts[k].forEach((s, i) =>
        tags.put(sources[tokens.sentenceSource[s]].textHash, tokens.sentenceStart[s], found[i]),
      ),
  );
}

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
  tagSentences: TagSentences,
): Stepwise<PartsOfTypes> {
  const found: PartsOfTypes = {
    part: new Uint8Array(tokens.forms.length).fill(OTHER_PART),
    nounAtTimes: new Uint8Array(tokens.forms.length),
    adjectiveAtTimes: new Uint8Array(tokens.forms.length),
    participle: new Uint8Array(tokens.forms.length),
  };
  const { ofForm, looks } = partsByLexicon(tokens, lexicon, found);
  const chosen = sentencesToSee(tokens, looks);
  yield* tagThem(chosen, tokens, sources, tags, tagSentences);
  const votes = new Int32Array(tokens.forms.length * 4);
  const vote = (word: string, part: number): void => {
    for (const type of ofForm.get(word) ?? []) votes[type * 4 + part]++;
  };
  for (const s of chosen)
    tags.visit(sources[tokens.sentenceSource[s]].textHash, tokens.sentenceStart[s], vote);
  for (const type of [...ofForm.values()].flat()) {
    const part = partByVotes(votes.subarray(type * 4, type * 4 + 4));
    if (part >= 0) found.part[type] = part;
  }
  for (let type = 0; type < found.part.length; type++) {
    if (tokens.kindOf[type] !== WORD) continue;
    if (found.part[type] === NOUN) found.nounAtTimes[type] = 1;
    if (found.part[type] === ADJECTIVE) found.adjectiveAtTimes[type] = 1;
  }
  return found;
}

const PARTICIPLE = /.{2}(?:ing|ed|en|wn|nt|pt)$/;
/** Whether the lexicon has a form as a noun or an adjective of its own, as it has waiting, broken and retired. */
function isOwnWord(lexicon: Lexicon, form: string): boolean {
  const own = lexicon.senses.get(form);
  return own !== undefined && (own[NOUN] >= 0 || own[ADJECTIVE] >= 0);
}

/** Writes down what the lexicon tells of types, and gives those it leaves open. */
function partsByLexicon(
  tokens: Tokens,
  lexicon: Lexicon,
  { part: parts, nounAtTimes, adjectiveAtTimes, participle }: PartsOfTypes,
): OpenTypes {
  const ofForm = new Map<string, number[]>();
  const looks = new Int8Array(parts.length);
  const isLarge = tokens.type.length >= LARGE;
  const fewest = isLarge ? fewestMentions(tokens.type.length) : 0;
  for (let type = 0; type < parts.length; type++) {
    if (tokens.kindOf[type] !== WORD) continue;
    const form = bareForm(tokens.forms[type]);
    const senses = sensesOfForm(lexicon, form);
    if (shareAs(senses, NOUN) >= NOW_AND_THEN) nounAtTimes[type] = 1;
    if (shareAs(senses, ADJECTIVE) >= NOW_AND_THEN) adjectiveAtTimes[type] = 1;
    if (PARTICIPLE.test(form) && isOwnWord(lexicon, form)) participle[type] = 1;
    const part = clearPart(senses);
    parts[type] = part < 0 ? likeliestPart(senses) : part;
    if (part >= 0) continue;
    looks[type] = tokens.mentionsOf[type] < fewest ? 0 : isLarge ? LOOKS_IN_LARGE : LOOKS;
    const alike = ofForm.get(form);
    if (alike) alike.push(type);
    else ofForm.set(form, [type]);
  }
  return { ofForm, looks };
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
