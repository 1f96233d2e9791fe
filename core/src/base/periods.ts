/** Stretches of time that dates are put together in, short to long. */
export const PERIODS = ['day', 'week', 'month', 'quarter', 'year'] as const;
export type Period = (typeof PERIODS)[number];

/** The longer of two periods. */
export const longerPeriod = (a: Period, b: Period): Period =>
  PERIODS.indexOf(a) >= PERIODS.indexOf(b) ? a : b;

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

/**
 * How long a period is, by how it is written.
 *
 * @example spanOf('2031 Q2') // 'quarter'
 */
export function spanOf(name: string): Period {
  if (/Q\d$/.test(name)) return 'quarter';
  if (name.includes('W')) return 'week';
  return name.length > 7 ? 'day' : name.length > 4 ? 'month' : 'year';
}

/** What a period is looked into by: a year by quarters, a quarter by months, a month or a week by days. */
export function finerPeriod(period: Period): Period {
  return period === 'year' ? 'quarter' : period === 'quarter' ? 'month' : 'day';
}
