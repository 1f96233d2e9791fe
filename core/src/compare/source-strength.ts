/** How often each source speaks to each row: a theme, a concept, or a link. */
export interface SourceStrength {
  /** Stretches of each source; or its mentions of concepts, or itself, as the measure is. */
  readonly windows: Int32Array;
  /** Of those of source s, what speaks to row t, at s × rows + t. */
  readonly speaking: Int32Array;
  readonly rowCount: number;
  readonly overlap: number;
}

/** What some sources say together. */
export function sumOver(
  bySource: SourceStrength,
  sources: ArrayLike<number> & Iterable<number>,
): { windows: number; speaking: Int32Array } {
  const speaking = new Int32Array(bySource.rowCount);
  let windows = 0;
  for (const s of sources) {
    windows += bySource.windows[s];
    for (let t = 0; t < speaking.length; t++) speaking[t] += bySource.speaking[s * speaking.length + t];
  }
  return { windows, speaking };
}
