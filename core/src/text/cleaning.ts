import { decodeHTML } from 'entities';
import { applyEdits, originalPlaces, untouched, type Edit, type LayeredText } from './offsets.ts';
import { compileFixed, compilePattern, matchesOf } from './patterns.ts';
import type { CleaningStep } from './steps.ts';

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
const LINE_END_HYPHEN =
  /(?<=(\p{L}{1,40}))[-‐\u00ad][ \t]{0,8}\n[ \t]{0,40}(?=(\p{Ll}[\p{L}]{0,40}))|\u00ad/gu;
const LINE_BREAK = /[ \t]{0,40}\n\s{0,200}/g;
const ADDRESS =
  /(?:https?:\/\/|www\.)[^\s<>"”)\]]*[^\s<>"”)\].,;:!?]|(?<![\p{L}\p{N}_%+.-])[\p{L}\p{N}_%+-]{1,64}(?:\.[\p{L}\p{N}_%+-]{1,64}){0,8}@[\p{L}\p{N}-]{1,64}(?:\.[\p{L}\p{N}-]{1,64}){1,8}/gu;
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
const NUMBER =
  /(?<![\p{L}\p{Nd}])\p{Nd}+(?:[.,:/]\p{Nd}{1,40}){0,8}(?:st|nd|rd|th|am|pm|s)?(?![\p{L}\p{Nd}])/giu;
const DIGITS = /\p{Nd}+(?:[.,:/]\p{Nd}{1,40}){0,8}/gu;
const PUNCTUATION = /(?:(?!(?<=[\p{L}\p{N}])['’\-‐‑](?=[\p{L}\p{N}]))\p{P})+/gu;
const ACCENTED = /\p{L}\p{M}+|[\u00c0-\u024f\u1e00-\u1eff]/gu;
const REPEATED = /(\p{L})\1{2,}/giu;
const CAPITALS = /\p{Lu}+/gu;
const SPACE_RUN = /[ \t]+(?=\n)|[ \t\u00a0\u2000-\u200a\u3000]{2,}|\n{3,}/g;
/** The letters of a word that is joined by a hyphen at a line's end, and its other half. */
const WORDS_WITH_HYPHENS = /\p{L}+(?:-\p{L}+)*/gu;

/** The words of a text, small letters, hyphens and all. */
function formsIn(text: string): Set<string> {
  const forms = new Set<string>();
  for (const match of text.matchAll(WORDS_WITH_HYPHENS)) forms.add(match[0].toLowerCase());
  return forms;
}

/** The places a step would change in a text, sorted, not overlapping, none empty. */
export function findEdits(text: string, step: CleaningStep): Edit[] {
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
      if (/[-‐]\s*\n|\u00ad/.test(text)) {
        let forms: Set<string> | undefined;
        collect(LINE_END_HYPHEN, ([found, before, after]) => {
          if (!found.includes('\n')) return '';
          // A compound that the text writes with its hyphen elsewhere keeps it.
          forms ??= formsIn(text);
          const joined = `${before}${after}`.toLowerCase();
          return forms.has(`${before}-${after}`.toLowerCase()) && !forms.has(joined) ? '-' : '';
        });
      }
      break;
    case 'lineBreaks':
      collect(LINE_BREAK, space);
      break;
    case 'addresses':
      if (text.includes('@') || text.includes('://') || text.includes('www.')) collect(ADDRESS, space);
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
      collect(TYPOGRAPHIC, ([found]) => PLAIN[found] ?? plainMark(found));
      break;
    case 'symbols':
      collect(step.which === 'emoji' ? EMOJI : step.which === 'symbols' ? SYMBOL : EMOJI_OR_SYMBOL, space);
      break;
    case 'numbers':
      collect(step.inWords ? DIGITS : NUMBER, space);
      break;
    case 'punctuation':
      if (step.marks === '') collect(PUNCTUATION, space);
      else {
        const marks = new Set(step.marks.replace(/\s/g, ''));
        for (const { index, 0: found } of text.matchAll(/[^\p{L}\p{N}\s]/gu)) {
          if (!marks.has(found)) continue;
          if (/['’\-‐‑]/.test(found) && isWordAt(text, index - 1) && isWordAt(text, index + 1)) continue;
          add(index, index + found.length, ' ');
        }
      }
      break;
    case 'accents':
      collect(ACCENTED, ([found]) => found.normalize('NFD').replace(/\p{M}/gu, ''));
      break;
    case 'repeats':
      collect(REPEATED, ([found]) => found.slice(0, step.keep));
      break;
    case 'case':
      collect(CAPITALS, ([found]) => foldCase(found));
      break;
    case 'short':
      if (step.letters > 1) {
        const most = Math.min(step.letters - 1, 40);
        collect(
          new RegExp(`(?<![\\p{L}\\p{N}'’\\-])\\p{L}{1,${most}}(?![\\p{L}\\p{M}\\p{N}'’\\-])`, 'gu'),
          space,
        );
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
export function applyStep(layer: LayeredText, step: CleaningStep): LayeredText {
  // Case folding keeps every place, so the whole text is folded at once.
  if (step.kind === 'case') return { ...layer, text: foldCase(layer.text) };
  return applyEdits(layer, findEdits(layer.text, step));
}

/** The clean text of a source with the way back to the original: the steps that are on, in their order. */
export function cleanText(
  original: string,
  steps: readonly CleaningStep[],
  from: LayeredText = untouched(original),
): LayeredText {
  return steps.reduce((layer, step) => (step.on ? applyStep(layer, step) : layer), from);
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
): CleaningMark[] {
  let layer = from;
  const marks: CleaningMark[] = [];
  for (const step of steps) {
    if (!step.on) continue;
    const edits = findEdits(layer.text, step);
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
