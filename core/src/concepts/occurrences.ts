import type { Names } from './names.ts';
import { BEGINS_PHRASE, GOES_ON, phraseAt, type Phrases } from './phrases.ts';
import {
  addOccurrence,
  occurrenceList,
  occurrencesIn,
  type OccurrenceList,
  type Occurring,
} from './renumbered.ts';
import { PARTS_OF_SPEECH } from '../languages/en/lexicon.ts';
import { NUMBER } from '../text/scan.ts';
import type { Tokens } from '../text/tokens.ts';
import { OPEN, STOPPED, termsByForm, type Terms } from './terms.ts';

/** Which words may be concepts. */
export interface WantedParts {
  readonly noun: boolean;
  readonly verb: boolean;
  readonly adjective: boolean;
  /** Names; where they are left out their words are no other concept either. */
  readonly name: boolean;
  /** Numbers, and the words for numbers and times. */
  readonly number: boolean;
}

/** Everything that may be a concept, where it stands, before variants are brought together. */
export interface Occurrences extends Occurring {
  /** Key of each thing met, by its number. */
  readonly labels: readonly string[];
  /** Number of a key; a key that was not met gets the next. */
  readonly numberOf: (key: string) => number;
  readonly isPhrase: (thing: number) => boolean;
  readonly isNumber: (thing: number) => boolean;
  /** The term a thing is, where it stands by itself somewhere, or −1. */
  readonly termOf: (thing: number) => number;
  /** The name a thing is, or −1. */
  readonly nameOf: (thing: number) => number;
}

/** A phrase of the researcher's own: its key and the terms of its words. */
interface OwnPhrase {
  readonly key: string;
  readonly terms: readonly number[];
}

/** The researcher's own phrases by their first term, the longest first; those with a word that is nowhere are left out. */
function ownPhrases(tokens: Tokens, terms: Terms, keys: readonly string[]): Map<number, OwnPhrase[]> {
  const own = new Map<number, OwnPhrase[]>();
  const phrases = [...new Set(keys)].filter((key) => key.includes(' '));
  if (phrases.length === 0) return own;
  const termOf = termsByForm(tokens, terms);
  terms.labels.forEach((label, term) => termOf.set(label, term));
  for (const key of phrases) {
    const numbers = key.split(' ').map((word) => termOf.get(word) ?? -1);
    if (numbers.includes(-1)) continue;
    own.set(numbers[0], [...(own.get(numbers[0]) ?? []), { key, terms: numbers }]);
  }
  for (const list of own.values()) list.sort((a, b) => b.terms.length - a.terms.length);
  return own;
}

function ownPhraseAt(
  tokens: Tokens,
  terms: Terms,
  own: ReadonlyMap<number, readonly OwnPhrase[]>,
  token: number,
): { key: string; end: number } | undefined {
  for (const { key, terms: words } of own.get(terms.ofType[tokens.type[token]]) ?? []) {
    const end = token + words.length;
    if (end > tokens.type.length) continue;
    const fits = words.every(
      (term, i) =>
        terms.ofType[tokens.type[token + i]] === term && (i === 0 || tokens.joined[token + i] === 1),
    );
    if (fits) return { key, end };
  }
  return undefined;
}

/** What a token may be, by its type; a token that may be nothing is passed over at once. */
const WORD_ITSELF = 1;
const OWN_WORD = 2;
const WORD_OR_OWN = WORD_ITSELF | OWN_WORD;
const PHRASE_BEGINS = 4;
const WORD_OR_PHRASE = WORD_OR_OWN | PHRASE_BEGINS;
const NUMERAL = 8;
const OWN_PHRASE_BEGINS = 16;

/** Plain words are added so many tokens at a time. */
const STRETCH = 4096;

