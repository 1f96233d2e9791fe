import { findSpecials } from './addresses.ts';
import { originalPlaces, type LayeredText } from './offsets.ts';

/** What a token is; only words and numbers can become concepts. */
export const TOKEN_KINDS = ['word', 'number', 'address', 'handle', 'hashtag', 'emoji'] as const;
export type TokenKind = (typeof TOKEN_KINDS)[number];
export const WORD = 0;
export const NUMBER = 1;
const ADDRESS = 2;
const HANDLE = 3;
const HASHTAG = 4;
const EMOJI = 5;

/** The longest words of any language have fewer letters; so a concept of four words fits what a concept's key may be. */
const LONGEST_WORD = 500;

const OTHER = 0;
const LETTER = 1;
const DIGIT = 2;
const INNER = 3;
const SPACE = 4;
const UNSPACED = 5;
const SURROGATE = 6;

/** The class of every UTF-16 unit, looked up in the scanner's inner loop instead of a pattern; made with the first text. */
let classOf: Uint8Array = new Uint8Array(0);

function classify(): Uint8Array {
  const classes = new Uint8Array(65536);
  const unspaced = /[\p{scx=Han}\p{scx=Hira}\p{scx=Kana}\p{scx=Thai}\p{scx=Lao}\p{scx=Khmr}\p{scx=Mymr}]/u;
  const letter = /[\p{L}\p{M}]/u;
  for (let code = 0; code < 65536; code++) {
    const character = String.fromCharCode(code);
    if (code >= 0xd800 && code <= 0xdfff) classes[code] = SURROGATE;
    else if (/\s/.test(character)) classes[code] = SPACE;
    else if (/\p{Nd}/u.test(character)) classes[code] = DIGIT;
    else if (code > 0xe00 && unspaced.test(character) && letter.test(character)) classes[code] = UNSPACED;
    else if (letter.test(character)) classes[code] = LETTER;
  }
  for (const inner of "'’-‐‑_") classes[inner.charCodeAt(0)] = INNER;
  return classes;
}

const KIND_OF_SPECIAL = { address: ADDRESS, handle: HANDLE, hashtag: HASHTAG } as const;
/**
 * One emoji (Unicode Technical Standard 51): a flag of two letters, or pictures joined to one, each with what says how
 * it is to look.
 */
const EMOJI_AT =
  /\p{RI}\p{RI}|\p{Extended_Pictographic}[\ufe0f\p{EMod}]*[\u{e0020}-\u{e007f}]*(?:\u200d\p{Extended_Pictographic}[\ufe0f\p{EMod}]*)*/uy;
/** One past the end of the emoji that begins at a place, or the place itself where none does. */
function emojiEnd(text: string, start: number): number {
  EMOJI_AT.lastIndex = start;
  return EMOJI_AT.test(text) ? EMOJI_AT.lastIndex : start;
}
const SURROGATE_LETTER = /[\p{L}\p{M}]/u;

/** Called for each token with its place in the clean text; `joined` when only white space parts it from the last one. */
export type TokenVisitor = (start: number, end: number, kind: number, joined: boolean) => void;

/**
 * Visits the tokens of a text: letters and digits of any script with inner apostrophes and hyphens, full stops of
 * initialisms, and addresses, handles, hashtags and emoji as one token each.
 */
