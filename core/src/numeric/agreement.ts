import { logFactorial } from './special.ts';

/** Entropy in nats of cluster sizes that sum to total. */
function entropy(sizes: ArrayLike<number>, total: number): number {
  let sum = 0;
  for (let i = 0; i < sizes.length; i++) {
    if (sizes[i] > 0) sum -= (sizes[i] / total) * Math.log(sizes[i] / total);
  }
  return sum;
}

interface Contingency {
  readonly total: number;
  readonly rows: Int32Array;
  readonly columns: Int32Array;
  readonly cells: Int32Array;
}

function contingency(a: ArrayLike<number>, b: ArrayLike<number>): Contingency {
  const number = (labels: ArrayLike<number>): [Int32Array, number] => {
    const seen = new Map<number, number>();
    const ids = new Int32Array(labels.length);
    for (let i = 0; i < labels.length; i++) {
      let id = seen.get(labels[i]);
      if (id === undefined) seen.set(labels[i], (id = seen.size));
      ids[i] = id;
    }
    return [ids, seen.size];
  };
  const [rowOf, rowCount] = number(a);
  const [columnOf, columnCount] = number(b);
  const rows = new Int32Array(rowCount);
  const columns = new Int32Array(columnCount);
  const cells = new Int32Array(rowCount * columnCount);
  for (let i = 0; i < a.length; i++) {
    rows[rowOf[i]]++;
    columns[columnOf[i]]++;
    cells[rowOf[i] * columnCount + columnOf[i]]++;
  }
  return { total: a.length, rows, columns, cells };
}

function mutualInformation({ total, rows, columns, cells }: Contingency): number {
  let sum = 0;
  for (let r = 0; r < rows.length; r++) {
    for (let c = 0; c < columns.length; c++) {
      const n = cells[r * columns.length + c];
      if (n > 0) sum += (n / total) * Math.log((n * total) / (rows[r] * columns[c]));
    }
  }
  return sum;
}

/** How many clusters there are of each size, by rising size. */
function timesBySize(sizes: Int32Array): (readonly [size: number, times: number])[] {
  const times = new Map<number, number>();
  for (const size of sizes.slice().sort()) times.set(size, (times.get(size) ?? 0) + 1);
  return [...times];
}

/** What two clusters of sizes a and b of so many things share by chance, as a part of the mutual information. */
function expectedOfPair(total: number, a: number, b: number): number {
  let sum = 0;
  const constant =
    logFactorial(a) +
    logFactorial(b) +
    logFactorial(total - a) +
    logFactorial(total - b) -
    logFactorial(total);
  for (let n = Math.max(1, a + b - total); n <= Math.min(a, b); n++) {
    const chance = Math.exp(
      constant -
        logFactorial(n) -
        logFactorial(a - n) -
        logFactorial(b - n) -
        logFactorial(total - a - b + n),
    );
    sum += chance * (n / total) * Math.log((total * n) / (a * b));
  }
  return sum;
}

/**
 * The mutual information expected of two random groupings with these sizes (Vinh, Epps & Bailey 2010, eq. 24a). Clusters of
 * one size share as much as each other, so that each pair of sizes is worked out once.
 */
function expectedMutualInformation(total: number, rows: Int32Array, columns: Int32Array): number {
  let sum = 0;
  const ofColumns = timesBySize(columns);
  for (const [a, rowsOfSize] of timesBySize(rows)) {
    for (const [b, columnsOfSize] of ofColumns)
      sum += rowsOfSize * columnsOfSize * expectedOfPair(total, a, b);
  }
  return sum;
}

/**
 * Adjusted mutual information of two groupings of the same things (Vinh, Epps & Bailey 2010, arithmetic mean):
 * 1 when they are the same, about 0 when they agree no more than by chance.
 */
export function adjustedMutualInformation(a: ArrayLike<number>, b: ArrayLike<number>): number {
  const table = contingency(a, b);
  const { total, rows, columns, cells } = table;
  let filled = 0;
  for (const n of cells) if (n > 0) filled++;
  if (filled === rows.length && filled === columns.length) return 1;
  const expected = expectedMutualInformation(total, rows, columns);
  const mean = (entropy(rows, total) + entropy(columns, total)) / 2;
  const room = mean - expected;
  return Math.abs(room) < 1e-15 ? 0 : (mutualInformation(table) - expected) / room;
}

/** Normalised mutual information (arithmetic mean), as community benchmarks report it. */
export function normalisedMutualInformation(a: ArrayLike<number>, b: ArrayLike<number>): number {
  const table = contingency(a, b);
  const mean = (entropy(table.rows, table.total) + entropy(table.columns, table.total)) / 2;
  return mean === 0 ? 1 : mutualInformation(table) / mean;
}
