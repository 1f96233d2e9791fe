import { decodeHTML } from 'entities';
import { findSpecials } from './addresses.ts';
import { applyEdits, originalPlaces, untouched, type Edit, type LayeredText } from './offsets.ts';
import { compileFixed, compilePattern, matchesOf } from './patterns.ts';
import type { CleaningStep } from './steps.ts';
import { ownValue } from '../base/records.ts';

const TAG_OR_ENTITY =
  /<!--[\s\S]{0,4000}?-->|<\/?[A-Za-z][^<>]{0,2000}>|&(?:#\d{1,7}|#x[\dA-Fa-f]{1,6}|[A-Za-z][A-Za-z0-9]{1,31});/g;
/** Tags that stand inside words and sentences: taking them out parts nothing. */
const INLINE_TAG = /^<\/?(?:a|abbr|b|cite|em|i|mark|small|span|strong|sub|sup|u)[\s>/]/i;
const TIMESTAMP =
  /[[(]\s?\d{1,3}:\d{2}(?::\d{2})?(?:[.,]\d{1,3})?\s?[\])]|(?<![\d:])\d{1,2}:\d{2}:\d{2}(?:[.,]\d{1,3})?(?:\s{0,3}-->\s{0,3}\d{1,2}:\d{2}:\d{2}(?:[.,]\d{1,3})?)?(?![\d:])|^[ \t]{0,8}\d{1,3}:\d{2}(?=[ \t]|$)/gm;
const SQUARE_REMARK = /\[[^[\]\n]{1,120}\]/g;
const REMARK_WORDS =
  'inaudible|unclear|unintelligible|indistinct|laughs?|laughing|laughter|chuckles?|sighs?|coughs?|cries|crying|' +
  'whispers?|pauses?|long pause|short pause|silence|crosstalk|cross-talk|overlapping|applause|music|noise|phone rings|nods|shrugs';
const KNOWN_REMARK = new RegExp(
  `\\[[^[\\]\\n]{1,120}\\]|\\((?:${REMARK_WORDS})(?:[ ,:][^()\\n]{0,40})?\\)`,
  'giu',
);
const ANY_REMARK = /\[[^[\]\n]{1,120}\]|\([^()\n]{1,120}\)/g;
const LINE_BREAK = /[ \t]{0,40}\n\s{0,200}/g;
const HANDLE = /(?<![\p{L}\p{N}])@[\p{L}\p{N}_]+/gu;
const HASHTAG = /(?<![\p{L}\p{N}&])#[\p{L}\p{N}_]+/gu;
const TYPOGRAPHIC = /[‘’‚‛′“”„‟″«»‹›‐‑‒–—―−…\u00a0\u2002-\u200a\u202f\u205fﬀﬁﬂﬃﬄﬅﬆ]/g;
const PLAIN: Readonly<Record<string, string>> = {
  '…': '...',
  ﬀ: 'ff',
  ﬁ: 'fi',
  ﬂ: 'fl',
  ﬃ: 'ffi',
  ﬄ: 'ffl',
  ﬅ: 'st',
  ﬆ: 'st',
};
const EMOJI =
  /(?:\p{Extended_Pictographic}|\p{Regional_Indicator}|[\u{1f3fb}-\u{1f3ff}\ufe0f\u200d\u20e3])+/gu;
const SYMBOL =
  /(?:(?!\p{Extended_Pictographic})[\p{S}\p{Co}\ufffd\u0000-\u0008\u000b-\u001f\u007f-\u009f\u200b-\u200f\u2060\ufeff])+/gu;
const EMOJI_OR_SYMBOL =
  /(?:\p{Extended_Pictographic}|[\p{S}\p{Co}\ufffd\u0000-\u0008\u000b-\u001f\u007f-\u009f\u200b-\u200f\u2060\ufe0f\u20e3\ufeff\u{1f3fb}-\u{1f3ff}])+/gu;
const DIGITS_RUN = /\p{Nd}+/gu;
const NUMBER =
  /(?<![\p{L}\p{Nd}])\p{Nd}+(?:[.,:/]\p{Nd}{1,40}){0,8}(?:st|nd|rd|th|am|pm|s)?(?![\p{L}\p{Nd}])/iuy;
const DIGITS = /\p{Nd}+(?:[.,:/]\p{Nd}{1,40}){0,8}/gu;
const MARKS = /\p{P}+/gu;
const INNER_MARK = /^['’\-‐‑]$/;
/** Letters that have their accent in them, and accents that stand after their letter; marks of other scripts are no accents. */
const ACCENTED = /[\u00c0-\u024f\u1e00-\u1eff][\u0300-\u036f]*|[\u0300-\u036f]+/gu;
const REPEATED = /(\p{L})\1{2,}/iuy;
const CAPITALS = /\p{Lu}+/gu;
const SPACE_RUN = /[ \t]+(?=\n)|[ \t\u00a0\u2000-\u200a\u3000]{2,}|\n{3,}/g;
const WORD_RUN = /[\p{L}\p{M}\p{N}'’-]+/gu;

/**
 * The places a step would change in a text, sorted, not overlapping, none empty.
 *
 * @param context the whole text, where `text` is a part of it: how a compound is written elsewhere is looked up there
 */
export function findEdits(text: string, step: CleaningStep, context = text): Edit[] {
  const edits: Edit[] = [];
  const add = (start: number, end: number, replacement: string): void => {
    if (end > start) edits.push({ start, end, replacement });
  };
  /** Adds an edit for every match; a replacement that is the match itself is none. */
  const collect = (pattern: RegExp, replacement: (match: RegExpExecArray) => string): void => {
    for (const match of text.matchAll(pattern)) {
      const instead = replacement(match);
      if (instead !== match[0]) add(match.index, match.index + match[0].length, instead);
    }
  };
  const space = (): string => ' ';
  switch (step.kind) {
    case 'tags':
      if (/[<&]/.test(text)) {
        collect(TAG_OR_ENTITY, ([found]) => {
          if (found[0] === '&') return decodeHTML(found);
          return INLINE_TAG.test(found) ? '' : ' ';
        });
      }
      break;
    case 'timestamps':
      if (text.includes(':')) collect(TIMESTAMP, space);
      break;
    case 'remarks':
      if (/[[(]/.test(text)) {
        const words = text.includes('(') ? KNOWN_REMARK : SQUARE_REMARK;
        collect(step.round ? ANY_REMARK : words, space);
      }
      break;
    case 'lines': {
      if (step.pattern === '') break;
      const pattern = compilePattern(step.pattern);
      for (let start = 0; start <= text.length;) {
        const found = text.indexOf('\n', start);
        const end = found < 0 ? text.length : found;
        if (pattern.matcher(text.slice(start, end)).find()) add(start, end, '');
        start = end + 1;
      }
      break;
    }
    case 'hyphens':
      for (const edit of hyphenEdits(text, context)) edits.push(edit);
      break;
    case 'lineBreaks':
      collect(LINE_BREAK, space);
      break;
    case 'addresses':
      for (const { start, end, kind } of findSpecials(text)) if (kind === 'address') add(start, end, ' ');
      break;
    case 'handles':
    case 'hashtags': {
      const sign = step.kind === 'handles' ? '@' : '#';
      if (!text.includes(sign)) break;
      for (const { index, 0: found } of text.matchAll(step.kind === 'handles' ? HANDLE : HASHTAG)) {
        if (step.keepWord) add(index, index + 1, '');
        else add(index, index + found.length, ' ');
      }
      break;
    }
    case 'replace': {
      if (step.find === '') break;
      const { find, isPattern, matchCase, wholeWords, replacement } = step;
      const pattern = isPattern ? compilePattern(find, matchCase) : compileFixed(find, matchCase);
      for (const [start, end] of matchesOf(pattern, text)) {
        if (wholeWords && (isWordAt(text, start - 1) || isWordAt(text, end))) continue;
        const instead = replacement === '' ? ' ' : replacement;
        if (instead !== text.slice(start, end)) add(start, end, instead);
      }
      break;
    }
    case 'typography':
      collect(TYPOGRAPHIC, ([found]) => ownValue(PLAIN, found) ?? plainMark(found));
      break;
    case 'symbols':
      collect(step.which === 'emoji' ? EMOJI : step.which === 'symbols' ? SYMBOL : EMOJI_OR_SYMBOL, space);
      break;
    case 'numbers':
      if (step.inWords) collect(DIGITS, space);
      else {
        let last = 0;
        // The pattern looks behind itself, so it is only tried where digits are.
        for (const { index } of text.matchAll(DIGITS_RUN)) {
          if (index < last) continue;
          NUMBER.lastIndex = index;
          if (NUMBER.test(text)) add(index, (last = NUMBER.lastIndex), ' ');
        }
      }
      break;
    case 'punctuation':
      if (step.marks === '') {
        for (const { index, 0: found } of text.matchAll(MARKS)) {
          const end = index + found.length;
          // An apostrophe or a hyphen inside a word stands alone between its letters.
          if (INNER_MARK.test(found) && isWordAt(text, index - 1) && isWordAt(text, end)) continue;
          add(index, end, ' ');
        }
      } else {
        const marks = new Set(step.marks.replace(/\s/g, ''));
        for (const { index, 0: found } of text.matchAll(/[^\p{L}\p{N}\s]/gu)) {
          if (!marks.has(found)) continue;
          if (/['’\-‐‑]/.test(found) && isWordAt(text, index - 1) && isWordAt(text, index + 1)) continue;
          add(index, index + found.length, ' ');
        }
      }
      break;
    case 'accents':
      for (const { index, 0: found } of text.matchAll(ACCENTED)) {
        const plain = found.normalize('NFD').replace(/[\u0300-\u036f]/g, '');
        // An accent without a letter before it belongs to nothing here.
        if (plain === '' && !isLetterBefore(text, index)) continue;
        if (plain !== found) add(index, index + found.length, plain);
      }
      break;
    case 'repeats':
      for (let i = 0; i + 2 < text.length; i++) {
        if (!mayRepeat(text, i)) continue;
        REPEATED.lastIndex = i;
        const found = REPEATED.exec(text);
        if (!found) continue;
        const instead = found[1].length === 1 ? found[0].slice(0, step.keep) : found[1].repeat(step.keep);
        add(i, i + found[0].length, instead);
        i += found[0].length - 1;
      }
      break;
    case 'case':
      collect(CAPITALS, ([found]) => foldCase(found));
      break;
    case 'short':
      if (step.letters > 1) {
        const short = new RegExp(`^\\p{L}{1,${Math.min(step.letters - 1, 40)}}$`, 'u');
        for (const { index, 0: found } of text.matchAll(WORD_RUN)) {
          if (found.length < 2 * step.letters && short.test(found)) add(index, index + found.length, ' ');
        }
      }
      break;
    case 'space':
      collect(SPACE_RUN, ({ 0: found, index }) =>
        found[0] === '\n' ? '\n\n' : text[index + found.length] === '\n' ? '' : ' ',
      );
      break;
  }
  return edits;
}

const HYPHEN = new Set(['-', '‐', '\u00ad']);
const SMALL_LETTER = /\p{Ll}/u;
const LETTERS_BEFORE = /\p{L}+$/u;
const LETTERS_AFTER = /\p{L}+/uy;
/** More letters than this of a word's half are not looked at. */
const LONGEST_HALF = 40;

function lettersBefore(text: string, place: number): string {
  return LETTERS_BEFORE.exec(text.slice(Math.max(0, place - LONGEST_HALF), place))?.[0] ?? '';
}

function lettersAfter(text: string, place: number): string {
  LETTERS_AFTER.lastIndex = place;
  return (LETTERS_AFTER.exec(text)?.[0] ?? '').slice(0, LONGEST_HALF);
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

/** Words parted at a line’s end are joined, without their hyphen unless it is the text’s way of writing them; soft hyphens go. */
function hyphenEdits(text: string, context: string): Edit[] {
  const parted: { start: number; end: number; before: string; after: string }[] = [];
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
  const compounds = parted.length > 0 ? compoundsIn(context) : new Set<string>();
  const isCompound = ({ before, after }: { before: string; after: string }): boolean =>
    compounds.has(`${before}-${after}`.toLowerCase());
  const doubtful = new Set(
    parted.filter(isCompound).map(({ before, after }) => `${before}${after}`.toLowerCase()),
  );
  const joined = doubtful.size > 0 ? wordsAmong(context, doubtful) : new Set<string>();
  const edits = parted.map((word): Edit => {
    const keeps = isCompound(word) && !joined.has(`${word.before}${word.after}`.toLowerCase());
    return { start: word.start, end: word.end, replacement: keeps ? '-' : '' };
  });
  const taken = new Set(edits.map(({ start }) => start));
  for (let at = text.indexOf('\u00ad'); at >= 0; at = text.indexOf('\u00ad', at + 1)) {
    if (!taken.has(at)) edits.push({ start: at, end: at + 1, replacement: '' });
  }
  return edits.sort((a, b) => a.start - b.start);
}

function characterAt(text: string, place: number): string {
  return place < text.length ? String.fromCodePoint(text.codePointAt(place) ?? 0) : '';
}

function isLetterBefore(text: string, place: number): boolean {
  return lettersBefore(text, place) !== '';
}

/** Whether a letter may stand three times from a place on: a quick look before the pattern is tried. */
function mayRepeat(text: string, place: number): boolean {
  const [a, b] = [text.charCodeAt(place), text.charCodeAt(place + 1)];
  if (a < 128) return a === b || (a ^ b) === 32 || b > 127;
  if (a >= 0xd800 && a <= 0xdbff) return a === text.charCodeAt(place + 2);
  return a === b || text[place].toLowerCase() === text[place + 1].toLowerCase();
}

function plainMark(mark: string): string {
  if (/[‘’‚‛′‹›]/.test(mark)) return "'";
  if (/[“”„‟″«»]/.test(mark)) return '"';
  return /\s/.test(mark) ? ' ' : '-';
}

function isWordAt(text: string, place: number): boolean {
  return place >= 0 && place < text.length && /[\p{L}\p{N}]/u.test(text[place]);
}

/** Lower case that never changes the number of UTF-16 units, so that places stay where they are. */
export function foldCase(text: string): string {
  const folded = text.toLowerCase();
  if (folded.length === text.length) return folded;
  return Array.from(text, (character) => {
    const small = character.toLowerCase();
    return small.length === character.length ? small : character;
  }).join('');
}

/** The layer after one more step. A taken-out piece leaves a space where words could be glued. */
export function applyStep(layer: LayeredText, step: CleaningStep, context = layer.text): LayeredText {
  // Case folding keeps every place, so the whole text is folded at once.
  if (step.kind === 'case') return { ...layer, text: foldCase(layer.text) };
  return applyEdits(layer, findEdits(layer.text, step, context));
}

/** The clean text of a source with the way back to the original: the steps that are on, in their order. */
export function cleanText(
  original: string,
  steps: readonly CleaningStep[],
  from: LayeredText = untouched(original),
  context?: string,
): LayeredText {
  return steps.reduce((layer, step) => (step.on ? applyStep(layer, step, context) : layer), from);
}

/** A place of an original that a step takes out or changes. */
export interface CleaningMark {
  /** Id of the step, or `cut` for what is not read at all. */
  readonly step: string;
  readonly start: number;
  readonly end: number;
  /** What stands there afterwards. */
  readonly replacement: string;
}

/** What each step that is on does to a source, in places of the original, sorted by start. */
export function cleaningMarks(
  original: string,
  steps: readonly CleaningStep[],
  from: LayeredText = untouched(original),
  context?: string,
): CleaningMark[] {
  let layer = from;
  const marks: CleaningMark[] = [];
  for (const step of steps) {
    if (!step.on) continue;
    const edits = findEdits(layer.text, step, context);
    const places = originalPlaces(layer);
    for (const edit of edits) {
      const start = places.startOf(edit.start);
      marks.push({
        step: step.id,
        start,
        end: places.endOf(edit.end - 1),
        replacement: edit.replacement,
      });
    }
    layer = applyEdits(layer, edits);
  }
  return marks.sort((a, b) => a.start - b.start || a.end - b.end);
}
