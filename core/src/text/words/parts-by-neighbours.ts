import type { Cues } from '../../languages/cues.ts';
import { ADJECTIVE, NOUN, OTHER_PART, VERB } from '../../languages/en/lexicon.ts';
import { ARTICLE_BEFORE, elidedBefore, NOTHING_BEFORE, plainForm } from '../../languages/plain-form.ts';
import type { Reading, WordForms } from '../../languages/word-forms.ts';
import { WORD } from '../scan.ts';
import type { Tokens } from '../tokens.ts';
import type { PartsOfTypes } from './parts-of-speech.ts';

/** What is known of a language's words: their forms where there is a dictionary, and the cues. */
export interface CuedWords {
  readonly forms?: WordForms;
  readonly cues: Cues;
  /** Whether it writes every noun with a capital. */
  readonly nounsInCapitals: boolean;
}

/** How often words are written with and without a capital inside sentences, by type. */
export interface WrittenLarge {
  readonly inside: Int32Array;
  readonly small: Int32Array;
}

const bit = (part: number): number => 1 << part;
const NOUN_OR_VERB = bit(NOUN) | bit(VERB);
/** A word of which neither a dictionary nor its ending tells anything. */
const ANY_PART = NOUN_OR_VERB | bit(ADJECTIVE);
/** A collection in which fewer of the words have a capital inside sentences is written without them. */
const WRITES_CAPITALS = 0.05;
const MOST_LARGE = 0.5;
/** From this share of its telling places on a word is a noun: as one it may be a concept, whatever else it is. */
const NOUN_SHARE = 1 / 3;
const FEW = 3;
/** … one that no dictionary tells of, and that ends as verbs do. */
const UNKNOWN_SHARE = 1 / 2;
/** … and an adverb is one only from this share on. */
const ADVERB_SHARE = 0.6;

const upper = (word: string): string => word.slice(0, 1).toUpperCase() + word.slice(1);

/** What a word in small letters can be, with its dictionary forms; nouns as the language writes them. */
export function readingsOf({ forms, nounsInCapitals }: CuedWords, word: string): readonly Reading[] {
  if (!forms) return [];
  return nounsInCapitals
    ? [...forms.readingsOf(word), ...forms.readingsOf(upper(word))]
    : forms.readingsOf(word);
}

/** The parts a word can have, as bits; all where nothing is known of it. */
function possible(words: CuedWords, word: string, readings: readonly Reading[]): number {
  const { cues, forms } = words;
  if (cues.others.has(word)) return bit(OTHER_PART);
  let mask = readings.reduce((bits, { part }) => bits | bit(part), 0);
  if (forms?.isOther(word)) mask |= bit(OTHER_PART);
  if (mask !== 0) return mask;
  if (cues.nounEndings.test(word)) return bit(NOUN);
  if (cues.otherEndings.test(word)) return bit(OTHER_PART);
  if (cues.adjectiveEndings.test(word)) return bit(ADJECTIVE) | bit(NOUN);
  return cues.verbEndings.test(word) || !cues.nounFirst ? NOUN_OR_VERB : ANY_PART;
}

const NO_CUE = 0;
const NOUN_NEXT = 1;
const VERB_NEXT = 2;
const EITHER_NEXT = 3;
/** After a preposition: a noun, or an infinitive. */
const NOUN_OR_INFINITIVE = 4;

const cueOf = ({ beforeNouns, beforeVerbs, either, prepositions }: Cues, word: string): number =>
  prepositions.has(word)
    ? NOUN_OR_INFINITIVE
    : either.has(word)
      ? EITHER_NEXT
      : beforeNouns.has(word)
        ? NOUN_NEXT
        : beforeVerbs.has(word)
          ? VERB_NEXT
          : NO_CUE;

