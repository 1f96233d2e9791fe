/** An address, handle or hashtag in a text. */
export interface Special {
  readonly start: number;
  readonly end: number;
  readonly kind: 'address' | 'handle' | 'hashtag';
}

const WEB = /(?:https?:\/\/|www\.)[^\s<>"”)\]]*[^\s<>"”)\].,;:!?]/g;
const LOCAL_CHARACTER = /[\p{L}\p{N}_%+.-]/u;
const LOCAL = /^[\p{L}\p{N}_%+-]{1,64}(?:\.[\p{L}\p{N}_%+-]{1,64}){0,8}$/u;
const DOMAIN = /[\p{L}\p{N}-]{1,64}(?:\.[\p{L}\p{N}-]{1,64}){1,8}/uy;
const NAME = /[\p{L}\p{N}_]+/uy;
const WORD_CHARACTER = /[\p{L}\p{N}]/u;
/** The longest part of a mail address before its @, in characters: nine parts of 64 with full stops between. */
const LONGEST_LOCAL = 9 * 65;

/** The character that ends before a place, whole where it is of two units; empty at the text's start. */
function characterBefore(text: string, place: number): string {
  if (place <= 0) return '';
  const low = text.charCodeAt(place - 1);
  return low >= 0xdc00 && low <= 0xdfff && place > 1 ? text.slice(place - 2, place) : text[place - 1];
}

function matchAt(pattern: RegExp, text: string, place: number): number {
  pattern.lastIndex = place;
  return pattern.test(text) ? pattern.lastIndex : -1;
}

/** Where the mail address whose @ is at a place begins, or −1 where none does. */
function localStart(text: string, at: number): number {
  let start = at;
  while (at - start <= LONGEST_LOCAL) {
    const before = characterBefore(text, start);
    if (before === '' || !LOCAL_CHARACTER.test(before)) break;
    start -= before.length;
  }
  return start < at && LOCAL.test(text.slice(start, at)) ? start : -1;
}

/**
 * Web and mail addresses, @handles and #hashtags, sorted and apart; of two that overlap the earlier one counts. They are
 * found from their marks (://, www., @, #), so that a text without them costs next to nothing.
 */
export function findSpecials(text: string): Special[] {
  const found: Special[] = [];
  if (text.includes('://') || text.includes('www.')) {
    for (const { index, 0: address } of text.matchAll(WEB)) {
      found.push({ start: index, end: index + address.length, kind: 'address' });
    }
  }
  for (const sign of ['@', '#'] as const) {
    for (let at = text.indexOf(sign); at >= 0; at = text.indexOf(sign, at + 1)) {
      if (sign === '@') {
        const start = localStart(text, at);
        const end = start < 0 ? -1 : matchAt(DOMAIN, text, at + 1);
        if (end > 0) {
          found.push({ start, end, kind: 'address' });
          continue;
        }
      }
      if (WORD_CHARACTER.test(characterBefore(text, at))) continue;
      const end = matchAt(NAME, text, at + 1);
      if (end > 0) found.push({ start: at, end, kind: sign === '@' ? 'handle' : 'hashtag' });
    }
  }
  found.sort((a, b) => a.start - b.start || b.end - a.end);
  let last = 0;
  return found.filter(({ start, end }) => {
    if (start < last) return false;
    last = end;
    return true;
  });
}
