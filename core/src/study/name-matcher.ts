import { NAME_ENDINGS } from '../languages/languages.ts';

/** A name as it was found in a text: characters from `start` to before `end` are the name itself, without an ending. */
export interface FoundName {
  readonly start: number;
  readonly end: number;
  /** Which of the names it is. */
  readonly name: number;
}

/** A name to look for. */
export interface SoughtName {
  readonly name: string;
  /** Whether it is one only where it begins with a capital: a name that is a word too, as Rose or Will. */
  readonly onlyCapital?: boolean;
}

/** A text with what does not matter to a name taken out, and where each of its characters stood. */
interface Folded {
  readonly text: string;
  /** By character: its place in the original; one more for the end. */
  readonly at: Int32Array;
}

const SOFT = /[\u00ad\u200b-\u200f\u2060\ufeff\p{M}]/u;
const SPACE = /\s/u;
const HYPHEN = /[\u2010-\u2015\u2212\ufe58\ufe63\uff0d-]/u;
const APOSTROPHE = /['\u2018\u2019\u201b\u02b9\u02bc\u02bb\u2032\uff07`\u00b4]/u;
/** Letters that are no letter with an accent and are written without, too. */
const PLAIN_LETTERS: ReadonlyMap<string, string> = new Map(
  Object.entries({ ß: 'ss', ø: 'o', æ: 'ae', œ: 'oe', ł: 'l', đ: 'd', ð: 'd', þ: 'th', ı: 'i' }),
);

const folds = new Map<string, string>();

/** A character as names are compared: without case and accents; hyphens, apostrophes and spaces each as one; soft marks as nothing. */
function foldOf(character: string): string {
  let fold = folds.get(character);
  if (fold === undefined) {
    if (SOFT.test(character)) fold = '';
    else if (SPACE.test(character)) fold = ' ';
    else if (HYPHEN.test(character)) fold = '-';
    else if (APOSTROPHE.test(character)) fold = "'";
    else {
      const bare = character.toLowerCase().normalize('NFKD').replace(/\p{M}/gu, '');
      fold = [...bare].map((letter) => PLAIN_LETTERS.get(letter) ?? letter).join('');
    }
    folds.set(character, fold);
  }
  return fold;
}

/** A hyphen at the end of a line, with the line's end and what the next is indented by. */
const LINE_END_HYPHEN = /[-\u2010\u00ad][^\S\r\n]*\r?\n\s*/y;
const LETTER = /\p{L}/u;

function folded(text: string): Folded {
  const out: string[] = [];
  const at: number[] = [];
  let last = '';
  for (let i = 0; i < text.length;) {
    const code = text.charCodeAt(i);
    // Most of most texts.
    if (code > 0x60 && code < 0x7b) {
      out.push((last = text[i]));
      at.push(i++);
      continue;
    }
    if (HYPHEN.test(text[i]) || code === 0xad) {
      LINE_END_HYPHEN.lastIndex = i;
      if (LETTER.test(last) && LINE_END_HYPHEN.test(text)) {
        i = LINE_END_HYPHEN.lastIndex;
        continue;
      }
    }
    const character = String.fromCodePoint(text.codePointAt(i) ?? 0);
    for (const each of foldOf(character)) {
      // Spaces in a row are one.
      if (each === ' ' && last === ' ') continue;
      for (const unit of each.length > 1 ? each.split('') : [each]) {
        out.push(unit);
        at.push(i);
      }
      last = each;
    }
    i += character.length;
  }
  at.push(text.length);
  return { text: out.join(''), at: Int32Array.from(at) };
}

/** A word, folded: what two ways of writing a name have in common. */
export const foldedWord = (word: string): string => folded(word).text;

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\/-]/g, '\\$&');