/** Counts, by type, the places that tell: as [noun, verb, adjective], three a type. */
function countPlaces(tokens: Tokens, words: CuedWords, mask: Uint8Array, cue: Uint8Array): Int32Array {
  const votes = new Int32Array(3 * tokens.forms.length);
  const elided = Uint8Array.from(tokens.forms, (form) => elidedBefore(form));
  const isInfinitive = tokens.forms.map(
    (form, type) => (mask[type] & bit(VERB)) !== 0 && words.cues.infinitiveEndings.test(plainForm(form)),
  );
  const isContent = (type: number): boolean => tokens.kindOf[type] === WORD && cue[type] === NO_CUE;
  for (let s = 0; s + 1 < tokens.sentenceFirst.length; s++) {
    const [first, end] = [tokens.sentenceFirst[s], tokens.sentenceFirst[s + 1]];
    /** What the word before asks for, the one before that, and whether the word before was content after an article. */
    let [asked, askedBefore, follows] = [NO_CUE, NO_CUE, false];
    for (let t = first; t < end; t++) {
      const type = tokens.type[t];
      if (t > first && !tokens.joined[t]) [asked, askedBefore, follows] = [NO_CUE, NO_CUE, false];
      if (elided[type] !== NOTHING_BEFORE) {
        askedBefore = asked;
        asked = elided[type] === ARTICLE_BEFORE ? NOUN_NEXT : VERB_NEXT;
      }
      if (!isContent(type)) {
        [askedBefore, asked, follows] = [asked, cue[type], false];
        continue;
      }
      const wants = asked === EITHER_NEXT ? (askedBefore === VERB_NEXT ? VERB_NEXT : NOUN_NEXT) : asked;
      const next = t + 1 < end && tokens.joined[t + 1] ? tokens.type[t + 1] : -1;
      const isBeforeNoun =
        next >= 0 && isContent(next) && elided[next] === NOTHING_BEFORE && (mask[next] & bit(NOUN)) !== 0;
      const adjective = (mask[type] & bit(ADJECTIVE)) !== 0;
      // Where nouns come first, a word of which nothing is known is one, with its adjective or its verb behind it.
      const mayBeBoth =
        isBeforeNoun &&
        words.cues.nounFirst &&
        ((mask[next] & bit(ADJECTIVE)) !== 0 || mask[type] === ANY_PART);
      const standsBefore = wants === NOUN_NEXT && adjective && isBeforeNoun && !mayBeBoth;
      if (wants === VERB_NEXT) votes[3 * type + VERB]++;
      else if (wants === NOUN_OR_INFINITIVE && !isInfinitive[type]) votes[3 * type + NOUN]++;
      else if (wants === NOUN_NEXT) votes[3 * type + (standsBefore ? ADJECTIVE : NOUN)]++;
      else if (follows && adjective) votes[3 * type + ADJECTIVE]++;
      follows = wants === NOUN_NEXT || wants === NOUN_OR_INFINITIVE;
      [askedBefore, asked] = [NO_CUE, standsBefore ? NOUN_NEXT : NO_CUE];
    }
  }
  return votes;
}

/** The part a word has, of those it can have, by the places that tell. */
function decided(
  mask: number,
  [noun, verb, adjective]: readonly number[],
  { isKnown, mentions }: { readonly isKnown: boolean; readonly mentions: number },
): number {
  const all = noun + verb + adjective;
  if ((mask & bit(OTHER_PART)) !== 0 && (all === 0 || noun + adjective < ADVERB_SHARE * all))
    return OTHER_PART;
  const parts = [NOUN, VERB, ADJECTIVE].filter((part) => (mask & bit(part)) !== 0);
  if (parts.length === 0) return OTHER_PART;
  if (parts.length === 1) return parts[0];
  if (parts.includes(NOUN) && noun > 0 && noun >= (isKnown ? NOUN_SHARE : UNKNOWN_SHARE) * all) return NOUN;
  const met = [noun, verb, adjective];
  const best = parts.reduce((most, part) => (met[part] > met[most] ? part : most));
  if (met[best] > 0) return best;
  // What is said now and then need not stand where it can be told.
  if (!isKnown && mentions <= FEW && parts.includes(NOUN)) return NOUN;
  // Where no place tells, what is a verb or an adjective as well as a noun is seldom meant as the noun.
  return parts[parts.length - 1];
}

/**
 * The part of speech of every type: what its form and its ending leave open is told from what stands beside it in the whole
 * collection.
 *
 * @param large where nouns have capitals, how often each word has one
 */
