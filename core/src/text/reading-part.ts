import type { Boundaries } from './boundaries.ts';
import { applyEdits, untouched, type Edit, type LayeredText } from './offsets.ts';

/** A piece [start, end) of an original. */
export type Piece = readonly [start: number, end: number];

/** A source's original and the pieces of it that are not read, sorted and not overlapping. */
export interface SourceText {
  readonly original: string;
  readonly cuts: readonly Piece[];
}

/** The pieces sorted, without empty ones, those that touch joined, inside [0, length). */
export function tidyPieces(pieces: readonly Piece[], length: number): Piece[] {
  const sorted = pieces
    .map(([start, end]): Piece => [Math.max(0, start), Math.min(length, end)])
    .filter(([start, end]) => end > start)
    .sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const tidy: [number, number][] = [];
  for (const [start, end] of sorted) {
    const last = tidy[tidy.length - 1];
    if (last && start <= last[1]) last[1] = Math.max(last[1], end);
    else tidy.push([start, end]);
  }
  return tidy;
}

/** What is left of [0, length) without the pieces. */
export function otherPieces(pieces: readonly Piece[], length: number): Piece[] {
  const others: Piece[] = [];
  let at = 0;
  for (const [start, end] of tidyPieces(pieces, length)) {
    if (start > at) others.push([at, start]);
    at = end;
  }
  if (at < length) others.push([at, length]);
  return others;
}

/** What is left of some pieces of [0, length) without others. */
export function withoutPieces(pieces: readonly Piece[], others: readonly Piece[], length: number): Piece[] {
  return otherPieces([...otherPieces(pieces, length), ...others], length);
}

/** The turns of some speakers as pieces of an original, each from its label to the next one. */
export function turnsOf(bounds: Boundaries, length: number, isMeant: (speaker: string) => boolean): Piece[] {
  const pieces: Piece[] = [];
  bounds.speakers.forEach((speaker, i) => {
    if (isMeant(speaker)) pieces.push([bounds.turnStart[i], bounds.turnStart[i + 1] ?? length]);
  });
  return tidyPieces(pieces, length);
}

/** The pieces of a source that are not read: what is cut, and the turns of those left out. */
export function unreadPieces(
  source: SourceText,
  bounds: () => Boundaries,
  leftOut: ReadonlySet<string>,
): readonly Piece[] {
  if (leftOut.size === 0) return source.cuts;
  const { length } = source.original;
  return tidyPieces(
    [...source.cuts, ...turnsOf(bounds(), length, (speaker) => leftOut.has(speaker))],
    length,
  );
}

/** The part of an original that is read, with the way back; each piece left out leaves a line's end. */
export function readPart(source: SourceText, bounds: Boundaries, leftOut: ReadonlySet<string>): LayeredText {
  const edits = unreadPieces(source, () => bounds, leftOut).map(([start, end]): Edit => ({
    start,
    end,
    replacement: '\n',
  }));
  return applyEdits(untouched(source.original), edits);
}
