import { bareForm } from '../../languages/en/bare-form.ts';
import {
  ADJECTIVE,
  clearPart,
  likeliestPart,
  NOUN,
  OTHER_PART,
  sensesOfForm,
  shareAs,
  type Lexicon,
  type Senses,
} from '../../languages/en/lexicon.ts';
import {
  asItself,
  asNeighbour,
  ENDED,
  endingOf,
  ENDINGS,
  PLACES,
  weightsOfSenses,
  type Neighbours,
} from '../../languages/en/neighbours.ts';
import { WORD } from '../scan.ts';
import type { Tokens } from '../tokens.ts';
import type { PartsOfTypes } from './parts-of-speech.ts';

/** A word is something now and then when at least this share of its uses in the lexicon's texts was. */
const NOW_AND_THEN = 0.05;
/** A word is a noun from this share of its uses on: as one it may be a concept, whatever else it is. */
const NOUN_SHARE = 1 / 3;
const PARTS = 4;

const PARTICIPLE = /.{2}(?:ing|ed|en|wn|nt|pt)$/;
/** Whether the lexicon has a form as a noun or an adjective of its own, as it has waiting, broken and retired. */
function isOwnWord(lexicon: Lexicon, form: string): boolean {
  const own = lexicon.senses.get(form);
  return own !== undefined && (own[NOUN] >= 0 || own[ADJECTIVE] >= 0);
}

/**
 * The part of speech of every type by a lexicon. Types whose senses leave it open are decided by all places where they stand: at each,
 * what stands around it says how likely it is what (`Neighbours`), and a type is what that comes to most, a noun from a third on.
 */
export function partsByLexicon(tokens: Tokens, lexicon: Lexicon): PartsOfTypes {
  const count = tokens.forms.length;
  const part = new Uint8Array(count).fill(OTHER_PART);
  const nounAtTimes = new Uint8Array(count);
  const adjectiveAtTimes = new Uint8Array(count);
  const participle = new Uint8Array(count);
  const sensesOf: (Senses | undefined)[] = [];
  const isOpen = new Uint8Array(count);
  const alike = new Map<string, number[]>();
  for (let type = 0; type < count; type++) {
    if (tokens.kindOf[type] !== WORD) continue;
    const form = bareForm(tokens.forms[type]);
    const senses = sensesOfForm(lexicon, form);
    sensesOf[type] = senses;
    if (shareAs(senses, NOUN) >= NOW_AND_THEN) nounAtTimes[type] = 1;
    if (shareAs(senses, ADJECTIVE) >= NOW_AND_THEN) adjectiveAtTimes[type] = 1;
    if (PARTICIPLE.test(form) && isOwnWord(lexicon, form)) participle[type] = 1;
    const clear = clearPart(senses);
    part[type] = clear < 0 ? likeliestPart(senses) : clear;
    if (clear >= 0) continue;
    isOpen[type] = 1;
    // What is found of a form is found of all types that are written so, with a possessive ending or without.
    const types = alike.get(form);
    if (types) types.push(type);
    else alike.set(form, [type]);
  }
  const votes = votesOfPlaces(tokens, isOpen, sensesOf, lexicon.neighbours);
  for (const types of alike.values()) {
    const sum = [0, 0, 0, 0];
    for (const type of types) for (let p = 0; p < PARTS; p++) sum[p] += votes[PARTS * type + p];
    const found = partByVotes(sum);
    if (found >= 0) for (const type of types) part[type] = found;
  }
  for (let type = 0; type < count; type++) {
    if (tokens.kindOf[type] !== WORD) continue;
    if (part[type] === NOUN) nounAtTimes[type] = 1;
    if (part[type] === ADJECTIVE) adjectiveAtTimes[type] = 1;
  }
  return { part, nounAtTimes, adjectiveAtTimes, participle };
}

/** The part of speech by the chances of a word's places: noun from a third on, else what most are; −1 where none tells. */
function partByVotes(votes: readonly number[]): number {
  let [best, all] = [-1, 0];
  for (let part = 0; part < PARTS; part++) {
    all += votes[part];
    if (votes[part] > (best < 0 ? 0 : votes[best])) best = part;
  }
  return all > 0 && votes[NOUN] >= NOUN_SHARE * all ? NOUN : best;
}