export function partsByNeighbours(
  tokens: Tokens,
  words: CuedWords,
  large: WrittenLarge | undefined,
): PartsOfTypes {
  const count = tokens.forms.length;
  const found: PartsOfTypes = {
    part: new Uint8Array(count).fill(OTHER_PART),
    nounAtTimes: new Uint8Array(count),
    adjectiveAtTimes: new Uint8Array(count),
    participle: new Uint8Array(count),
  };
  const mask = new Uint8Array(count);
  const cue = new Uint8Array(count);
  const sum = (values: ArrayLike<number>): number => Array.from(values).reduce((all, each) => all + each, 0);
  const writesCapitals =
    large !== undefined && sum(large.inside) > WRITES_CAPITALS * (sum(large.inside) + sum(large.small));
  for (let type = 0; type < count; type++) {
    if (tokens.kindOf[type] !== WORD) continue;
    const word = plainForm(tokens.forms[type]);
    cue[type] = cueOf(words.cues, word);
    mask[type] = possible(words, word, readingsOf(words, word));
    const met = large && writesCapitals ? large.inside[type] + large.small[type] : 0;
    if (!large || met === 0) continue;
    if (large.inside[type] >= MOST_LARGE * met) mask[type] = bit(NOUN);
    else mask[type] = mask[type] & ~bit(NOUN) || bit(ADJECTIVE) | bit(VERB);
  }
  const votes = countPlaces(tokens, words, mask, cue);
  for (let type = 0; type < count; type++) {
    if (tokens.kindOf[type] !== WORD) continue;
    const places = [...votes.subarray(3 * type, 3 * type + 3)];
    const part =
      cue[type] === NO_CUE
        ? decided(mask[type], places, {
            isKnown: words.forms !== undefined,
            mentions: tokens.mentionsOf[type],
          })
        : OTHER_PART;
    found.part[type] = part;
    const can = (each: number): boolean => (mask[type] & bit(each)) !== 0;
    if (part === NOUN || (can(NOUN) && places[NOUN] > 0)) found.nounAtTimes[type] = 1;
    if (part === ADJECTIVE || (can(ADJECTIVE) && places[ADJECTIVE] > 0)) found.adjectiveAtTimes[type] = 1;
  }
  return found;
}

/**
 * The singular of a noun whose dictionary has its plural as an entry too, where it has the singular as well: *champs*, *Schichten*.
 * Where the rule is not sure, only one that the study uses: *Norden* is no plural of *Nord*.
 */
function singularOf(
  words: CuedWords,
  lemma: string,
  { part, used }: { readonly part: number; readonly used: (candidate: string) => number },
): string {
  if (part !== NOUN) return lemma;
  const isEntry = (form: string): boolean =>
    readingsOf(words, form).some((reading) => reading.part === NOUN && reading.lemma.toLowerCase() === form);
  const singular = words.cues
    .singulars(lemma.toLowerCase())
    .find(({ form, sure }) => (sure || used(form) > 0) && isEntry(form));
  return singular?.form ?? lemma;
}

/** The dictionary form of a word for its part of speech: that of the dictionary, or a singular the study itself uses. */
export function lemmaByForms(
  words: CuedWords,
  form: string,
  part: number,
  used: (candidate: string) => number,
): string {
  const word = plainForm(form);
  const [first, ...others] = new Set(
    readingsOf(words, word)
      .filter((reading) => reading.part === part)
      .map(({ lemma }) => lemma),
  );
  const isLarge = words.nounsInCapitals && part === NOUN;
  const shown = (lemma: string): string => (isLarge ? lemma.split('-').map(upper).join('-') : lemma);
  const better = (a: string, b: string): string => {
    const [usesA, usesB] = [used(a.toLowerCase()), used(b.toLowerCase())];
    // Of two that the study uses as often the shorter: the plural is an entry of its own here and there.
    return usesB > usesA || (usesB === usesA && b.length < a.length) ? b : a;
  };
  if (first !== undefined) return shown(singularOf(words, others.reduce(better, first), { part, used }));
  if (part !== NOUN && part !== ADJECTIVE) return word;
  const singulars = words.cues.singulars(word);
  const singular =
    singulars.find((each) => used(each.form) > 0) ?? (singulars[0]?.sure ? singulars[0] : undefined);
  return shown(singular?.form ?? word);
}
