import { RE2JS } from 're2js';
import { applyEdits, originalPlaces, untouched, type Edit, type LayeredText } from './offsets.ts';

/** Which cleaning steps are on. They run in the order of `CLEANING_STEPS`. */
export interface CleaningSettings {
  /** Takes out web and mail addresses and handles. */
  readonly addresses: boolean;
  /** Takes out what the study's own pattern matches. */
  readonly pattern: boolean;
  /** The own pattern, a regular expression in RE2 syntax; empty for none. */
  readonly ownPattern: string;
  /** Takes out numbers. */
  readonly digits: boolean;
  /** Writes capitals small, so that Bus and bus are one word. */
  readonly foldCase: boolean;
}

export const CLEANING_STEPS = ['addresses', 'pattern', 'digits', 'foldCase'] as const;
export type CleaningStep = (typeof CLEANING_STEPS)[number];

/** Why an own pattern can't be used, as a sentence for the researcher. */
export class PatternError extends Error {
  override readonly name = 'PatternError';
}

const ADDRESS =
  /(?:https?:\/\/|www\.)[^\s<>"”)\]]*[^\s<>"”)\].,;:!?]|(?<![\p{L}\p{N}_%+.-])[\p{L}\p{N}_%+-]{1,64}(?:\.[\p{L}\p{N}_%+-]{1,64}){0,8}@[\p{L}\p{N}-]{1,64}(?:\.[\p{L}\p{N}-]{1,64}){1,8}|(?<![\p{L}\p{N}])@[\p{L}\p{N}_]+/gu;
const NUMBER =
  /(?<![\p{L}\p{Nd}])\p{Nd}+(?:[.,:/]\p{Nd}{1,40}){0,8}(?:st|nd|rd|th|am|pm|s)?(?![\p{L}\p{Nd}])/giu;
const CAPITALS = /\p{Lu}+/gu;
const MAXIMUM_PATTERN_LENGTH = 500;

/**
 * Compiles the study's own pattern. RE2 matches in time linear in the text, so no pattern can hang the page; it has no
 * look-around and no back-references, and the error says so.
 */
export function compilePattern(expression: string): RE2JS {
  if (expression.length > MAXIMUM_PATTERN_LENGTH) {
    throw new PatternError(
      `The pattern is longer than ${MAXIMUM_PATTERN_LENGTH} characters; make it shorter.`,
    );
  }
  try {
    return RE2JS.compile(expression);
  } catch (error) {
    const reason =
      error instanceof Error ? error.message.replace(/^error parsing regexp: /, '') : String(error);
    const lookaround = /\(\?[=!<]|\\[1-9]/.test(expression)
      ? ' Look-around and back-references are not available.'
      : '';
    throw new PatternError(`The pattern can’t be read: ${reason}.${lookaround} Correct it or switch it off.`);
  }
}

/** The places a step would change in a text, sorted and not overlapping. */
export function findEdits(text: string, step: CleaningStep, settings: CleaningSettings): Edit[] {
  const edits: Edit[] = [];
  const collect = (pattern: RegExp, replacement: (found: string) => string): void => {
    for (const match of text.matchAll(pattern)) {
      edits.push({
        start: match.index,
        end: match.index + match[0].length,
        replacement: replacement(match[0]),
      });
    }
  };
  const space = (): string => ' ';
  switch (step) {
    case 'addresses':
      if (text.includes('@') || text.includes('://') || text.includes('www.')) collect(ADDRESS, space);
      break;
    case 'digits':
      collect(NUMBER, space);
      break;
    case 'foldCase':
      collect(CAPITALS, (found) => foldCase(found));
      break;
    case 'pattern': {
      if (settings.ownPattern === '') break;
      const matcher = compilePattern(settings.ownPattern).matcher(text);
      while (matcher.find()) {
        if (matcher.end() > matcher.start()) {
          edits.push({ start: matcher.start(), end: matcher.end(), replacement: ' ' });
        }
      }
      break;
    }
  }
  return edits;
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

/** The clean text of a source with the way back to the original. A taken-out piece leaves a space, so nothing is glued. */
export function cleanText(original: string, settings: CleaningSettings): LayeredText {
  let layer = untouched(original);
  for (const step of CLEANING_STEPS) {
    if (!settings[step]) continue;
    // Case folding keeps every place, so the whole text is folded at once.
    if (step === 'foldCase') layer = { ...layer, text: foldCase(layer.text) };
    else layer = applyEdits(layer, findEdits(layer.text, step, settings));
  }
  return layer;
}

/** A place of an original that a step takes out or changes. */
export interface CleaningMark {
  readonly step: CleaningStep;
  readonly start: number;
  readonly end: number;
}

/** What each step that is on does to a source, in places of the original, sorted by start. */
export function cleaningMarks(original: string, settings: CleaningSettings): CleaningMark[] {
  let layer = untouched(original);
  const marks: CleaningMark[] = [];
  for (const step of CLEANING_STEPS) {
    if (!settings[step]) continue;
    const edits = findEdits(layer.text, step, settings);
    const placeOf = originalPlaces(layer);
    for (const edit of edits) {
      const start = placeOf(edit.start);
      marks.push({ step, start, end: placeOf(edit.end - 1) + 1 });
    }
    layer = applyEdits(layer, edits);
  }
  return marks.sort((a, b) => a.start - b.start || a.end - b.end);
}
