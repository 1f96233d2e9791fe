/** Something the researcher keeps beside the analysis: a memo, or an excerpt with its place in a source. */
export interface NotebookEntry {
  readonly id: string;
  /** ISO 8601, UTC. */
  readonly time: string;
  readonly note: string;
  readonly tags: readonly string[];
  /** Where an excerpt stands: its source and characters of that source's text, with the words as they stood there. */
  readonly excerpt?: {
    readonly sourceId: string;
    readonly sourceName: string;
    readonly start: number;
    readonly end: number;
    readonly quote: string;
  };
}

/** The entries that hold all the words typed, in their quotes, notes, tags or source names; the latest first. */
export function findEntries(entries: readonly NotebookEntry[], typed: string): NotebookEntry[] {
  const words = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  const textOf = ({ note, tags, excerpt }: NotebookEntry): string =>
    [note, ...tags, excerpt?.quote ?? '', excerpt?.sourceName ?? ''].join(' ').toLowerCase();
  return entries
    .filter((entry) => words.every((word) => textOf(entry).includes(word)))
    .sort((a, b) => (a.time < b.time ? 1 : a.time > b.time ? -1 : a.id < b.id ? -1 : 1));
}
