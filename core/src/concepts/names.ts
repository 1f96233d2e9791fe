import { Int32List } from '../numeric/int32-list.ts';
import type { Lexicon } from '../text/lexicon.ts';
import { bareForm } from '../text/parts-of-speech.ts';
import { WORD } from '../text/scan.ts';
import type { Tokens } from '../text/tokens.ts';
import { isNumberWord } from './stop-words.ts';
import { STOPPED } from './terms.ts';

/** The names of people, places and organisations in a collection, each with where it stands. */
export interface Names {
  /** As most often written, in full. */
  readonly labels: readonly string[];
  /** The shorter forms each name was met in, with how often; empty where there are none. */
  readonly shorter: readonly (readonly { readonly form: string; readonly mentions: number }[])[];
  /** Name of each occurrence, in the order of the text. */
  readonly name: Int32Array;
  readonly first: Int32Array;
  /** One past the last token of each occurrence. */
  readonly end: Int32Array;
}

export const NO_NAMES: Names = {
  labels: [],
  shorter: [],
  name: new Int32Array(0),
  first: new Int32Array(0),
  end: new Int32Array(0),
};

export interface NameOptions {
  /** Types that are stopped (`stoppedTypes`); a stop word is part of a name only between two of its words. */
  readonly stopped: Uint8Array;
  /** Common nouns, so that the Council is known from Holm; without one no short form is told from a common word. */
  readonly lexicon?: Lexicon;
  /** Words the researcher says are names, or are none, small letters. */
  readonly said: ReadonlyMap<string, boolean>;
}

