/**
 * A text made from an original by taking pieces out or putting others in, with the way back: run r copies
 * `length[r]` characters from `originalStart[r]` to `cleanStart[r]`. Characters outside the runs were put in.
 */
export interface LayeredText {
  readonly text: string;
  readonly cleanStart: Int32Array;
  readonly originalStart: Int32Array;
  readonly length: Int32Array;
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
    length: Int32Array.of(original.length),
  };
}

/** Applies edits (sorted, not overlapping, in places of `layer.text`) and keeps the way back to the original. */
export function applyEdits(layer: LayeredText, edits: readonly Edit[]): LayeredText {
  if (edits.length === 0) return layer;
  const pieces: string[] = [];
  const cleanStart: number[] = [];
  const originalStart: number[] = [];
  const length: number[] = [];
  let made = 0;
  let run = 0;
  const copy = (from: number, to: number): void => {
    while (run < layer.length.length && layer.cleanStart[run] + layer.length[run] <= from) run++;
    for (let r = run; r < layer.length.length && layer.cleanStart[r] < to; r++) {
      const start = Math.max(from, layer.cleanStart[r]);
      const end = Math.min(to, layer.cleanStart[r] + layer.length[r]);
      if (end <= start) continue;
      cleanStart.push(made + start - from);
      originalStart.push(layer.originalStart[r] + start - layer.cleanStart[r]);
      length.push(end - start);
    }
    pieces.push(layer.text.slice(from, to));
    made += to - from;
  };
  let place = 0;
  for (const edit of edits) {
    copy(place, edit.start);
    pieces.push(edit.replacement);
    made += edit.replacement.length;
    place = edit.end;
  }
  copy(place, layer.text.length);
  return {
    text: pieces.join(''),
    cleanStart: Int32Array.from(cleanStart),
    originalStart: Int32Array.from(originalStart),
    length: Int32Array.from(length),
  };
}

/**
 * Walks from clean places to original ones. Places must be asked for in rising order, so that a whole text is mapped
 * in one pass. A place that was put in maps to the end of the run before it.
 */
export function originalPlaces(layer: LayeredText): (cleanPlace: number) => number {
  let run = 0;
  // Most sources lose nothing, and then every place is its own.
  if (layer.length.length === 1 && layer.originalStart[0] === 0 && layer.cleanStart[0] === 0) {
    const end = layer.length[0];
    return (place) => Math.min(place, end);
  }
  return (place) => {
    while (run + 1 < layer.cleanStart.length && layer.cleanStart[run + 1] <= place) run++;
    if (layer.length.length === 0) return 0;
    return layer.originalStart[run] + Math.min(place - layer.cleanStart[run], layer.length[run]);
  };
}
