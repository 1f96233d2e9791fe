import { byCodeUnits } from '../base/order.ts';
import type { Candidates } from './candidates.ts';
import type { Company } from './pull.ts';

/** Why two concepts may be one. */
export type SuggestionReason = 'spelling' | 'variety' | 'slip' | 'abbreviation' | 'company';

/** Two candidates that may be one concept; `into` is the one with more mentions. */
export interface Suggestion {
  readonly into: string;
  readonly key: string;
  readonly reason: SuggestionReason;
  readonly mentions: readonly [into: number, key: number];
  /** Cosine of their company, from 0 to 1, where that is the reason. */
  readonly cosine?: number;
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
  return bareKey(word)
    .replace(/our(?=s?$|ed$|ing$|ite|able|ful|hood)/, 'or')
    .replace(/tre(s?)$/, 'ter$1')
    .replace(/is(e|es|ed|ing|ation|ations)$/, 'iz$1')
    .replace(/yse(s|d)?$/, 'yze$1')
    .replace(/ll(ed|ing|er)$/, 'l$1')
    .replace(/ogue(s?)$/, 'og$1')
    .replace(/^grey$/, 'gray')
    .replace(/ence$/, 'ense');
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

/**
 * Candidates that may be spellings of one concept, the most mentioned first; never merged unasked. Those refused, and
 * those merged already, are not named again.
 *
 * @param refused pairs of keys, sorted, with a tab between
 * @param isWord whether a key is a word of the language: two such words that differ by a letter are two words
 */
export function suggestMerges(
  candidates: Candidates,
  refused: ReadonlySet<string>,
  isWord: (key: string) => boolean = () => false,
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
  return [...found.values()]
    .sort(
      (a, b) => b.mentions[0] + b.mentions[1] - a.mentions[0] - a.mentions[1] || byCodeUnits(a.key, b.key),
    )
    .slice(0, MOST_SUGGESTIONS);
}

/** Company is judged of candidates with so many mentions or more. */
const ENOUGH_COMPANY = 8;
/** The least cosine at which two keep the same company. */
const SAME_COMPANY = 0.7;
/** Candidates compared by company, the most mentioned: each with each. */
const COMPARED = 600;
/** More suggestions of this kind would be mostly neighbours and no variants. */
const MOST_BY_COMPANY = 10;
/** Two words that stand together more often than this share of the rarer one’s mentions are said beside each other. */
const MOST_TOGETHER = 0.1;

/**
 * Candidates that keep the same company without standing beside each other, as taxi and cab: by the cosine of their
 * companions, each companion weighed by how much oftener than usual it is there (positive PMI, Church & Hanks 1990).
 */
export function suggestByCompany(
  candidates: Candidates,
  { references, judged, shared }: Company,
  refused: ReadonlySet<string>,
): Suggestion[] {
  const { keys, mentions } = candidates;
  let count = Math.min(judged, keys.length, COMPARED);
  while (count > 0 && mentions[count - 1] < ENOUGH_COMPANY) count--;
  const weight = new Float64Array(count * references);
  const columns = new Float64Array(references);
  const rows = new Float64Array(count);
  let all = 0;
  for (let c = 0; c < count; c++) {
    for (let r = 0; r < references; r++) {
      columns[r] += shared[r * judged + c];
      rows[c] += shared[r * judged + c];
    }
    all += rows[c];
  }
  const length = new Float64Array(count);
  for (let c = 0; c < count; c++) {
    for (let r = 0; r < references; r++) {
      const both = shared[r * judged + c];
      if (both === 0) continue;
      const information = Math.max(0, Math.log((both * all) / (rows[c] * columns[r])));
      weight[c * references + r] = information;
      length[c] += information * information;
    }
  }
  const found: Suggestion[] = [];
  for (let b = 1; b < count; b++) {
    for (let a = 0; a < b; a++) {
      // What they are to each other says nothing of whether they are one.
      let product = 0;
      let lengthA = length[a];
      let lengthB = length[b];
      for (let r = 0; r < references; r++) {
        const [x, y] = [weight[a * references + r], weight[b * references + r]];
        if (r === a) lengthB -= y * y;
        else if (r === b) lengthA -= x * x;
        else product += x * y;
      }
      if (lengthA <= 0 || lengthB <= 0) continue;
      const cosine = product / Math.sqrt(lengthA * lengthB);
      if (cosine < SAME_COMPANY) continue;
      const together = a < references ? shared[b * references + a] : 0;
      if (together > MOST_TOGETHER * mentions[b]) continue;
      const pair = [keys[a], keys[b]].sort(byCodeUnits).join('\t');
      if (refused.has(pair)) continue;
      found.push({
        into: keys[a],
        key: keys[b],
        reason: 'company',
        mentions: [mentions[a], mentions[b]],
        cosine,
      });
    }
  }
  return found
    .sort((a, b) => (b.cosine ?? 0) - (a.cosine ?? 0) || byCodeUnits(a.key, b.key))
    .slice(0, MOST_BY_COMPANY);
}

/** Two words that differ by an ending are other words of one family, no slip: driver and drive, late and later. */
function isInflection(a: string, b: string): boolean {
  const [short, long] = a.length < b.length ? [a, b] : [b, a];
  return (
    long.startsWith(short.replace(/[ey]$/, '')) &&
    /(?:s|d|r|n|y|er|ed|es)$/.test(long.slice(short.length - 1))
  );
}
