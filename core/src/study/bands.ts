import { longerPeriod, PERIODS, periodOf, type Period } from '../base/periods.ts';
import { readDate, type DateOrder, type ReadDate } from '../text/dates.ts';
import { readNumber } from './attributes.ts';

/** As many groups as can be read side by side. */
const MOST_GROUPS = 12;
/** Numbers of more different values are put in so many bands of as many sources each, about. */
const BANDS = 4;
const DAY = 86_400_000;

/** How many periods there are from the first of some days to the last. */
function spanned(days: readonly string[], period: Period): number {
  const sorted = [...days].sort();
  const [first, last] = [sorted[0], sorted[sorted.length - 1]];
  const [a, b] = [first, last].map((day) => new Date(`${day}T00:00:00Z`));
  const months = (b.getUTCFullYear() - a.getUTCFullYear()) * 12 + b.getUTCMonth() - a.getUTCMonth();
  const length: Readonly<Record<Period, number>> = {
    day: (b.getTime() - a.getTime()) / DAY,
    week: (b.getTime() - a.getTime()) / (7 * DAY),
    month: months,
    quarter: months / 3,
    year: months / 12,
  };
  return Math.floor(length[period]) + 1;
}

/**
 * The shortest period of which the dates span no more than can be read side by side, and as long as the least exact of them; a year
 * where none does.
 */
export function fittingPeriod(dates: readonly Pick<ReadDate, 'date' | 'grain'>[]): Period {
  const days = dates.map(({ date }) => date);
  const fits = PERIODS.find((period) => spanned(days, period) <= MOST_GROUPS) ?? 'year';
  return longerPeriod(fits, grainOf(dates));
}

/** How exactly all of some dates are given: as the least exact of them. */
export const grainOf = (dates: readonly Pick<ReadDate, 'grain'>[]): Period =>
  dates.reduce<Period>((longest, { grain }) => longerPeriod(longest, grain), 'day');

/** Dates as the periods that suit their span; few different ones as they are. What is no date stays as it is. */
export function inPeriods(values: readonly string[], order: DateOrder): string[] {
  const dates = values.map((value) => readDate(value, order));
  const given = dates.filter((date) => date !== undefined);
  const period = given.length === 0 ? 'day' : fittingPeriod(given);
  return dates.map((read, i) => (read === undefined ? values[i] : periodOf(read.date, period)));
}

/** Numbers in bands of about as many sources each, named by the least and the largest in them; few different ones, and what
 * is no number, as they are. */
export function inBands(values: readonly string[]): string[] {
  const numbers = values.map((value) => (value === '' ? undefined : readNumber(value)));
  const given = numbers.filter((each) => each !== undefined).sort((a, b) => a - b);
  const different = [...new Set(given)];
  if (different.length <= MOST_GROUPS)
    return numbers.map((each, i) => (each === undefined ? values[i] : String(each)));
  // Bounds lie at different values, so that one value is never in two bands.
  const starts = [
    ...new Set(Array.from({ length: BANDS }, (_, i) => given[Math.floor((i * given.length) / BANDS)])),
  ];
  const names = starts.map((start, i) => {
    const inside = different.filter(
      (each) => each >= start && (i + 1 >= starts.length || each < starts[i + 1]),
    );
    const last = inside[inside.length - 1];
    return last === start ? String(start) : `${start} to ${last}`;
  });
  return numbers.map((each, i) =>
    each === undefined ? values[i] : names[starts.findLastIndex((start) => each >= start)],
  );
}
