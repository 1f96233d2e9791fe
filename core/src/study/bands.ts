import { readDate, type DateOrder } from '../text/dates.ts';
import { readNumber } from './attributes.ts';

/** Stretches of time that dates are put together in, short to long. */
export const PERIODS = ['day', 'week', 'month', 'quarter', 'year'] as const;
export type Period = (typeof PERIODS)[number];

/** As many groups as can be read side by side. */
const MOST_GROUPS = 12;
/** Numbers of more different values are put in so many bands of as many sources each, about. */
const BANDS = 4;
const DAY = 86_400_000;

const two = (value: number): string => String(value).padStart(2, '0');

/** The Thursday of a day's week: the week is of its year (ISO 8601). */
function thursdayOf(day: Date): Date {
  const weekday = (day.getUTCDay() + 6) % 7;
  return new Date(day.getTime() + (3 - weekday) * DAY);
}

/**
 * The period a day is in, written so that periods sort as they follow each other.
 *
 * @param day ISO 8601, YYYY-MM-DD
 * @example periodOf('2031-02-03', 'week') // '2031-W06'
 */
export function periodOf(day: string, period: Period): string {
  const [year, month] = day.split('-').map(Number);
  switch (period) {
    case 'day':
      return day;
    case 'week': {
      const thursday = thursdayOf(new Date(`${day}T00:00:00Z`));
      const first = Date.UTC(thursday.getUTCFullYear(), 0, 1);
      return `${String(thursday.getUTCFullYear()).padStart(4, '0')}-W${two(1 + Math.floor((thursday.getTime() - first) / (7 * DAY)))}`;
    }
    case 'month':
      return day.slice(0, 7);
    case 'quarter':
      return `${String(year).padStart(4, '0')} Q${Math.ceil(month / 3)}`;
    case 'year':
      return day.slice(0, 4);
  }
}

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

/** The shortest period of which the days span no more than can be read side by side; a year where none does. */
export function fittingPeriod(days: readonly string[]): Period {
  return PERIODS.find((period) => spanned(days, period) <= MOST_GROUPS) ?? 'year';
}

/** Dates as the periods that suit their span; few different ones as they are. What is no date stays as it is. */
export function inPeriods(values: readonly string[], order: DateOrder): string[] {
  const days = values.map((value) => readDate(value, order)?.date);
  const given = days.filter((day) => day !== undefined);
  const period = given.length === 0 ? 'day' : fittingPeriod(given);
  return days.map((day, i) => (day === undefined ? values[i] : periodOf(day, period)));
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
