import { byCodeUnits } from '../base/order.ts';
import type { Candidates } from './candidates.ts';

/** Why two concepts may be one. */
export type SuggestionReason = 'spelling' | 'variety' | 'slip' | 'abbreviation' | 'compound' | 'synonym';

/** Two candidates that may be one concept; `into` is the one with more mentions. */
export interface Suggestion {
  readonly into: string;
  readonly key: string;
  readonly reason: SuggestionReason;
  readonly mentions: readonly [into: number, key: number];
}

/** Candidates looked at; rarer ones are not worth a question. */
const LOOKED_AT = 4000;
const MOST_SUGGESTIONS = 100;
/** A slip of a letter is looked for in words of so many letters or more. */
const SHORTEST_SLIP = 6;
/** What may be a slip has at most this share of the other's mentions. */
const SLIP_SHARE = 0.34;

/** A key without what spellings differ in: hyphens, spaces, apostrophes, full stops, accents. */
export const bareKey = (key: string): string =>
  key
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[\s\-‐‑'’.]/g, '');

/** British and American spellings brought to one: colour, centre, organise, travelled, grey. */
function oneVariety(word: string): string {
  return (
    bareKey(word)
      .replace(/our(?=s?$|ed$|ing$|ite|able|ful|hood)/, 'or')
      // A meter measures in British English too.
      .replace(/(?<!^me)tre(s?)$/, 'ter$1')
      .replace(/is(e|es|ed|ing|ation|ations)$/, 'iz$1')
      .replace(/yse(s|d)?$/, 'yze$1')
      .replace(/ll(ed|ing|er)$/, 'l$1')
      .replace(/ogue(s?)$/, 'og$1')
      .replace(/^grey$/, 'gray')
      .replace(/ence$/, 'ense')
  );
}

function initialsOf(key: string): string {
  const words = key.split(/[\s-]+/);
  return words.length < 2 ? '' : words.map((word) => word[0]).join('');
}

/** A word with each of its letters left out once: two words that differ by one letter share one of these. */
function* withoutOneLetter(word: string): Generator<string> {
  for (let i = 0; i < word.length; i++) yield word.slice(0, i) + word.slice(i + 1);
}

/** Whether one word becomes the other by one letter more, less, or other, or by two that change places. */
export function isSlip(a: string, b: string): boolean {
  if (Math.abs(a.length - b.length) > 1 || a === b) return false;
  let i = 0;
  while (i < a.length && i < b.length && a[i] === b[i]) i++;
  const [restA, restB] = [a.slice(i), b.slice(i)];
  if (restA.slice(1) === restB.slice(1) || restA.slice(1) === restB || restA === restB.slice(1)) return true;
  return (
    restA.length > 1 && restA[0] === restB[1] && restA[1] === restB[0] && restA.slice(2) === restB.slice(2)
  );
}

/** What is known of the words of a language. */
export interface KnownWords {
  /** Whether a key is a word: two such words that differ by a letter are two words. */
  readonly isWord?: (key: string) => boolean;
  /** Whether the language writes compounds in one word, and these letters may be what stands before the last part of one. */
  readonly isFirstPart?: (letters: string) => boolean;
  /** Words that mean the same in the first of their meanings. */
  readonly synonymsOf?: (word: string) => ReadonlySet<string>;
}
const NO_WORDS: ReadonlySet<string> = new Set();

/**
 * Candidates that may be one concept said otherwise: another spelling, an abbreviation, a compound, a synonym; spellings before
 * these, the most mentioned first. Never merged unasked. Those refused, and those merged already, are not named again.
 * (Keeping the same company makes a topic, not a synonym: of the ten most alike in the sample none was one. Standing between
 * the same words makes words of one kind, wife and partner, route and wall: of the ten most alike two were synonyms.)
 *
 * @param refused pairs of keys, sorted, with a tab between
 * @param knows what is known of the language
 */
export function suggestMerges(
  candidates: Candidates,
  refused: ReadonlySet<string>,
  { isWord = () => false, isFirstPart, synonymsOf = () => NO_WORDS }: KnownWords = {},
): Suggestion[] {
  const count = Math.min(candidates.keys.length, LOOKED_AT);
  const found = new Map<string, Suggestion>();
  const propose = (a: number, b: number, reason: SuggestionReason): void => {
    if (a === b) return;
    // Candidates are sorted by falling mentions, so the lower number has more.
    const [into, other] = a < b ? [a, b] : [b, a];
    const [first, second] = [candidates.keys[into], candidates.keys[other]];
    const pair = [first, second].sort(byCodeUnits).join('\t');
    if (found.has(pair) || refused.has(pair)) return;
    found.set(pair, {
      into: first,
      key: second,
      reason,
      mentions: [candidates.mentions[into], candidates.mentions[other]],
    });
  };
  const groupBy = (keyOf: (key: string) => string, reason: SuggestionReason): void => {
    const first = new Map<string, number>();
    for (let i = 0; i < count; i++) {
      const shared = keyOf(candidates.keys[i]);
      if (shared.length < 3) continue;
      const other = first.get(shared);
      if (other === undefined) first.set(shared, i);
      else propose(other, i, reason);
    }
  };
  groupBy(bareKey, 'spelling');
  groupBy(oneVariety, 'variety');
  const byInitials = new Map<string, number>();
  for (let i = count - 1; i >= 0; i--) {
    const initials = initialsOf(candidates.keys[i]).toLowerCase();
    if (initials.length >= 2) byInitials.set(initials, i);
  }
  for (let i = 0; i < count; i++) {
    const phrase = byInitials.get(bareKey(candidates.keys[i]));
    if (phrase !== undefined && !candidates.keys[i].includes(' ')) propose(phrase, i, 'abbreviation');
  }
  const near = new Map<string, number[]>();
  const isOneWord = (key: string): boolean => !key.includes(' ');
  for (let i = 0; i < count; i++) {
    const word = candidates.keys[i];
    if (!isOneWord(word) || word.length < SHORTEST_SLIP) continue;
    const others = new Set<number>();
    for (const key of [word, ...withoutOneLetter(word)]) {
      for (const other of near.get(key) ?? []) others.add(other);
      near.set(key, [...(near.get(key) ?? []), i]);
    }
    for (const other of others) {
      const rare = candidates.mentions[i] <= Math.max(2, SLIP_SHARE * candidates.mentions[other]);
      if (isWord(word) && isWord(candidates.keys[other])) continue;
      if (rare && isSlip(word, candidates.keys[other]) && !isInflection(word, candidates.keys[other])) {
        propose(other, i, 'slip');
      }
    }
  }
  if (isFirstPart)
    for (const [a, b] of compoundPairs(candidates, count, isFirstPart)) propose(a, b, 'compound');
  for (const [a, b] of synonymPairs(candidates, count, synonymsOf)) propose(a, b, 'synonym');
  return [...found.values()]
    .sort(
      (a, b) =>
        LAST.indexOf(a.reason) - LAST.indexOf(b.reason) ||
        b.mentions[0] + b.mentions[1] - a.mentions[0] - a.mentions[1] ||
        byCodeUnits(a.key, b.key),
    )
    .slice(0, MOST_SUGGESTIONS);
}

/** What is suggested after all else: what means much the same. */
const LAST: readonly SuggestionReason[] = ['compound', 'synonym'];

/** Fewest letters of a part of a compound. */
const SHORTEST_PART = 3;

/** Compounds with the candidate that is their last part, the longest there is: Nachtbus with Bus. */
function* compoundPairs(
  { keys }: Candidates,
  count: number,
  isFirstPart: (letters: string) => boolean,
): Generator<readonly [number, number]> {
  const numberOf = new Map<string, number>();
  for (let i = 0; i < count; i++) numberOf.set(keys[i].toLowerCase(), i);
  for (let i = 0; i < count; i++) {
    const word = keys[i].toLowerCase();
    if (word.includes(' ') || word.includes('-')) continue;
    for (let at = SHORTEST_PART; at <= word.length - SHORTEST_PART; at++) {
      const last = numberOf.get(word.slice(at));
      if (last === undefined || !isFirstPart(word.slice(0, at))) continue;
      yield [last, i];
      break;
    }
  }
}

/** Candidates that are synonyms of each other, or phrases that differ by one word and its synonym. */
function* synonymPairs(
  { keys, part }: Candidates,
  count: number,
  synonymsOf: (word: string) => ReadonlySet<string>,
): Generator<readonly [number, number]> {
  const numberOf = new Map<string, number>();
  for (let i = 0; i < count; i++) numberOf.set(keys[i], i);
  for (let i = 0; i < count; i++) {
    // A name means what it names.
    if (part[i] === 'name' || part[i] === 'number') continue;
    const words = keys[i].split(' ');
    const others = words.flatMap((word, at) =>
      [...synonymsOf(word)].map((other) => words.map((each, j) => (j === at ? other : each)).join(' ')),
    );
    if (words.length > 1) for (const other of synonymsOf(keys[i])) others.push(other);
    for (const other of others) {
      const number = numberOf.get(other);
      if (number !== undefined && number > i && part[number] !== 'name') yield [i, number];
    }
  }
}

/** Two words that differ by an ending are other words of one family, no slip: driver and drive, late and later. */
function isInflection(a: string, b: string): boolean {
  const [short, long] = a.length < b.length ? [a, b] : [b, a];
  return (
    long.startsWith(short.replace(/[ey]$/, '')) &&
    /(?:s|d|r|n|y|er|ed|es)$/.test(long.slice(short.length - 1))
  );
}
