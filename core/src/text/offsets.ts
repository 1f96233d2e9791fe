/**
 * A text made from an original by taking pieces out or putting others in, with the way back. Every character stands in
 * one run. A copied run stands for its original characters one by one; any other run stands, as a whole, for the whole
 * piece of the original it took the place of:
 *
 *     original   c a f & e a c u t e ;   o p e n
 *     clean      c a f é                 o p e n
 *     runs       copied [0,3) ← [0,3) · put in [3,4) ← [3,11) · copied [4,9) ← [11,16)
 */
export interface LayeredText {
  readonly text: string;
  readonly cleanStart: Int32Array;
  readonly originalStart: Int32Array;
  /** Characters of the original a run stands for. */
  readonly originalLength: Int32Array;
  /** 1 where a run was copied. */
  readonly copied: Uint8Array;
}

/** A replacement of the characters [start, end) of a text. */
export interface Edit {
  readonly start: number;
  readonly end: number;
  readonly replacement: string;
}

/** The text as it came, every character standing for itself. */
export function untouched(original: string): LayeredText {
  return {
    text: original,
    cleanStart: Int32Array.of(0),
    originalStart: Int32Array.of(0),
    originalLength: Int32Array.of(original.length),
    copied: Uint8Array.of(1),
  };
}

/** Applies edits (sorted, not overlapping, none empty, in places of `layer.text`) and keeps the way back. */
export function applyEdits(layer: LayeredText, edits: readonly Edit[]): LayeredText {
  if (edits.length === 0) return layer;
  const pieces: string[] = [];
  const cleanStart: number[] = [];
  const originalStart: number[] = [];
  const originalLength: number[] = [];
  const copied: number[] = [];
  const places = originalPlaces(layer);
  const runs = layer.cleanStart.length;
  let made = 0;
  let run = 0;
  const runEnd = (r: number): number => (r + 1 < runs ? layer.cleanStart[r + 1] : layer.text.length);
  const add = (start: number, length: number, isCopied: number): void => {
    cleanStart.push(made);
    originalStart.push(start);
    originalLength.push(length);
    copied.push(isCopied);
  };
  const copy = (from: number, to: number): void => {
    if (to <= from) return;
    while (run < runs && runEnd(run) <= from) run++;
    for (let r = run; r < runs && layer.cleanStart[r] < to; r++) {
      const start = Math.max(from, layer.cleanStart[r]);
      const end = Math.min(to, runEnd(r));
      if (end <= start) continue;
      if (layer.copied[r]) add(layer.originalStart[r] + start - layer.cleanStart[r], end - start, 1);
      else add(layer.originalStart[r], layer.originalLength[r], 0);
      made += end - start;
    }
    pieces.push(layer.text.slice(from, to));
  };
  let place = 0;
  for (const { start, end, replacement } of edits) {
    copy(place, start);
    if (replacement !== '') {
      const from = places.startOf(start);
      add(from, places.endOf(end - 1) - from, 0);
      pieces.push(replacement);
      made += replacement.length;
    }
    place = end;
  }
  copy(place, layer.text.length);
  return {
    text: pieces.join(''),
    cleanStart: Int32Array.from(cleanStart),
    originalStart: Int32Array.from(originalStart),
    originalLength: Int32Array.from(originalLength),
    copied: Uint8Array.from(copied),
  };
}

/** The way from places of the clean text to those of the original. */
export interface OriginalPlaces {
  /** Where the original of the character at a clean place begins. */
  readonly startOf: (cleanPlace: number) => number;
  /** Where the original of the character at a clean place ends. */
  readonly endOf: (cleanPlace: number) => number;
}

/** Walks from clean places to original ones. Places must be asked for in rising order: a whole text takes one pass. */
export function originalPlaces(layer: LayeredText): OriginalPlaces {
  const { cleanStart, originalStart, originalLength, copied } = layer;
  // Most sources lose nothing, and then every place is its own.
  if (copied.length === 1 && copied[0] === 1 && originalStart[0] === 0) {
    return { startOf: (place) => place, endOf: (place) => place + 1 };
  }
  let run = 0;
  const goTo = (place: number): void => {
    while (run + 1 < cleanStart.length && cleanStart[run + 1] <= place) run++;
  };
  return {
    startOf: (place) => {
      goTo(place);
      if (copied.length === 0) return 0;
      return copied[run] ? originalStart[run] + place - cleanStart[run] : originalStart[run];
    },
    endOf: (place) => {
      goTo(place);
      if (copied.length === 0) return 0;
      return copied[run]
        ? originalStart[run] + place - cleanStart[run] + 1
        : originalStart[run] + originalLength[run];
    },
  };
}

/** The place in the clean text of the first character that stands for the original from `place` on, asked for in rising order. */
export function cleanPlaces(layer: LayeredText): (originalPlace: number) => number {
  const { cleanStart, originalStart, originalLength, copied, text } = layer;
  let run = 0;
  return (place) => {
    while (run < cleanStart.length && originalStart[run] + originalLength[run] <= place) run++;
    if (run === cleanStart.length) return text.length;
    return copied[run] ? cleanStart[run] + Math.max(0, place - originalStart[run]) : cleanStart[run];
  };
}