/** What the tokens of each type may be. */
function mayBe({
  tokens,
  terms,
  stopped,
  parts,
  inPhrases,
  own,
  ownKeys,
}: {
  readonly tokens: Tokens;
  readonly terms: Terms;
  readonly stopped: Uint8Array;
  readonly parts: WantedParts;
  readonly inPhrases: Uint8Array | undefined;
  readonly own: ReadonlyMap<number, unknown>;
  readonly ownKeys: ReadonlySet<string>;
}): Uint8Array {
  const ofTerm = new Uint8Array(terms.labels.length);
  const wanted = PARTS_OF_SPEECH.map((part) => part !== 'other' && parts[part]);
  for (let term = 0; term < ofTerm.length; term++) {
    const isWanted = terms.isNumber[term] === 1 ? parts.number : wanted[terms.part[term]];
    ofTerm[term] =
      // What the researcher merged counts even where it is a stop word, and its phrases even where they are too few.
      (ownKeys.size > 0 && ownKeys.has(terms.labels[term]) ? OWN_WORD : 0) |
      (isWanted ? WORD_ITSELF : 0) |
      (inPhrases && inPhrases[term] & BEGINS_PHRASE ? PHRASE_BEGINS : 0) |
      (own.has(term) ? OWN_PHRASE_BEGINS : 0);
  }
  const may = new Uint8Array(terms.ofType.length);
  for (let type = 0; type < may.length; type++) {
    const term = terms.ofType[type];
    if (term < 0) may[type] = parts.number && tokens.kindOf[type] === NUMBER ? NUMERAL : 0;
    else if (stopped[type] === STOPPED) may[type] = ofTerm[term] & (OWN_WORD | OWN_PHRASE_BEGINS);
    else may[type] = ofTerm[term] & (stopped[type] === OPEN ? 255 : ~WORD_ITSELF);
  }
  return may;
}

/** 1 for each type with which a kept phrase may go on. */
function goesOn(terms: Terms, stopped: Uint8Array, phrases: Phrases | undefined): Uint8Array {
  const next = new Uint8Array(terms.ofType.length);
  if (!phrases) return next;
  for (let type = 0; type < next.length; type++) {
    const term = terms.ofType[type];
    const isOpen = stopped[type] !== STOPPED || phrases.isLinker[type] === 1;
    if (term >= 0 && isOpen && phrases.inPhrases[term] & GOES_ON) next[type] = 1;
  }
  return next;
}

/** Finds everything that may be a concept; a token counts once, in the longest of what it may be part of. */
export function findOccurrences({
  tokens,
  terms,
  stopped,
  phrases,
  names,
  wantedNames,
  parts,
  merges,
}: {
  readonly tokens: Tokens;
  readonly terms: Terms;
  readonly stopped: Uint8Array;
  readonly phrases: Phrases | undefined;
  readonly names: Names;
  readonly wantedNames: Uint8Array;
  readonly parts: WantedParts;
  readonly merges: Readonly<Record<string, string>>;
}): Occurrences {
  const labels: string[] = [];
  const idOf = new Map<string, number>();
  const numberOf = (key: string): number => {
    let id = idOf.get(key);
    if (id === undefined) {
      id = labels.length;
      idOf.set(key, id);
      labels.push(key);
    }
    return id;
  };
  const phraseId = phrases ? phrases.labels.map(numberOf) : [];
  const phraseCount = labels.length;
  // Where a name is left out its words are no other concept either.
  const nameId = Int32Array.from(names.labels, (label, name) =>
    parts.name && wantedNames[name] === 1 ? numberOf(label) : -1,
  );
  const nameOfId = new Map<number, number>();
  nameId.forEach((id, name) => {
    if (id >= 0) nameOfId.set(id, name);
  });
  const numberIds = new Set<number>();
  const ownKeys = new Set(Object.entries(merges).flat());
  const own = ownPhrases(tokens, terms, [...ownKeys]);
  const ownPhraseKeys = new Set([...own.values()].flat().map(({ key }) => key));
  const may = mayBe({ tokens, terms, stopped, parts, inPhrases: phrases?.inPhrases, own, ownKeys });

  const termOfId = new Map<number, number>();
  const idOfTerm = new Int32Array(terms.labels.length).fill(-1);
  const idOfType = new Int32Array(may.length).fill(-1);
  let most = names.first.length;
  for (let type = 0; type < may.length; type++) {
    if (may[type] !== 0) most += tokens.mentionsOf[type];
    if (!(may[type] & WORD_OR_OWN)) continue;
    const term = terms.ofType[type];
    if (idOfTerm[term] < 0) {
      const id = numberOf(terms.labels[term]);
      idOfTerm[term] = id;
      termOfId.set(id, term);
      if (terms.isNumber[term]) numberIds.add(id);
    }
    idOfType[type] = idOfTerm[term];
  }

  /** What begins at a token that is more than a word: its number (−1 for what is passed over) and its end. */
  const longestAt = (t: number, name: number): readonly [id: number, end: number] => {
    const type = tokens.type[t];
    const can = may[type];
    const ownPhrase = can & OWN_PHRASE_BEGINS ? ownPhraseAt(tokens, terms, own, t) : undefined;
    if (ownPhrase) return [numberOf(ownPhrase.key), ownPhrase.end];
    if (name >= 0 && (!(can & OWN_WORD) || names.end[name] > t + 1)) {
      return [nameId[names.name[name]], names.end[name]];
    }
    if (can & NUMERAL) {
      const id = numberOf(tokens.forms[type]);
      numberIds.add(id);
      return [id, t + 1];
    }
    const phrase = phrases && can & PHRASE_BEGINS ? phraseAt(tokens, terms, stopped, phrases, t) : undefined;
    return phrase ? [phraseId[phrase[0]], phrase[1]] : [idOfType[type], t + 1];
  };
  return {
    labels,
    ...scan({
      typeOf: tokens.type,
      may,
      next: goesOn(terms, stopped, phrases),
      idOfType,
      nameFirst: names.first,
      most,
      longestAt,
    }),
    numberOf,
    isPhrase: (id) => id < phraseCount || ownPhraseKeys.has(labels[id]),
    isNumber: (id) => numberIds.has(id),
    termOf: (id) => termOfId.get(id) ?? -1,
    nameOf: (id) => nameOfId.get(id) ?? -1,
  };
}

