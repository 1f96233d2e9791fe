import type { Piece } from '../reading-part.ts';

/** A line, or a sentence of a long line, as it is compared. */
export interface Unit {
  readonly start: number;
  readonly end: number;
  readonly key: string;
  readonly words: number;
}

/** Lines longer than this are taken apart into sentences, in characters. */
const LONG_LINE = 160;

const WORDS = /[\p{L}\p{M}'’]+|\p{N}+/gu;

/** A unit as it is compared: small letters, numbers alike, no punctuation; empty where it has no word. */
function keyOf(text: string): { key: string; words: number } {
  const words = text.toLowerCase().match(WORDS) ?? [];
  const isNumber = (word: string): boolean => /^\p{N}/u.test(word);
  if (words.every(isNumber)) return { key: '', words: words.length };
  return { key: words.map((word) => (isNumber(word) ? '0' : word)).join(' '), words: words.length };
}

/** The lines of a text that have words, those that are long in sentences; [start, end) with the line's break. */
export function unitsOf(text: string): Unit[] {
  const units: Unit[] = [];
  const add = (start: number, end: number): void => {
    const { key, words } = keyOf(text.slice(start, end));
    if (key !== '') units.push({ start, end, key, words });
  };
  for (let start = 0; start < text.length;) {
    const found = text.indexOf('\n', start);
    const end = found < 0 ? text.length : found + 1;
    let from = start;
    if (end - start > LONG_LINE) {
      for (const match of text.slice(start, end).matchAll(/[.!?]["'”’)]*\s+/g)) {
        const until = start + match.index + match[0].length;
        add(from, until);
        from = until;
      }
    }
    if (end > from) add(from, end);
    start = end;
  }
  return units;
}

/** The units of a text that are read at least in part. */
export function readUnits(text: string, unread: readonly Piece[]): Unit[] {
  const units = unitsOf(text);
  if (unread.length === 0) return units;
  let next = 0;
  return units.filter(({ start, end }) => {
    while (next < unread.length && unread[next][1] <= start) next++;
    return next >= unread.length || unread[next][0] > start || unread[next][1] < end;
  });
}
