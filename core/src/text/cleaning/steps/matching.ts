import type { Edit } from '../../offsets.ts';

/** An edit for every match of a pattern; a replacement that is the match itself is none. */
export function editMatches(
  text: string,
  pattern: RegExp,
  replacement: (match: RegExpExecArray) => string = () => ' ',
): Edit[] {
  const edits: Edit[] = [];
  for (const match of text.matchAll(pattern)) {
    const instead = replacement(match);
    const [found] = match;
    if (found !== '' && instead !== found) {
      edits.push({ start: match.index, end: match.index + found.length, replacement: instead });
    }
  }
  return edits;
}

/** Words that begin with a sign, without it or taken out. The pattern begins with the sign. */
export function editSigned(text: string, sign: string, pattern: RegExp, keepWord: boolean): Edit[] {
  if (!text.includes(sign)) return [];
  return Array.from(text.matchAll(pattern), ({ index, 0: found }) =>
    keepWord
      ? { start: index, end: index + sign.length, replacement: '' }
      : { start: index, end: index + found.length, replacement: ' ' },
  );
}

/** Whether a letter or digit stands at a place. */
export function isWordAt(text: string, place: number): boolean {
  return place >= 0 && place < text.length && /[\p{L}\p{N}]/u.test(text[place]);
}

const LETTERS_BEFORE = /\p{L}+$/u;
/** More letters than this before a place are not looked at. */
export const LONGEST_LOOK = 40;

/** The letters that end at a place. */
export function lettersBefore(text: string, place: number): string {
  return LETTERS_BEFORE.exec(text.slice(Math.max(0, place - LONGEST_LOOK), place))?.[0] ?? '';
}
