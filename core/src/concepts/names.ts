import { Int32List } from '../base/int32-list.ts';
import type { Lexicon } from '../languages/en/lexicon.ts';
import type { Tokens } from '../text/tokens.ts';
import { AT_START, INSIDE, SMALL, type Capitals } from './capitals.ts';
import { ORGANISATION_WORDS, PLACE_WORDS, TITLES } from '../languages/en/name-words.ts';
import type { Language } from '../languages/language.ts';
import { STOPPED } from './terms.ts';

/** The names of people, places and organisations in a collection, each with where it stands. */
export interface Names {
  /** The form each is most often met in, as most often written. */
  readonly labels: readonly string[];
  /** The other forms each name was met in, with how often; empty where there are none. */
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
  readonly language: Pick<Language, 'isNumberWord'>;
  /** Words the researcher says are names, or are none, small letters. */
  readonly said: ReadonlyMap<string, boolean>;
}

/** Share of a word's uses inside sentences that are capitalised, from which on it is a name by itself. */
const CAPITALISED_SHARE = 0.7;
/** The same for a word that is also a common noun, such as Rose. */
const COMMON_SHARE = 0.95;
/** The most words of a name. */
const LONGEST_NAME = 6;
/** Words a name may have in the middle, as in Friends of the Harbour. */
const CONNECTING = new Set(['of', 'the', 'de', 'del', 'la', 'van', 'von', 'der', 'den', 'du', 'da', 'di']);
/**
 * Finds names: runs of capitalised words that are not merely at the start of a sentence. A single word is a name when
 * nearly all of its uses inside sentences are capitalised; a run at a sentence's start loses its first word unless that
 * is one by itself or the run stands inside a sentence elsewhere. A shorter form counts for the one longer name it can
 * mean: Holm for Nadia Holm, the Council for Larkhaven Council, but not Larkhaven, which is a place of its own.
 */
export function findNames(
  tokens: Tokens,
  originals: readonly string[],
  capitals: Capitals,
  { stopped, lexicon, said, language }: NameOptions,
): Names {
  const { how, large, word } = capitals;
  const isName = wordsThatAreNames(capitals, stopped, lexicon, said, language);
  const role = rolesInNames(tokens, capitals, stopped, said);
  const textAt = sourceTexts(tokens, originals);

  const endOfRun = (from: number): number => {
    let end = from + 1;
    for (let t = end; t < how.length && t - from < LONGEST_NAME && tokens.joined[t]; t++) {
      const can = role[tokens.type[t]];
      // A possessive ends a name: Nadia's House is two, but Cutler's Green is one.
      if (role[tokens.type[t - 1]] & POSSESSIVE && !(can & OF_SOMEBODY)) break;
      if (how[t] !== SMALL && can & PART) end = t + 1;
      else if (!(can & CONNECTS)) break;
    }
    return end;
  };
  const keyOf = (first: number, end: number): string => {
    let key = word[tokens.type[first]];
    for (let t = first + 1; t < end; t++) key += ` ${word[tokens.type[t]]}`;
    return key;
  };
  const surfaceOf = (first: number, end: number): string => {
    let surface = '';
    for (let t = first; t < end; t++) {
      const written = textAt(t);
      surface += `${t > first ? ' ' : ''}${t + 1 < end ? written : written.slice(0, word[tokens.type[t]].length)}`;
    }
    return surface;
  };

  /** Whether the researcher says of all its words that they are no names. */
  const isNoName = (first: number, end: number): boolean => {
    for (let t = first; t < end; t++) if (how[t] !== SMALL && !(role[tokens.type[t]] & NO_NAME)) return false;
    return true;
  };

  const insideRuns = new Set<string>();
  const runs = new Int32List();
  const runEnds = new Int32List();
  let after = 0;
  for (const t of large) {
    if (t < after || !(role[tokens.type[t]] & BEGINS)) continue;
    const end = endOfRun(t);
    // A word alone at the start of a sentence is a name only where it is one by itself.
    if (end - t === 1 && !isName[tokens.type[t]]) continue;
    runs.push(t);
    runEnds.push(end);
    if (how[t] === INSIDE && end - t > 1) insideRuns.add(keyOf(t, end));
    after = end;
  }

  const surfaces = new Map<string, Map<string, number>>();
  const found: { key: string; first: number; end: number }[] = [];
  const firsts = runs.done();
  const ends = runEnds.done();
  for (let run = 0; run < firsts.length; run++) {
    let first = firsts[run];
    const end = ends[run];
    const alone = (t: number): boolean => isName[tokens.type[t]] === 1;
    if (how[first] === AT_START && !alone(first) && !(end - first > 1 && insideRuns.has(keyOf(first, end))))
      first++;
    while (first < end && how[first] === SMALL) first++;
    if (first >= end || (end - first === 1 && !alone(first)) || isNoName(first, end)) continue;
    const key = keyOf(first, end);
    const surface = surfaceOf(first, end);
    const seen = surfaces.get(key) ?? new Map<string, number>();
    seen.set(surface, (seen.get(surface) ?? 0) + 1);
    surfaces.set(key, seen);
    found.push({ key, first, end });
  }
  return joined(found, surfaces, lexicon);
}

