/** How often each thing is done where a median is told. */
export const REPEATS = 5;

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1];
}

/** Milliseconds some work took. */
export function timeOf(work: () => unknown): number {
  const started = performance.now();
  work();
  return performance.now() - started;
}

/** Milliseconds it takes as a rule; the work is told which of the times it is. */
export function medianTime(work: (time: number) => unknown): number {
  return median(Array.from({ length: REPEATS }, (_, time) => timeOf(() => work(time))));
}

/** A number as the tables have it. */
export const told = (value: number): string => Math.round(value).toLocaleString('en-GB');

/** Prints a table: a heading of its columns, then a line for each row. */
export function printTable(columns: readonly string[], rows: readonly (readonly string[])[]): void {
  console.log(`| ${columns.join(' | ')} |`);
  console.log(`|${columns.map((_, i) => (i === 0 ? '---|' : '---:|')).join('')}`);
  for (const row of rows) console.log(`| ${row.join(' | ')} |`);
}
