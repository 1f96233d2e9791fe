import type { Edit } from '../../offsets.ts';
import { describeStep, type FindEdits } from './describe.ts';
import { lettersBefore, LONGEST_LOOK } from './matching.ts';

/** Words parted by a hyphen at a line's end are joined. */
export const hyphens = describeStep({
  name: 'Hyphenated line ends',
  help: 'Joins words that were parted at the end of a line. A compound that the text writes with its hyphen elsewhere keeps it.',
  fields: {},
  say: () => 'hyphenated line ends are joined',
});

const HYPHEN = new Set(['-', '‐', '\u00ad']);
const SMALL_LETTER = /\p{Ll}/u;
const LETTERS_AFTER = /\p{L}+/uy;

/** A word parted at a line's end: its halves, and the hyphen, line break and spaces between them. */
interface PartedWord {
  readonly start: number;
  readonly end: number;
  readonly before: string;
  readonly after: string;
}

/** Words are joined without their hyphen unless it is the text’s way of writing them; soft hyphens go. */
export const findHyphens: FindEdits<typeof hyphens> = (text, _set, context) => {
  const parted = partedWords(text);
  const keepsHyphen = compoundsAmong(parted, context);
  const edits = parted.map((word): Edit => ({
    start: word.start,
    end: word.end,
    replacement: keepsHyphen(word) ? '-' : '',
  }));
  const taken = new Set(edits.map(({ start }) => start));
  for (let at = text.indexOf('\u00ad'); at >= 0; at = text.indexOf('\u00ad', at + 1)) {
    if (!taken.has(at)) edits.push({ start: at, end: at + 1, replacement: '' });
  }
  return edits.sort((a, b) => a.start - b.start);
};

function partedWords(text: string): PartedWord[] {
  const parted: PartedWord[] = [];
  for (let line = text.indexOf('\n'); line >= 0; line = text.indexOf('\n', line + 1)) {
    let hyphen = line - 1;
    while (hyphen > 0 && (text[hyphen] === ' ' || text[hyphen] === '\t')) hyphen--;
    if (hyphen < 1 || !HYPHEN.has(text[hyphen])) continue;
    let next = line + 1;
    while (next < text.length && (text[next] === ' ' || text[next] === '\t')) next++;
    if (!SMALL_LETTER.test(characterAt(text, next))) continue;
    const before = lettersBefore(text, hyphen);
    if (before !== '') parted.push({ start: hyphen, end: next, before, after: lettersAfter(text, next) });
  }
  return parted;
}

/** Which of the words are compounds that the text writes with a hyphen elsewhere, and never without. */
function compoundsAmong(parted: readonly PartedWord[], context: string): (word: PartedWord) => boolean {
  const compounds = parted.length > 0 ? compoundsIn(context) : new Set<string>();
  const joinedWord = ({ before, after }: PartedWord): string => `${before}${after}`.toLowerCase();
  const isCompound = ({ before, after }: PartedWord): boolean =>
    compounds.has(`${before}-${after}`.toLowerCase());
  const doubtful = new Set(parted.filter(isCompound).map(joinedWord));
  const joined = doubtful.size > 0 ? wordsAmong(context, doubtful) : new Set<string>();
  return (word) => isCompound(word) && !joined.has(joinedWord(word));
}

/** The compounds of a text that are written with a hyphen inside a line, in small letters. */
function compoundsIn(text: string): Set<string> {
  const compounds = new Set<string>();
  for (let at = text.indexOf('-'); at >= 0; at = text.indexOf('-', at + 1)) {
    const [before, after] = [lettersBefore(text, at), lettersAfter(text, at + 1)];
    if (before !== '' && after !== '') compounds.add(`${before}-${after}`.toLowerCase());
  }
  return compounds;
}

/** Words of a text, in small letters, that are among those wanted. */
function wordsAmong(text: string, wanted: ReadonlySet<string>): Set<string> {
  const found = new Set<string>();
  for (const { 0: word } of text.matchAll(/\p{L}+/gu)) {
    const small = word.toLowerCase();
    if (wanted.has(small)) found.add(small);
  }
  return found;
}

function lettersAfter(text: string, place: number): string {
  LETTERS_AFTER.lastIndex = place;
  return (LETTERS_AFTER.exec(text)?.[0] ?? '').slice(0, LONGEST_LOOK);
}

function characterAt(text: string, place: number): string {
  return place < text.length ? String.fromCodePoint(text.codePointAt(place) ?? 0) : '';
}
