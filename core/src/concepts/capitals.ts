import { bareForm } from '../languages/en/bare-form.ts';
import { Int32List } from '../base/int32-list.ts';
import { WORD } from '../text/scan.ts';
import type { Tokens } from '../text/tokens.ts';

/** A token written without a capital, or with one that says nothing, as in a heading. */
export const SMALL = 0;
/** A capital inside a sentence: it says that the word is a name, or part of one. */
export const INSIDE = 1;
/** A capital where any word would have one. */
export const AT_START = 2;

/** How the words of a collection are written, which only cleaning changes. */
export interface Capitals {
  /** How each token is written: `SMALL`, `INSIDE` or `AT_START`. */
  readonly how: Uint8Array;
  /** The tokens that are not `SMALL`, in the order of the text. */
  readonly large: Int32Array;
  /** By type: its word, in small letters without a possessive ending; '' for what is no word. */
  readonly word: readonly string[];
  /** By type: how often its word has a capital inside sentences, and how often none. */
  readonly inside: Int32Array;
  readonly small: Int32Array;
  /** How types are first written that have a capital beyond their first letter: LTSP-Server. */
  readonly inner: ReadonlyMap<number, string>;
}

/** A sentence with a larger share of capitals is a heading or shouted: its capitals say nothing. */
const HEADING_SHARE = 0.75;
/** … if it has at least so many words. */
const HEADING_WORDS = 4;
/** After these a capital says no more than at the start of a sentence. */
const OPENING = /["“”‘«‹(:;—–•*[]/u;

/** Finds how every token is written, and sums it up by word. */
export function readCapitals(tokens: Tokens, originals: readonly string[]): Capitals {
  const inner = new Map<number, string>();
  const how = writingOfTokens(tokens, originals, inner);
  const word = tokens.forms.map((form, type) => (tokens.kindOf[type] === WORD ? bareForm(form) : ''));
  // Counted by word and not by type: without case folding, and with possessives, a word has several.
  const idOf = new Map<string, number>();
  const wordOf = Int32Array.from(word, (each) => {
    const id = idOf.get(each) ?? idOf.size;
    idOf.set(each, id);
    return id;
  });
  const counts = [SMALL, INSIDE, AT_START].map(() => new Int32Array(idOf.size));
  const large = new Int32List();
  for (let t = 0; t < how.length; t++) {
    counts[how[t]][wordOf[tokens.type[t]]]++;
    if (how[t] !== SMALL) large.push(t);
  }
  return {
    how,
    large: large.done(),
    word,
    inside: wordOf.map((id) => counts[INSIDE][id]),
    small: wordOf.map((id) => counts[SMALL][id]),
    inner,
  };
}

function writingOfTokens(
  tokens: Tokens,
  originals: readonly string[],
  inner: Map<number, string>,
): Uint8Array {
  const how = new Uint8Array(tokens.type.length);
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
      how[t] = starts ? AT_START : INSIDE;
    }
    const isHeading = words >= HEADING_WORDS && large > HEADING_SHARE * words;
    if (isHeading) how.fill(SMALL, first, limit);
    else noteInner(tokens, original, { first, limit, how }, inner);
  }
  return how;
}

/** Notes how the types of a sentence are written that have a capital beyond their first letter. */
function noteInner(
  tokens: Tokens,
  original: string,
  { first, limit, how }: { readonly first: number; readonly limit: number; readonly how: Uint8Array },
  inner: Map<number, string>,
): void {
  for (let t = first; t < limit; t++) {
    const type = tokens.type[t];
    if (how[t] === SMALL || inner.has(type)) continue;
    const rest = original.slice(tokens.start[t] + 1, tokens.end[t]);
    if (rest !== rest.toLowerCase()) inner.set(type, original.slice(tokens.start[t], tokens.end[t]));
  }
}

function opens(original: string, start: number): boolean {
  let at = start - 1;
  while (at >= 0 && original[at] === ' ') at--;
  return at < 0 || original[at] === '\n' || OPENING.test(original[at]);
}