/** Weights by place and by what can stand there, four in a row for each. */
interface Weights {
  /** What each type tells as a neighbour, as a number into the rows; −1 for what is no word. */
  readonly tellsOf: Int16Array;
  readonly at: Readonly<Record<keyof typeof PLACES, Float64Array>>;
  /** By the place of the ending in `ENDINGS`. */
  readonly endedBefore: readonly Float64Array[];
  readonly endedAfter: readonly Float64Array[];
}

function weightsFor(
  tokens: Tokens,
  sensesOf: readonly (Senses | undefined)[],
  neighbours: Neighbours,
): Weights {
  const isGrammar = (form: string): boolean =>
    neighbours.has(PLACES.before + form) || neighbours.has(PLACES.after + form);
  const numbers = new Map<string, number>();
  const tellsOf = Int16Array.from(tokens.forms, (form, type) => {
    const senses = sensesOf[type];
    if (!senses && !/^\p{N}/u.test(form)) return -1;
    const tells = asNeighbour(form, senses ?? [], isGrammar);
    const number = numbers.get(tells) ?? numbers.size;
    numbers.set(tells, number);
    return number;
  });
  const rows = (letter: string): Float64Array => {
    const found = new Float64Array(PARTS * numbers.size);
    for (const [tells, number] of numbers) found.set(neighbours.get(letter + tells) ?? [], PARTS * number);
    return found;
  };
  return {
    tellsOf,
    at: {
      before: rows(PLACES.before),
      beforeThat: rows(PLACES.beforeThat),
      after: rows(PLACES.after),
      afterThat: rows(PLACES.afterThat),
    },
    endedBefore: ENDINGS.map((ending) => rows(ENDED.before + ending)),
    endedAfter: ENDINGS.map((ending) => rows(ENDED.after + ending)),
  };
}

/** The chances of each open type to be each part of speech, four a type, added up over its places; one where nothing stands around it tells nothing. */
function votesOfPlaces(
  tokens: Tokens,
  isOpen: Uint8Array,
  sensesOf: readonly (Senses | undefined)[],
  neighbours: Neighbours,
): Float64Array {
  const { tellsOf, at, endedBefore, endedAfter } = weightsFor(tokens, sensesOf, neighbours);
  const votes = new Float64Array(PARTS * isOpen.length);
  const endings = new Int8Array(isOpen.length);
  const own = new Float64Array(PARTS * isOpen.length);
  for (let type = 0; type < isOpen.length; type++) {
    const senses = sensesOf[type];
    if (!isOpen[type] || !senses) continue;
    const form = tokens.forms[type];
    endings[type] = ENDINGS.indexOf(endingOf(bareForm(form)));
    const itself = neighbours.get(asItself(form, senses));
    weightsOfSenses(senses).forEach((weight, p) => (own[PARTS * type + p] = weight + (itself?.[p] ?? 0)));
  }
  const score = new Float64Array(PARTS);
  const add = (rows: Float64Array, row: number): void => {
    for (let p = 0; p < PARTS; p++) score[p] += rows[PARTS * row + p];
  };
  for (let s = 0; s + 1 < tokens.sentenceFirst.length; s++) {
    const [first, end] = [tokens.sentenceFirst[s], tokens.sentenceFirst[s + 1]];
    /** What the token at a place tells, where nothing parts it from the one at `from` beside it. */
    const tells = (place: number, from: number): number =>
      place >= first && place < end && tokens.joined[Math.max(place, from)]
        ? tellsOf[tokens.type[place]]
        : -1;
    for (let t = first; t < end; t++) {
      const type = tokens.type[t];
      if (!isOpen[type]) continue;
      const before = tells(t - 1, t);
      const after = tells(t + 1, t);
      if (before < 0 && after < 0) continue;
      for (let p = 0; p < PARTS; p++) score[p] = own[PARTS * type + p];
      if (before >= 0) {
        add(at.before, before);
        add(endedBefore[endings[type]], before);
        const beforeThat = tells(t - 2, t - 1);
        if (beforeThat >= 0) add(at.beforeThat, beforeThat);
      }
      if (after >= 0) {
        add(at.after, after);
        add(endedAfter[endings[type]], after);
        const afterThat = tells(t + 2, t + 1);
        if (afterThat >= 0) add(at.afterThat, afterThat);
      }
      let most = score[0];
      for (let p = 1; p < PARTS; p++) if (score[p] > most) most = score[p];
      let all = 0;
      for (let p = 0; p < PARTS; p++) all += score[p] = Math.exp((score[p] - most) / 10);
      for (let p = 0; p < PARTS; p++) votes[PARTS * type + p] += score[p] / all;
    }
  }
  return votes;
}