/** Share of a word's uses inside sentences that are capitalised, from which on it is a name by itself. */
const CAPITALISED_SHARE = 0.7;
/** The same for a word that is also a common noun, such as Rose. */
const COMMON_SHARE = 0.95;
/** A sentence with a larger share of capitals is a heading or shouted: its capitals say nothing. */
const HEADING_SHARE = 0.75;
/** … if it has at least so many words. */
const HEADING_WORDS = 4;
/** The most words of a name. */
const LONGEST_NAME = 6;
/** Words a name may have in the middle, as in Friends of the Harbour. */
const CONNECTING = new Set(['of', 'the', 'de', 'del', 'la', 'van', 'von', 'der', 'den', 'du', 'da', 'di']);
/** Forms of address: before a name but no part of it. */
const TITLES = new Set(['mr', 'mrs', 'ms', 'miss', 'mx', 'dr', 'sir', 'madam', 'prof', 'professor', 'herr', 'frau', 'señor', 'señora', 'monsieur', 'madame']); // prettier-ignore
/** After these a capital says no more than at the start of a sentence. */
const OPENING = /["“”‘«‹(:;—–•*[]/u;

/** Whether a token is written with a capital where that says something, and where it does not. */
const SMALL = 0;
const INSIDE = 1;
const AT_START = 2;

/** How each token is written. */
function capitals(tokens: Tokens, originals: readonly string[]): Uint8Array {
  const capital = new Uint8Array(tokens.type.length);
  for (let s = 0; s + 1 < tokens.sentenceFirst.length; s++) {
    const original = originals[tokens.sentenceSource[s]];
    const first = tokens.sentenceFirst[s];
    const limit = tokens.sentenceFirst[s + 1];
    let words = 0;
    let large = 0;
    for (let t = first; t < limit; t++) {
      if (tokens.kindOf[tokens.type[t]] !== WORD) continue;
      words++;
      if (tokens.end[t] - tokens.start[t] < 2) continue;
      const letter = original.charCodeAt(tokens.start[t]);
      // Most letters are small ASCII; only the others are worth folding.
      if (letter >= 97 && letter <= 122) continue;
      const character = original[tokens.start[t]];
      if (character === character.toLowerCase()) continue;
      large++;
      const starts = t === first || (!tokens.joined[t] && opens(original, tokens.start[t]));
      capital[t] = starts ? AT_START : INSIDE;
    }
    if (words >= HEADING_WORDS && large > HEADING_SHARE * words) capital.fill(SMALL, first, limit);
  }
  return capital;
}

function opens(original: string, start: number): boolean {
  let at = start - 1;
  while (at >= 0 && original[at] === ' ') at--;
  return at < 0 || original[at] === '\n' || OPENING.test(original[at]);
}

/**
 * Finds names: runs of capitalised words that are not merely at the start of a sentence. A single word is a name when
 * nearly all of its uses inside sentences are capitalised; a run at a sentence's start loses its first word unless that
 * is one by itself or the run stands inside a sentence elsewhere. A shorter form counts for the one longer name it can
 * mean: Holm for Nadia Holm, the Council for Larkhaven Council, but not Larkhaven, which is a place of its own.
 */
export function findNames(
  tokens: Tokens,
  originals: readonly string[],
  { stopped, lexicon, said }: NameOptions,
): Names {
  const capital = capitals(tokens, originals);
  const bare = tokens.forms.map((form, type) => (tokens.kindOf[type] === WORD ? bareForm(form) : ''));
  const isName = wordsThatAreNames(tokens, capital, bare, stopped, lexicon, said);
  const textAt = sourceTexts(tokens, originals);

  const surfaces = new Map<string, Map<string, number>>();
  const insideRuns = new Set<string>();
  const runs: { first: number; end: number; startsSentence: boolean }[] = [];
  for (let t = 0; t < capital.length;) {
    if (capital[t] === SMALL || TITLES.has(bare[tokens.type[t]]) || !mayBegin(t)) {
      t++;
      continue;
    }
    const end = endOfRun(t);
    runs.push({ first: t, end, startsSentence: capital[t] === AT_START });
    if (capital[t] === INSIDE && end - t > 1) insideRuns.add(keyOf(t, end));
    t = end;
  }

  function mayBegin(t: number): boolean {
    const type = tokens.type[t];
    return stopped[type] !== STOPPED && said.get(bare[type]) !== false;
  }
  function endOfRun(from: number): number {
    let end = from + 1;
    for (let t = end; t < capital.length && t - from < LONGEST_NAME && tokens.joined[t]; t++) {
      const type = tokens.type[t];
      // A possessive ends a name: Nadia's House is two.
      if (bare[tokens.type[t - 1]] !== tokens.forms[tokens.type[t - 1]].toLowerCase().replaceAll('’', "'"))
        break;
      if (capital[t] !== SMALL && mayBegin(t)) end = t + 1;
      else if (!CONNECTING.has(bare[type])) break;
    }
    return end;
  }
  function keyOf(first: number, end: number): string {
    let key = bare[tokens.type[first]];
    for (let t = first + 1; t < end; t++) key += ` ${bare[tokens.type[t]]}`;
    return key;
  }
  function surfaceOf(first: number, end: number): string {
    let surface = '';
    for (let t = first; t < end; t++) {
      const written = textAt(t);
      surface += `${t > first ? ' ' : ''}${written.slice(0, bare[tokens.type[t]].length)}`;
    }
    return surface;
  }

  const found: { key: string; first: number; end: number }[] = [];
  for (const run of runs) {
    let { first } = run;
    const { end } = run;
    const word = (t: number): boolean => isName[tokens.type[t]] === 1;
    if (run.startsSentence && !word(first) && !(end - first > 1 && insideRuns.has(keyOf(first, end))))
      first++;
    while (first < end && capital[first] === SMALL) first++;
    if (first >= end || (end - first === 1 && !word(first))) continue;
    const key = keyOf(first, end);
    const surface = surfaceOf(first, end);
    const seen = surfaces.get(key) ?? new Map<string, number>();
    seen.set(surface, (seen.get(surface) ?? 0) + 1);
    surfaces.set(key, seen);
    found.push({ key, first, end });
  }
  return joined(found, surfaces, lexicon);
}

function sourceTexts(tokens: Tokens, originals: readonly string[]): (token: number) => string {
  let sentence = 0;
  return (token) => {
    if (tokens.sentenceFirst[sentence] > token) sentence = 0;
    while (tokens.sentenceFirst[sentence + 1] <= token) sentence++;
    return originals[tokens.sentenceSource[sentence]].slice(tokens.start[token], tokens.end[token]);
  };
}

/** 1 for each type that is a name by itself. */
function wordsThatAreNames(
  tokens: Tokens,
  capital: Uint8Array,
  bare: readonly string[],
  stopped: Uint8Array,
  lexicon: Lexicon | undefined,
  said: ReadonlyMap<string, boolean>,
): Uint8Array {
  // Counted by word and not by type: without case folding, and with possessives, a word has several.
  const idOf = new Map<string, number>();
  const wordOf = Int32Array.from(bare, (word) => {
    let id = idOf.get(word);
    if (id === undefined) idOf.set(word, (id = idOf.size));
    return id;
  });
  const inside = new Int32Array(idOf.size);
  const small = new Int32Array(idOf.size);
  for (let t = 0; t < capital.length; t++) {
    if (capital[t] === INSIDE) inside[wordOf[tokens.type[t]]]++;
    else if (capital[t] === SMALL) small[wordOf[tokens.type[t]]]++;
  }
  return Uint8Array.from(bare, (word, type) => {
    const ruled = said.get(word);
    if (ruled !== undefined) return ruled ? 1 : 0;
    // Days and months are written like names but are times.
    if (word === '' || stopped[type] === STOPPED || TITLES.has(word) || isNumberWord(word)) return 0;
    const id = wordOf[type];
    const share = inside[id] / (inside[id] + small[id]);
    return inside[id] > 0 && share >= (isCommonNoun(lexicon, word) ? COMMON_SHARE : CAPITALISED_SHARE)
      ? 1
      : 0;
  });
}

function isCommonNoun(lexicon: Lexicon | undefined, word: string): boolean {
  return (lexicon?.senses.get(word)?.[0] ?? 0) > 0;
}

/** Counts shorter forms for the name they can only mean, and numbers the names in the order they are met. */
function joined(
  found: readonly { key: string; first: number; end: number }[],
  surfaces: ReadonlyMap<string, ReadonlyMap<string, number>>,
  lexicon: Lexicon | undefined,
): Names {
  const longer = new Map<string, string[]>();
  for (const key of surfaces.keys()) {
    const words = key.split(' ');
    if (words.length < 2) continue;
    const last = words[words.length - 1];
    const short = isCommonNoun(lexicon, last) ? [last] : [words[0], last];
    for (const each of short) longer.set(each, [...(longer.get(each) ?? []), key]);
  }
  const whole = (key: string): string => {
    const candidates = longer.get(key);
    return candidates?.length === 1 ? candidates[0] : key;
  };
  const idOf = new Map<string, number>();
  const labels: string[] = [];
  const shorter: Map<string, number>[] = [];
  const name = new Int32List();
  const first = new Int32List();
  const end = new Int32List();
  for (const each of found) {
    const key = whole(each.key);
    let id = idOf.get(key);
    if (id === undefined) {
      idOf.set(key, (id = labels.length));
      labels.push(mostWritten(surfaces.get(key)));
      shorter.push(new Map());
    }
    if (key !== each.key) {
      const form = mostWritten(surfaces.get(each.key));
      shorter[id].set(form, (shorter[id].get(form) ?? 0) + 1);
    }
    name.push(id);
    first.push(each.first);
    end.push(each.end);
  }
  return {
    labels,
    shorter: shorter.map((forms) => [...forms].map(([form, mentions]) => ({ form, mentions }))),
    name: name.done(),
    first: first.done(),
    end: end.done(),
  };
}

/** The writing met most often; among equals the first in code-unit order. */
function mostWritten(writings: ReadonlyMap<string, number> | undefined): string {
  let best = '';
  let most = 0;
  for (const [writing, count] of writings ?? []) {
    if (count > most || (count === most && writing < best)) {
      best = writing;
      most = count;
    }
  }
  return best;
}
