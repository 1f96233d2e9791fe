import type { DocumentTable } from '../formats/write/document.ts';

/** A figure as it was made: a picture, a table, or both. */
export interface Figure {
  readonly title: string;
  /** What it rests on, in a sentence or more. */
  readonly note: string;
  readonly picture?: { readonly svg: string; readonly alt: string };
  readonly table?: DocumentTable;
}

/** A view that was kept: what makes it again, and how it was. */
export interface KeptView {
  /** What it is of, as the views have it; unknown where a file comes from a newer program. */
  readonly asked: { readonly kind: string; readonly [name: string]: unknown };
  /** Stop and search of the page it was kept on. */
  readonly address: string;
  /** The decision the study stood on. */
  readonly seq: number;
  /** As it was; missing where a withdrawal took it out. */
  readonly figure?: Figure;
}

export const HANGS_ON = ['theme', 'concept', 'source'] as const;
/** What an entry hangs on: a theme by its letter, a concept by its key, a source by its id; with its name. */
export interface HangsOn {
  readonly kind: (typeof HANGS_ON)[number];
  readonly key: string;
  readonly name: string;
}

/** Something the researcher keeps beside the analysis: a memo, a heading, an excerpt with its place in a source, or a view. */
export interface NotebookEntry {
  readonly id: string;
  /** ISO 8601, UTC. */
  readonly time: string;
  readonly note: string;
  readonly tags: readonly string[];
  /** Whether the note is a heading for what stands under it. */
  readonly isHeading?: boolean;
  /** Where it stands among the entries, the smallest first; the later the further up where it was never moved. */
  readonly place?: number;
  readonly on?: HangsOn;
  readonly view?: KeptView;
  /** Where an excerpt stands: its source and characters of that source's text, with the words as they stood there. */
  readonly excerpt?: {
    readonly sourceId: string;
    readonly sourceName: string;
    readonly start: number;
    readonly end: number;
    readonly quote: string;
  };
}

/** What an entry's place is where it was never moved. */
const placeOf = ({ place, time }: NotebookEntry): number => place ?? -(Date.parse(time) || 0);

/** Entries as they stand in the Notebook: in the order they were put in, what was never moved latest first. */
export const inOrder = (entries: readonly NotebookEntry[]): NotebookEntry[] =>
  entries
    .map((entry) => ({ entry, place: placeOf(entry) }))
    .sort((a, b) => a.place - b.place || (a.entry.id < b.entry.id ? -1 : 1))
    .map(({ entry }) => entry);

/**
 * The places of entries with one of them moved; only those that change.
 *
 * @param entries in their order
 * @param to number it has afterwards
 */
export function placesAfterMove(
  entries: readonly NotebookEntry[],
  id: string,
  to: number,
): Map<string, number> {
  const others = entries.filter((entry) => entry.id !== id);
  const before = others.at(to - 1);
  const after = others.at(to);
  const [low, high] = [to > 0 && before ? placeOf(before) : undefined, after ? placeOf(after) : undefined];
  const place =
    low === undefined
      ? (high ?? 0) - 1
      : high === undefined || to >= others.length
        ? low + 1
        : (low + high) / 2;
  if ((low === undefined || place > low) && (high === undefined || to >= others.length || place < high))
    return new Map([[id, place]]);
  // No number fits between the two: all are numbered anew.
  const moved = entries.find((entry) => entry.id === id);
  const next = moved ? [...others.slice(0, to), moved, ...others.slice(to)] : others;
  return new Map(next.map((entry, i) => [entry.id, i]));
}

/** What of an entry is words: its note, tags, quote, and the names of what it is of. */
const textOf = ({ note, tags, excerpt, view, on }: NotebookEntry): string =>
  [note, ...tags, excerpt?.quote, excerpt?.sourceName, view?.figure?.title, on?.name]
    .filter((each) => each !== undefined)
    .join(' ')
    .toLowerCase();

/** The entries that hold all the words typed, in their order. */
export function findEntries(entries: readonly NotebookEntry[], typed: string): NotebookEntry[] {
  const words = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  const holds = (entry: NotebookEntry): boolean => {
    const text = textOf(entry);
    return words.every((word) => text.includes(word));
  };
  return inOrder(words.length === 0 ? entries : entries.filter(holds));
}
