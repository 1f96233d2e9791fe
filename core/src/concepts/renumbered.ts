/** Occurrences of numbered things, in the order of the text. */
export interface Occurring {
  /** What each occurrence is of. */
  readonly occurrence: Int32Array;
  /** First token of each occurrence. */
  readonly occurrenceFirst: Int32Array;
  /** One past its last. */
  readonly occurrenceEnd: Int32Array;
}

/**
 * The occurrences under new numbers.
 *
 * @param numberOf the new number of each thing; −1 where its occurrences are left out
 * @param mentions of each new number
 */
export function renumbered(occurring: Occurring, numberOf: Int32Array, mentions: Int32Array): Occurring {
  let total = 0;
  for (let i = 0; i < mentions.length; i++) total += mentions[i];
  const made = {
    occurrence: new Int32Array(total),
    occurrenceFirst: new Int32Array(total),
    occurrenceEnd: new Int32Array(total),
  };
  renumberInto(made, occurring, numberOf);
  return made;
}

// A loop over a whole collection is a function of its own, outside every other: only then is it at full speed the next
// time it is run, which is when a researcher waits for a decision to show.
function renumberInto(made: Occurring, occurring: Occurring, numberOf: Int32Array): void {
  const { occurrence, occurrenceFirst, occurrenceEnd } = occurring;
  let count = 0;
  for (let i = 0; i < occurrence.length; i++) {
    const number = numberOf[occurrence[i]];
    if (number < 0) continue;
    made.occurrence[count] = number;
    made.occurrenceFirst[count] = occurrenceFirst[i];
    made.occurrenceEnd[count++] = occurrenceEnd[i];
  }
}

/**
 * The occurrences under new numbers, and, of things that are left out, those of their parts.
 *
 * @param partsOf the new number of what begins at each token of such a thing, −1 for none; undefined where nothing does
 */
export function withWordsBack(
  occurring: Occurring,
  numberOf: Int32Array,
  partsOf: readonly (readonly number[] | undefined)[],
): Occurring {
  const count = addWithWordsBack(undefined, occurring, numberOf, partsOf);
  const made = {
    occurrence: new Int32Array(count),
    occurrenceFirst: new Int32Array(count),
    occurrenceEnd: new Int32Array(count),
  };
  addWithWordsBack(made, occurring, numberOf, partsOf);
  return made;
}

// Outside every other function, as is `renumberInto`. Counts where there is nothing to write into.
function addWithWordsBack(
  made: Occurring | undefined,
  { occurrence, occurrenceFirst, occurrenceEnd }: Occurring,
  numberOf: Int32Array,
  partsOf: readonly (readonly number[] | undefined)[],
): number {
  let count = 0;
  for (let i = 0; i < occurrence.length; i++) {
    const number = numberOf[occurrence[i]];
    if (number >= 0) {
      if (made) {
        made.occurrence[count] = number;
        made.occurrenceFirst[count] = occurrenceFirst[i];
        made.occurrenceEnd[count] = occurrenceEnd[i];
      }
      count++;
      continue;
    }
    const parts = partsOf[occurrence[i]];
    // A variant of a phrase may have other words, whose places are not known.
    if (!parts || occurrenceEnd[i] - occurrenceFirst[i] !== parts.length) continue;
    for (let k = 0; k < parts.length; k++) {
      if (parts[k] < 0) continue;
      if (made) {
        made.occurrence[count] = parts[k];
        made.occurrenceFirst[count] = occurrenceFirst[i] + k;
        made.occurrenceEnd[count] = occurrenceFirst[i] + k + 1;
      }
      count++;
    }
  }
  return count;
}

/** How often each number from 0 to count − 1 is among the values. */
export function tally(values: Int32Array, count: number): Int32Array {
  const counts = new Int32Array(count);
  tallyInto(counts, values);
  return counts;
}

function tallyInto(counts: Int32Array, values: Int32Array): void {
  for (let i = 0; i < values.length; i++) counts[values[i]]++;
}

/** Occurrences added one by one. */
export interface OccurrenceList extends Occurring {
  count: number;
}

/** @param most no more will be added */
export function occurrenceList(most: number): OccurrenceList {
  return {
    occurrence: new Int32Array(most),
    occurrenceFirst: new Int32Array(most),
    occurrenceEnd: new Int32Array(most),
    count: 0,
  };
}

export function addOccurrence(list: OccurrenceList, occurrence: number, first: number, end: number): void {
  list.occurrence[list.count] = occurrence;
  list.occurrenceFirst[list.count] = first;
  list.occurrenceEnd[list.count++] = end;
}

/** Only what was added. */
export function occurrencesIn({
  occurrence,
  occurrenceFirst,
  occurrenceEnd,
  count,
}: OccurrenceList): Occurring {
  return {
    occurrence: occurrence.subarray(0, count),
    occurrenceFirst: occurrenceFirst.subarray(0, count),
    occurrenceEnd: occurrenceEnd.subarray(0, count),
  };
}
