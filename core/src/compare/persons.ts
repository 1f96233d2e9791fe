import type { SourceStrength } from './source-strength.ts';

/** Sources taken together by who speaks in them. */
export interface VoicedStrength {
  /** A row a person and group: what their sources say together. */
  readonly byPerson: SourceStrength;
  /** Group of each, −1 for none. */
  readonly groupOf: Int32Array;
  /** The sources of each. */
  readonly sources: readonly (readonly number[])[];
}

/**
 * Takes the sources of one person together, those of a person in two groups apart by group: passages of one person hang together
 * whatever files they stand in, and each person says a thing once.
 *
 * @param personOf number of who speaks in each source
 */
export function inPersons(
  { windows, speaking, rowCount, overlap }: SourceStrength,
  groupOf: ArrayLike<number>,
  personOf: ArrayLike<number>,
): VoicedStrength {
  const numberOf = new Map<string, number>();
  const sources: number[][] = [];
  const groups: number[] = [];
  for (let s = 0; s < windows.length; s++) {
    const name = `${personOf[s]} ${groupOf[s]}`;
    let at = numberOf.get(name);
    if (at === undefined) {
      numberOf.set(name, (at = sources.length));
      sources.push([]);
      groups.push(groupOf[s]);
    }
    sources[at].push(s);
  }
  const byPerson = {
    windows: new Int32Array(sources.length),
    speaking: new Int32Array(sources.length * rowCount),
    rowCount,
    overlap,
  };
  sources.forEach((own, p) => {
    for (const s of own) {
      byPerson.windows[p] += windows[s];
      for (let t = 0; t < rowCount; t++) byPerson.speaking[p * rowCount + t] += speaking[s * rowCount + t];
    }
  });
  return { byPerson, groupOf: Int32Array.from(groups), sources };
}