/**
 * One pass over all tokens.
 *
 * @param next 1 for each type a phrase may go on with
 * @param nameFirst first token of each name
 * @param most no more can be found
 * @param longestAt what begins at a token where a name begins, or that may be more than a word; with the name, or −1
 */
function scan({
  typeOf,
  may,
  next,
  idOfType,
  nameFirst,
  most,
  longestAt,
}: {
  readonly typeOf: Int32Array;
  readonly may: Uint8Array;
  readonly next: Uint8Array;
  readonly idOfType: Int32Array;
  readonly nameFirst: Int32Array;
  readonly most: number;
  readonly longestAt: (token: number, name: number) => readonly [id: number, end: number];
}): Occurring {
  const list = occurrenceList(most);
  let name = 0;
  for (let t = 0; t < typeOf.length;) {
    while (name < nameFirst.length && nameFirst[name] < t) name++;
    const nameAt = name < nameFirst.length ? nameFirst[name] : typeOf.length;
    const stretch = Math.min(nameAt, t + STRETCH);
    t = addWords({ list, typeOf, may, next, idOfType, from: t, limit: stretch });
    if (t === typeOf.length) break;
    // At the end of a stretch may stand a plain word, for the next one.
    if (t === stretch && t !== nameAt) continue;
    const [id, end] = longestAt(t, nameAt === t ? name : -1);
    if (id >= 0) addOccurrence(list, id, t, end);
    t = end;
  }
  return occurrencesIn(list);
}

/** Adds the words up to the next token that may be more than a word, or to the limit; returns where it stopped. */
function addWords({
  list,
  typeOf,
  may,
  next,
  idOfType,
  from,
  limit,
}: {
  readonly list: OccurrenceList;
  readonly typeOf: Int32Array;
  readonly may: Uint8Array;
  readonly next: Uint8Array;
  readonly idOfType: Int32Array;
  readonly from: number;
  readonly limit: number;
}): number {
  for (let t = from; t < limit; t++) {
    const can = may[typeOf[t]];
    if (can === 0) continue;
    if (can > WORD_OR_OWN) {
      // A word that begins phrases is one by itself where none goes on after it, as mostly.
      if (can > WORD_OR_PHRASE || (t + 1 < typeOf.length && next[typeOf[t + 1]] === 1)) return t;
      if (!(can & WORD_OR_OWN)) continue;
    }
    addOccurrence(list, idOfType[typeOf[t]], t, t + 1);
  }
  return limit;
}
