import { applyEdits, originalPlaces, untouched, type Edit, type LayeredText } from '../offsets.ts';
import type { CleaningAction, CleaningKind, CleaningStep } from './steps.ts';
import { findAccents } from './steps/accents.ts';
import { findAddresses } from './steps/addresses.ts';
import { findCapitals, foldCase } from './steps/capitals.ts';
import { findHandles } from './steps/handles.ts';
import { findHashtags } from './steps/hashtags.ts';
import { findHyphens } from './steps/hyphens.ts';
import { findLineBreaks } from './steps/line-breaks.ts';
import { findLines } from './steps/lines.ts';
import { findNumbers } from './steps/numbers.ts';
import { findPunctuation } from './steps/punctuation.ts';
import { findRemarks } from './steps/remarks.ts';
import { findRepeats } from './steps/repeats.ts';
import { findReplace } from './steps/replace.ts';
import { findShortWords } from './steps/short-words.ts';
import { findSymbols } from './steps/symbols.ts';
import { findTags } from './steps/tags.ts';
import { findTimestamps } from './steps/timestamps.ts';
import { findTypography } from './steps/typography.ts';
import { findWhiteSpace } from './steps/white-space.ts';

/** What each kind of step does; apart from its description, so that the page does not carry what only a worker needs. */
const FIND: {
  readonly [K in CleaningKind]: (text: string, set: CleaningAction<K>, context: string) => Edit[];
} = {
  tags: findTags,
  timestamps: findTimestamps,
  remarks: findRemarks,
  lines: findLines,
  hyphens: findHyphens,
  lineBreaks: findLineBreaks,
  addresses: findAddresses,
  handles: findHandles,
  hashtags: findHashtags,
  replace: findReplace,
  typography: findTypography,
  symbols: findSymbols,
  numbers: findNumbers,
  punctuation: findPunctuation,
  accents: findAccents,
  repeats: findRepeats,
  case: findCapitals,
  short: findShortWords,
  space: findWhiteSpace,
};

/**
 * The places a step would change in a text, sorted, not overlapping, none empty.
 *
 * @param context the whole text, where `text` is a part of it: how a compound is written elsewhere is looked up there
 */
export function findEdits<K extends CleaningKind>(
  text: string,
  step: CleaningAction<K>,
  context = text,
): Edit[] {
  return FIND[step.kind](text, step, context);
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
