import type { Names } from './names.ts';
import { BEGINS_PHRASE, phraseAt, type Phrases } from './phrases.ts';
import { isNumberWord } from './stop-words.ts';
import { PARTS_OF_SPEECH } from '../text/lexicon.ts';
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
export interface Occurrences {
  /** Key of each thing met, by its number. */
  readonly labels: readonly string[];
  /** Thing of each occurrence, in the order of the text, with its first token and one past its last. */
  readonly thing: Int32Array;
  readonly first: Int32Array;
  readonly end: Int32Array;
  /** Number of a key; a key that was not met gets the next. */
  readonly numberOf: (key: string) => number;
  readonly isPhrase: (thing: number) => boolean;
  readonly isNumber: (thing: number) => boolean;
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
const PHRASE_BEGINS = 4;
const NUMERAL = 8;
const OWN_PHRASE_BEGINS = 16;

/** Finds everything that may be a concept; a token counts once, in the longest of what it may be part of. */
export function findOccurrences(
  tokens: Tokens,
  terms: Terms,
  stopped: Uint8Array,
  phrases: Phrases | undefined,
  names: Names,
  parts: WantedParts,
  merges: Readonly<Record<string, string>>,
): Occurrences {
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
  const nameId = parts.name ? names.labels.map(numberOf) : [];
  const nameOfId = new Map(nameId.map((id, name) => [id, name]));
  const numberIds = new Set<number>();
  const mergeTargets = new Set(Object.values(merges));
  const own = ownPhrases(tokens, terms, [...Object.keys(merges), ...mergeTargets]);

  const ofTerm = Uint8Array.from(terms.labels, (label, term) => {
    // What the researcher merged counts even where it is a stop word, and its phrases even where they are too few.
    const isOwn = merges[label] !== undefined || mergeTargets.has(label);
    const part = PARTS_OF_SPEECH[terms.part[term]];
    const isWanted = isNumberWord(label) ? parts.number : part !== 'other' && parts[part];
    return (
      (isOwn ? OWN_WORD : 0) |
      (isWanted ? WORD_ITSELF : 0) |
      (phrases && phrases.inPhrases[term] & BEGINS_PHRASE ? PHRASE_BEGINS : 0) |
      (own.has(term) ? OWN_PHRASE_BEGINS : 0)
    );
  });
  const may = Uint8Array.from(terms.ofType, (term, type) => {
    if (term < 0) return parts.number && tokens.kindOf[type] === NUMBER ? NUMERAL : 0;
    let may = ofTerm[term];
    if (stopped[type] === STOPPED) may &= OWN_WORD | OWN_PHRASE_BEGINS;
    else if (stopped[type] !== OPEN) may &= ~WORD_ITSELF;
    return may;
  });

  const termId = new Int32Array(terms.labels.length).fill(-1);
  const total = tokens.type.length;
  const thing = new Int32Array(total);
  const first = new Int32Array(total);
  const ends = new Int32Array(total);
  let count = 0;
  const add = (id: number, from: number, end: number): number => {
    thing[count] = id;
    first[count] = from;
    ends[count++] = end;
    return end;
  };
  let nextName = 0;
  let nameAt = names.first.length > 0 ? names.first[0] : total;
  for (let t = 0; t < total;) {
    const type = tokens.type[t];
    const can = may[type];
    while (nameAt < t) nameAt = ++nextName < names.first.length ? names.first[nextName] : total;
    if (can === 0 && nameAt !== t) {
      t++;
      continue;
    }
    const ownPhrase = can & OWN_PHRASE_BEGINS ? ownPhraseAt(tokens, terms, own, t) : undefined;
    if (ownPhrase) {
      t = add(numberOf(ownPhrase.key), t, ownPhrase.end);
      continue;
    }
    if (nameAt === t && (!(can & OWN_WORD) || names.end[nextName] > t + 1)) {
      const end = names.end[nextName];
      t = parts.name ? add(nameId[names.name[nextName]], t, end) : end;
      continue;
    }
    if (can & NUMERAL) {
      const id = numberOf(tokens.forms[type]);
      numberIds.add(id);
      t = add(id, t, t + 1);
      continue;
    }
    const phrase = phrases && can & PHRASE_BEGINS ? phraseAt(tokens, terms, stopped, phrases, t) : undefined;
    if (phrase) {
      t = add(phraseId[phrase[0]], t, phrase[1]);
      continue;
    }
    if (can & (WORD_ITSELF | OWN_WORD)) {
      const term = terms.ofType[type];
      if (termId[term] < 0) {
        termId[term] = numberOf(terms.labels[term]);
        if (isNumberWord(terms.labels[term])) numberIds.add(termId[term]);
      }
      add(termId[term], t, t + 1);
    }
    t++;
  }
  return {
    labels,
    thing: thing.subarray(0, count),
    first: first.subarray(0, count),
    end: ends.subarray(0, count),
    numberOf,
    isPhrase: (id) => id < phraseCount,
    isNumber: (id) => numberIds.has(id),
    nameOf: (id) => nameOfId.get(id) ?? -1,
  };
}