/** What may stand between the parts of a name: nothing, as in an address, a space or two, a hyphen, an apostrophe. */
const BETWEEN = "(?:[ '-]{0,4}|[._])";
/** The same where the name has a full stop there, as in St. John. */
const BETWEEN_STOPPED = "[ '.-]{0,4}";
const PART = /[^ '._-]+/g;
const UMLAUT = /[äöü]/;

/** A part of a name as a pattern: ä, ö and ü are written as ae, oe and ue too, and the other way round. */
function partPattern(part: string): string {
  const letters = [...part.normalize('NFC').toLowerCase()];
  return letters
    .map((letter, i) => {
      if (UMLAUT.test(letter)) return `${foldOf(letter)}e?`;
      const stands = foldOf(letter);
      const isDigraph =
        stands === 'e' && /[aou]/.test(letters[i - 1] ?? '') && /[^aeiou]/.test(letters[i + 1] ?? '');
      return isDigraph ? 'e?' : [...stands].map(escaped).join('');
    })
    .join('');
}

/** A name as a pattern over folded text. */
function namePattern(name: string): string {
  const plain = [...name.trim()]
    .map((character) => (/[\s'._-]/.test(foldOf(character)) ? foldOf(character) : character))
    .join('');
  let pattern = '';
  let before = 0;
  for (const match of plain.matchAll(PART)) {
    if (pattern !== '') pattern += plain.slice(before, match.index).includes('.') ? BETWEEN_STOPPED : BETWEEN;
    pattern += partPattern(match[0]);
    before = match.index + match[0].length;
  }
  return pattern;
}

/** Shorter names take an ending only where they begin with a capital: "als" is no Al. */
const SHORT = 4;
/** In an address or a file's name, a name of so many letters stands in the midst of others too. */
const INSIDE = 4;

const LOWER = /\p{Ll}/u;
const UPPER = /\p{Lu}/u;
/** What is no prose: addresses, handles, paths and names of files. */
const ADDRESS = /@|:\/\/|^www\.|^#|[/\\_]|\.[\p{L}\d]{2,5}$|\d/u;

/** The word round a place, from white space to white space. */
function wordRound(text: string, at: number): string {
  let [from, to] = [at, at];
  while (from > 0 && !SPACE.test(text[from - 1])) from--;
  while (to < text.length && !SPACE.test(text[to])) to++;
  return text.slice(from, to).replace(/[.,;:!?)"”’»]+$/u, '');
}

/**
 * What finds names in a text however they are written: compared without case, accents, kinds of hyphens and apostrophes, marks
 * that are not seen, and line ends; with endings; with numbers beside them; within addresses, handles and names of files. All
 * names at once, the longest first.
 *
 * @param strict whether a name that is a word too counts only where it begins with a capital
 * @example nameFinder([{ name: 'O’Grendl' }])('with o-grendls bus', false) // [{ start: 5, end: 13, name: 0 }]
 */
export function nameFinder(names: readonly SoughtName[]): (text: string, strict: boolean) => FoundName[] {
  const sought = names
    .map(({ name, onlyCapital = false }, number) => ({
      number,
      onlyCapital,
      pattern: namePattern(name),
      letters: foldedWord(name).replace(/[ '.-]/g, '').length,
    }))
    .filter(({ pattern }) => pattern !== '')
    .sort((a, b) => b.letters - a.letters || a.number - b.number)
    .map((each) => ({ ...each, exactly: new RegExp(each.pattern, 'y') }));
  if (sought.length === 0) return () => [];
  const anywhere = new RegExp(sought.map(({ pattern }) => pattern).join('|'), 'g');
  return (text, strict) => {
    const found: FoundName[] = [];
    const { text: plain, at } = folded(text);
    const isLetter = (i: number): boolean => i >= 0 && i < plain.length && LETTER.test(plain[i]);
    anywhere.lastIndex = 0;
    for (let match; (match = anywhere.exec(plain));) {
      const from = match.index;
      const start = at[from];
      const capital = UPPER.test(text[start]);
      // As in interviewAnna and AnnaKurz.
      const begins = !isLetter(from - 1) || (capital && LOWER.test(text[at[from - 1]]));
      let isAddress: boolean | undefined;
      const inAddress = (): boolean => (isAddress ??= ADDRESS.test(wordRound(text, start)));
      const hit = sought.find(({ exactly, onlyCapital, letters }) => {
        exactly.lastIndex = from;
        if (!exactly.test(plain)) return false;
        const to = exactly.lastIndex;
        const inside = letters >= INSIDE && inAddress();
        if (strict && onlyCapital && !capital && !inside) return false;
        if (!begins && !inside) return false;
        const ends = (after: number): boolean =>
          !isLetter(after) || inside || (UPPER.test(text[at[after]]) && LOWER.test(text[at[after - 1]]));
        const endings = letters >= SHORT || capital ? NAME_ENDINGS : ["'s", "'", ''];
        return endings.some((ending) => plain.startsWith(ending, to) && ends(to + ending.length));
      });
      if (!hit) {
        anywhere.lastIndex = from + 1;
        continue;
      }
      const to = hit.exactly.lastIndex;
      // What is not seen between a name and its ending goes with the name.
      found.push({ start, end: at[to], name: hit.number });
      anywhere.lastIndex = to;
    }
    return found;
  };
}

/** Whether two words are one edit apart: a letter more, less or another, or two changed places. */
export function isOneEditApart(a: string, b: string): boolean {
  const [short, long] = a.length <= b.length ? [a, b] : [b, a];
  if (long.length - short.length > 1 || a === b) return false;
  let i = 0;
  while (i < short.length && short[i] === long[i]) i++;
  if (long.length > short.length) return short.slice(i) === long.slice(i + 1);
  return (
    short.slice(i + 1) === long.slice(i + 1) ||
    (short[i] === long[i + 1] && short[i + 1] === long[i] && short.slice(i + 2) === long.slice(i + 2))
  );
}