export function scanTokens(text: string, visit: TokenVisitor): void {
  if (classOf.length === 0) classOf = classify();
  const specials = findSpecials(text);
  let nextSpecial = 0;
  let specialAt = specials.length > 0 ? specials[0].start : -1;
  let joined = false;
  let i = 0;
  while (i < text.length) {
    if (i === specialAt) {
      const { end, kind } = specials[nextSpecial];
      visit(i, end, KIND_OF_SPECIAL[kind], joined);
      i = end;
      joined = true;
      nextSpecial++;
      specialAt = nextSpecial < specials.length ? specials[nextSpecial].start : -1;
      continue;
    }
    const kind = classOf[text.charCodeAt(i)];
    if (kind === LETTER || kind === DIGIT) {
      const start = i;
      i = wordEnd(text, i, specialAt);
      // What is longer than any word is none, as an address is none.
      const tooLong = i - start > LONGEST_WORD;
      visit(start, i, tooLong ? ADDRESS : isNumber(text, start, i) ? NUMBER : WORD, joined);
      joined = true;
    } else if (kind === UNSPACED) {
      const start = i;
      while (i < text.length && classOf[text.charCodeAt(i)] === UNSPACED) i++;
      segment(text, start, i, visit, joined);
      joined = true;
    } else if (kind === SURROGATE) {
      const character = String.fromCodePoint(text.codePointAt(i) ?? 0xfffd);
      const end = emojiEnd(text, i);
      if (end > i) visit(i, end, EMOJI, joined);
      else if (SURROGATE_LETTER.test(character)) visit(i, i + character.length, WORD, joined);
      joined = false;
      i = Math.max(end, i + character.length);
    } else {
      if (kind !== SPACE) joined = false;
      const end = kind === OTHER && text.charCodeAt(i) > 0x2000 ? emojiEnd(text, i) : i;
      if (end > i) visit(i, end, EMOJI, false);
      i = Math.max(end, i + 1);
    }
  }
}

/** One past the last character of the word that starts at `start`. */
function wordEnd(text: string, start: number, stop: number): number {
  let i = start + 1;
  // Initialisms: single letters each with a full stop, at least two of them.
  const isLetter = classOf[text.charCodeAt(start)] === LETTER;
  if (isLetter && text[i] === '.' && classOf[text.charCodeAt(i + 1)] === LETTER && text[i + 2] === '.') {
    while (classOf[text.charCodeAt(i + 1)] === LETTER && text[i] === '.' && text[i + 2] === '.') i += 2;
    return i + 1;
  }
  for (; i < text.length && i !== stop; i++) {
    const kind = classOf[text.charCodeAt(i)];
    if (kind === LETTER || kind === DIGIT) continue;
    if (kind !== INNER) break;
    const after = classOf[text.charCodeAt(i + 1)];
    if (after !== LETTER && after !== DIGIT) break;
  }
  return i;
}

function isNumber(text: string, start: number, end: number): boolean {
  return classOf[text.charCodeAt(start)] === DIGIT && classOf[text.charCodeAt(end - 1)] === DIGIT;
}

/** The segmenter's time grows with the square of what it is given, so a long run is given in pieces of this many units. */
const SEGMENTED_AT_ONCE = 600;
/** Words at the end of a piece that more text could still change. */
const LEFT_OVER = 12;

let segmenter: Intl.Segmenter | undefined;

/** Words of a run in a script without spaces. */
function segment(text: string, start: number, end: number, visit: TokenVisitor, joined: boolean): void {
  segmenter ??= new Intl.Segmenter('ja', { granularity: 'word' });
  let first = joined;
  let from = start;
  while (from < end) {
    const to = Math.min(end, from + SEGMENTED_AT_ONCE);
    const parts = Array.from(segmenter.segment(text.slice(from, to)));
    // A word may run on over the piece's end, so the last words are left to the next piece.
    const sure = to === end ? parts.length : Math.max(1, parts.length - LEFT_OVER);
    for (const { index, segment: word } of parts.slice(0, sure)) {
      visit(from + index, from + index + word.length, WORD, first);
      first = true;
    }
    const last = parts[sure - 1];
    from += last.index + last.segment.length;
  }
}

/** The tokens of a plain text as strings, for short texts such as a typed phrase. */
export function wordsOf(text: string): string[] {
  const words: string[] = [];
  scanTokens(text, (start, end) => words.push(text.slice(start, end)));
  return words;
}

/** The words of a layered text with the very characters of the original each came from; for checks and small texts. */
export function tokenPlaces(layer: LayeredText): { form: string; start: number; end: number }[] {
  const found: { form: string; start: number; end: number }[] = [];
  const places = originalPlaces(layer);
  scanTokens(layer.text, (start, end) =>
    found.push({
      form: layer.text.slice(start, end),
      start: places.startOf(start),
      end: places.endOf(end - 1),
    }),
  );
  return found;
}

/** How many tokens a text has. */
export function countWords(text: string): number {
  let words = 0;
  scanTokens(text, () => words++);
  return words;
}
