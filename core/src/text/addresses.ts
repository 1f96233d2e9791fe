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
  const hasWeb = text.includes('://') || text.includes('www.');
  const signs = placesOfSigns(text);
  if (!hasWeb && signs.length === 0) return found;
  let last = 0;
  let web = hasWeb ? webFrom(text, 0) : undefined;
  for (const at of signs) {
    // What stands before the sign comes first; a sign inside it is no sign any more.
    for (;;) {
      if (web && web.start < last) web = webFrom(text, last);
      const special = at < last ? undefined : specialAt(text, at, last);
      if (!web || web.start > (special?.start ?? at)) {
        if (special) {
          found.push(special);
          last = special.end;
        }
        break;
      }
      found.push(web);
      last = web.end;
    }
  }
  for (;;) {
    if (web && web.start < last) web = webFrom(text, last);
    if (!web) return found;
    found.push(web);
    last = web.end;
  }
}

/** The places of all @ and #, in order. */
function placesOfSigns(text: string): number[] {
  const places: number[] = [];
  for (const sign of ['@', '#']) {
    for (let at = text.indexOf(sign); at >= 0; at = text.indexOf(sign, at + 1)) places.push(at);
  }
  return places.sort((a, b) => a - b);
}

function webFrom(text: string, place: number): Special | undefined {
  WEB.lastIndex = place;
  const match = WEB.exec(text);
  return match ? { start: match.index, end: match.index + match[0].length, kind: 'address' } : undefined;
}

/** The mail address, handle or hashtag of the sign at a place, not reaching back before `from`. */
function specialAt(text: string, at: number, from: number): Special | undefined {
  if (text[at] === '@') {
    const start = localStart(text, at);
    const end = start < from ? -1 : matchAt(DOMAIN, text, at + 1);
    if (end > 0) return { start, end, kind: 'address' };
  }
  if (WORD_CHARACTER.test(characterBefore(text, at))) return undefined;
  const end = matchAt(NAME, text, at + 1);
  return end > 0 ? { start: at, end, kind: text[at] === '@' ? 'handle' : 'hashtag' } : undefined;
}