/** What a type may do in a name. */
const BEGINS = 1;
const PART = 2;
const CONNECTS = 4;
/** It ends in a possessive, and so does the name. */
const POSSESSIVE = 8;
/** The researcher says it is none; it may be part of one still, as hill of Mill Hill. */
const NO_NAME = 16;
/** A place or an organisation may be called so after somebody. */
const OF_SOMEBODY = 32;

function rolesInNames(
  tokens: Tokens,
  { word }: Capitals,
  stopped: Uint8Array,
  said: ReadonlyMap<string, boolean>,
): Uint8Array {
  const roles = new Uint8Array(word.length);
  for (let type = 0; type < roles.length; type++) {
    const each = word[type];
    const part = stopped[type] !== STOPPED;
    roles[type] =
      (part ? PART : 0) |
      (part && !TITLES.has(each) ? BEGINS : 0) |
      (CONNECTING.has(each) ? CONNECTS : 0) |
      (said.size > 0 && said.get(each) === false ? NO_NAME : 0) |
      (PLACE_WORDS.has(each) || ORGANISATION_WORDS.has(each) ? OF_SOMEBODY : 0) |
      (each.length < tokens.forms[type].length ? POSSESSIVE : 0);
  }
  return roles;
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
  { word, inside, small }: Capitals,
  stopped: Uint8Array,
  lexicon: Lexicon | undefined,
  said: ReadonlyMap<string, boolean>,
  { isNumberWord }: Pick<Language, 'isNumberWord'>,
): Uint8Array {
  const isName = new Uint8Array(word.length);
  for (let type = 0; type < isName.length; type++) {
    const each = word[type];
    const ruled = said.size === 0 ? undefined : said.get(each);
    if (ruled !== undefined) {
      isName[type] = ruled ? 1 : 0;
      continue;
    }
    if (inside[type] === 0 || stopped[type] === STOPPED) continue;
    // Days and months are written like names but are times.
    if (each === '' || TITLES.has(each) || isNumberWord(each)) continue;
    const share = inside[type] / (inside[type] + small[type]);
    if (share >= (isCommonNoun(lexicon, each) ? COMMON_SHARE : CAPITALISED_SHARE)) isName[type] = 1;
  }
  return isName;
}

function isCommonNoun(lexicon: Lexicon | undefined, word: string): boolean {
  return (lexicon?.senses.get(word)?.[0] ?? 0) > 0;
}

/** A longer form has at least so many mentions to stand for a shorter one, … */
const FEWEST_OF_LONGER = 2;
/** … and this share of the shorter one's: Iran is not the Islamic Republic of Iran because that was said once. */
const SHARE_OF_LONGER = 0.1;

/** The one longer name each form can only mean; forms that may mean several, or none that is met enough, mean themselves. */
function longerForms(
  surfaces: ReadonlyMap<string, ReadonlyMap<string, number>>,
  lexicon: Lexicon | undefined,
): (key: string) => string {
  const mentions = new Map([...surfaces].map(([key, writings]) => [key, sumOf(writings)]));
  const longer = new Map<string, string[]>();
  for (const key of surfaces.keys()) {
    const words = key.split(' ');
    // What is of something is another thing than it: the Friends of the Harbour are not the Harbour.
    if (words.length < 2 || words.includes('of')) continue;
    const last = words[words.length - 1];
    const short = isCommonNoun(lexicon, last) ? [last] : [words[0], last];
    for (const each of short) longer.set(each, [...(longer.get(each) ?? []), key]);
  }
  return (key) => {
    const own = mentions.get(key) ?? 0;
    const met = (longer.get(key) ?? []).filter((each) => {
      const count = mentions.get(each) ?? 0;
      return count >= FEWEST_OF_LONGER && count >= SHARE_OF_LONGER * own;
    });
    return met.length === 1 ? met[0] : key;
  };
}

function sumOf(writings: ReadonlyMap<string, number>): number {
  let sum = 0;
  for (const count of writings.values()) sum += count;
  return sum;
}

/** Counts shorter forms for the name they can only mean, and numbers the names in the order they are met. */
function joined(
  found: readonly { key: string; first: number; end: number }[],
  surfaces: ReadonlyMap<string, ReadonlyMap<string, number>>,
  lexicon: Lexicon | undefined,
): Names {
  const whole = longerForms(surfaces, lexicon);
  const idOf = new Map<string, number>();
  const forms: Map<string, number>[] = [];
  const name = new Int32List();
  const first = new Int32List();
  const end = new Int32List();
  for (const each of found) {
    const key = whole(each.key);
    let id = idOf.get(key);
    if (id === undefined) {
      idOf.set(key, (id = forms.length));
      forms.push(new Map([[mostWritten(surfaces.get(key)), 0]]));
    }
    const form = mostWritten(surfaces.get(each.key));
    forms[id].set(form, (forms[id].get(form) ?? 0) + 1);
    name.push(id);
    first.push(each.first);
    end.push(each.end);
  }
  // The whole name stands first in each list, and is the label unless another form is commoner.
  const labels = forms.map((list) => [...list].reduce((best, each) => (each[1] > best[1] ? each : best))[0]);
  return {
    labels,
    shorter: forms.map((list, id) =>
      [...list].flatMap(([form, mentions]) =>
        form === labels[id] || mentions === 0 ? [] : [{ form, mentions }],
      ),
    ),
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
