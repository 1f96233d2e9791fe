import type { Terms } from '../concepts/terms.ts';
import { ADJECTIVE, lemmaOf, NOUN, type Lexicon } from '../languages/en/lexicon.ts';
import { wordsOf } from '../text/scan.ts';
import type { Tokens } from '../text/tokens.ts';
import type { Hits } from './hits.ts';

/** Why a search can't be done, as a sentence for the researcher. */
export class SearchError extends Error {
  override readonly name = 'SearchError';
}

/** A word or phrase that is looked for. */
export interface SearchTerm {
  readonly words: readonly string[];
  /** Whether the words stand as they are typed, in quotation marks; otherwise their other forms are found too. */
  readonly exact: boolean;
}

/** Words or phrases, each near the first; `near` is the most words between two. */
export interface SearchQuery {
  readonly terms: readonly SearchTerm[];
  readonly near: number;
}

const USUAL_NEAR = 10;
const MOST_TERMS = 12;

/**
 * Reads what was typed: words (with all their forms), "exact phrases" in quotation marks, word beginnings and ends with *,
 * and `near` or `near5` between them for the most words apart. Words without `near` between them are a phrase.
 *
 * @throws SearchError, in plain words
 */
export function readQuery(typed: string): SearchQuery {
  const terms: SearchTerm[] = [];
  let near = USUAL_NEAR;
  let open: string[] = [];
  const close = (): void => {
    if (open.length > 0) terms.push({ words: open, exact: false });
    open = [];
  };
  for (const [part, quoted] of typed.matchAll(/["“”„]([^"“”„]*)["“”]?|\S+/g)) {
    if (quoted !== undefined) {
      close();
      const words = wordsOf(quoted);
      if (words.length > 0) terms.push({ words, exact: true });
      continue;
    }
    const distance = /^near(\d{0,4})$/i.exec(part);
    if (distance) {
      close();
      if (distance[1] !== '') near = Math.max(1, Number(distance[1]));
      continue;
    }
    if (part.includes('*')) {
      if (/^\*+$/.test(part))
        throw new SearchError('A * stands for letters of a word; write some of it, as in wait*.');
      open.push(part);
    } else for (const word of wordsOf(part)) open.push(word);
  }
  close();
  if (terms.length > MOST_TERMS) throw new SearchError(`Search for ${MOST_TERMS} words or phrases at most.`);
  return { terms, near };
}

/** A word as searches compare it: small letters, straight apostrophes. */
const plain = (word: string): string => word.toLowerCase().replaceAll('’', "'");

/**
 * Whether a word is what a pattern with * for any letters stands for. The parts between are found from left to right, each
 * where it is first, so the time grows with the word's length and no more.
 */
function wildcard(pattern: string): (word: string) => boolean {
  const parts = plain(pattern).split('*');
  const head = parts[0];
  const tail = parts[parts.length - 1];
  const between = parts.slice(1, -1).filter((part) => part !== '');
  return (word) => {
    if (word.length < head.length + tail.length || !word.startsWith(head) || !word.endsWith(tail))
      return false;
    const end = word.length - tail.length;
    let at = head.length;
    for (const part of between) {
      const found = word.indexOf(part, at);
      if (found < 0 || found + part.length > end) return false;
      at = found + part.length;
    }
    return true;
  };
}

/** The types a typed word stands for: those it is the same as, or a form of the same word as. */
function typesOf(
  word: string,
  exact: boolean,
  tokens: Tokens,
  terms: Terms,
  lexicon: Lexicon | undefined,
): Uint8Array {
  const wanted = new Uint8Array(tokens.forms.length);
  if (word.includes('*')) {
    const matches = wildcard(word);
    tokens.forms.forEach((form, type) => {
      if (matches(plain(form))) wanted[type] = 1;
    });
    return wanted;
  }
  const typed = plain(word);
  const lemmas = new Set([typed]);
  if (!exact && lexicon) {
    for (let part = NOUN; part <= ADJECTIVE; part++) {
      const lemma = lemmaOf(lexicon, typed, part);
      if (lemma !== undefined) lemmas.add(lemma);
    }
  }
  const wantedTerms = new Set<number>();
  tokens.forms.forEach((form, type) => {
    if (plain(form) !== typed) return;
    wanted[type] = 1;
    if (!exact && terms.ofType[type] >= 0) wantedTerms.add(terms.ofType[type]);
  });
  if (exact) return wanted;
  for (let type = 0; type < wanted.length; type++) {
    const term = terms.ofType[type];
    if (term >= 0 && (wantedTerms.has(term) || lemmas.has(plain(terms.labels[term])))) wanted[type] = 1;
  }
  return wanted;
}

/** Where a phrase stands: its words in a row within one sentence. */
function placesOf(
  term: SearchTerm,
  tokens: Tokens,
  terms: Terms,
  lexicon: Lexicon | undefined,
  sentenceOf: Int32Array,
): Hits {
  const masks = term.words.map((word) => typesOf(word, term.exact, tokens, terms, lexicon));
  const first: number[] = [];
  const { type } = tokens;
  const [head, ...rest] = masks;
  scan: for (let t = 0; t + rest.length < type.length; t++) {
    if (head[type[t]] === 0) continue;
    for (let i = 0; i < rest.length; i++) {
      if (rest[i][type[t + 1 + i]] === 0 || sentenceOf[t + 1 + i] !== sentenceOf[t]) continue scan;
    }
    first.push(t);
  }
  const starts = Int32Array.from(first);
  return { first: starts, end: starts.map((t) => t + term.words.length) };
}

/**
 * The places of the first word or phrase that have all the others near, at most `near` words apart in the same source;
 * and those of the others beside them. Time in proportion to the words, without an index.
 */
export function findHits(
  query: SearchQuery,
  tokens: Tokens,
  terms: Terms,
  sentenceOf: Int32Array,
  lexicon?: Lexicon,
): Hits {
  if (query.terms.length === 0) return { first: new Int32Array(0), end: new Int32Array(0) };
  const all = query.terms.map((term) => placesOf(term, tokens, terms, lexicon, sentenceOf));
  if (all.length === 1) return all[0];
  const [head, ...others] = all;
  const kept = new Map<number, number>();
  const pointers = others.map(() => 0);
  for (let i = 0; i < head.first.length; i++) {
    const [from, to] = [head.first[i], head.end[i]];
    const source = tokens.sentenceSource[sentenceOf[from]];
    const beside: number[][] = [];
    for (let o = 0; o < others.length; o++) {
      const other = others[o];
      while (pointers[o] < other.first.length && other.end[pointers[o]] + query.near < from) pointers[o]++;
      const near: number[] = [];
      for (let j = pointers[o]; j < other.first.length && other.first[j] <= to + query.near; j++) {
        const apart = other.first[j] >= to || other.end[j] <= from;
        if (apart && tokens.sentenceSource[sentenceOf[other.first[j]]] === source) near.push(j);
      }
      if (near.length === 0) break;
      beside.push(near);
    }
    if (beside.length < others.length) continue;
    kept.set(from, to);
    beside.forEach((near, o) => {
      for (const j of near) kept.set(others[o].first[j], others[o].end[j]);
    });
  }
  const sorted = [...kept].sort((a, b) => a[0] - b[0]);
  return {
    first: Int32Array.from(sorted, ([first]) => first),
    end: Int32Array.from(sorted, ([, end]) => end),
  };
}
