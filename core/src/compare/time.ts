import { PERIODS, periodOf, type Period } from '../base/periods.ts';
import { adjustForMany } from '../numeric/chance.ts';
import { seededRandom, shuffle } from '../numeric/random.ts';
import { inPersons } from './persons.ts';
import { alikenessOf, groupStrength, voicedStrength, type GroupStrength, type Strength } from './strength.ts';
import type { SourceStrength } from './source-strength.ts';

/** One period of one group. */
export interface PeriodStrength {
  readonly sources: number;
  readonly windows: number;
  /** By row; empty where the period has no text. */
  readonly strengths: readonly Strength[];
  /** How its intervals were made: of one source, by how the sources of all periods differ. */
  readonly interval: GroupStrength['interval'];
}

/** Whether a row changes steadily over the course. */
export interface Trend {
  /** By how much its share changes from the first period with text to the last, along the straight line that fits best. */
  readonly change: number;
  /** Chance of a change as large if the sources had been dealt to the periods blindly, and adjusted over the rows. */
  readonly p: number;
  readonly q: number;
}

/** A group over time. */
export interface Course {
  readonly group: string;
  /** Over all its sources that have a date, by row. */
  readonly mean: readonly Strength[];
  /** By period. */
  readonly periods: readonly PeriodStrength[];
  /** By row; empty where fewer than two periods have text. */
  readonly trends: readonly Trend[];
}

export interface OverTime {
  readonly period: Period;
  /** Every period from the first to the last, those without text too. */
  readonly periods: readonly string[];
  readonly courses: readonly Course[];
  /** Sources of the groups that have no date. */
  readonly undated: number;
}

/** More periods than can be drawn; a longer one is taken. */
const MOST_PERIODS = 120;
const DAY = 86_400_000;

/**
 * Every period from one day to another.
 *
 * @param first ISO 8601, YYYY-MM-DD, as `last`
 * @example periodsBetween('2031-01-20', '2031-03-02', 'month') // ['2031-01', '2031-02', '2031-03']
 */
export function periodsBetween(first: string, last: string, period: Period): string[] {
  const periods: string[] = [];
  const add = (day: string): void => {
    const next = periodOf(day, period);
    if (periods[periods.length - 1] !== next) periods.push(next);
  };
  if (period === 'day' || period === 'week') {
    const end = Date.parse(`${last}T00:00:00Z`);
    for (let at = Date.parse(`${first}T00:00:00Z`); at <= end; at += DAY)
      add(new Date(at).toISOString().slice(0, 10));
    return periods;
  }
  const monthsOf = (day: string): number => Number(day.slice(0, 4)) * 12 + Number(day.slice(5, 7)) - 1;
  for (let at = monthsOf(first); at <= monthsOf(last); at++) {
    const year = String(Math.floor(at / 12)).padStart(4, '0');
    add(`${year}-${String((at % 12) + 1).padStart(2, '0')}-01`);
  }
  return periods;
}

/** The period asked for, or the next longer of which there are few enough to be drawn; years are always taken. */
function drawable(first: string, last: string, asked: Period): Period {
  const days = (Date.parse(last) - Date.parse(first)) / DAY + 1;
  const lengths: Readonly<Record<Period, number>> = { day: 1, week: 7, month: 30, quarter: 91, year: 365 };
  const from = PERIODS.indexOf(asked);
  return PERIODS.slice(from).find((period) => days / lengths[period] <= MOST_PERIODS) ?? 'year';
}

/**
 * The strength of every row by period, for each group: a share of the period's own stretches with its interval, and whether it
 * changes steadily. A period of one source is judged by how the sources of all periods of its group differ.
 *
 * @param days ISO 8601 day of each source; undefined where it has none
 * @param groupOf group of each source, −1 for none
 * @param personOf number of who speaks in each source; null where each is somebody else's
 */
export function strengthOverTime(
  bySource: SourceStrength,
  days: readonly (string | undefined)[],
  {
    names,
    groupOf,
    personOf = null,
  }: {
    readonly names: readonly string[];
    readonly groupOf: readonly number[];
    readonly personOf?: readonly number[] | null;
  },
  asked: Period,
  seed = 1,
): OverTime {
  const members = [...days.keys()].filter((s) => groupOf[s] >= 0);
  const given = members.map((s) => days[s]).filter((day) => day !== undefined);
  const undated = members.length - given.length;
  if (given.length === 0) return { period: asked, periods: [], courses: [], undated };
  given.sort();
  const [first, last] = [given[0], given[given.length - 1]];
  const period = drawable(first, last, asked);
  const periods = periodsBetween(first, last, period);
  const numberOf = new Map(periods.map((name, i) => [name, i]));
  const inPeriod = names.map(() => periods.map((): number[] => []));
  for (const s of members) {
    const day = days[s];
    const at = day === undefined ? undefined : numberOf.get(periodOf(day, period));
    if (at !== undefined) inPeriod[groupOf[s]][at].push(s);
  }
  return {
    period,
    periods,
    undated,
    courses: names.map((group, g) => {
      const { strength, placed } = voicesInPeriods(bySource, inPeriod[g], personOf);
      const others = alikenessOf(strength, placed.flat());
      return {
        group,
        mean: voicedStrength(bySource, inPeriod[g].flat(), group, personOf).strengths,
        periods: placed.map((voices, at) => {
          const { windows, strengths, interval } = groupStrength(strength, voices, group, others);
          return {
            sources: inPeriod[g][at].length,
            windows,
            strengths: windows === 0 ? [] : strengths,
            interval,
          };
        }),
        trends: trendsOf(strength, placed, seed),
      };
    }),
  };
}

/** The sources of each period; those of one person in one period as one. */
function voicesInPeriods(
  bySource: SourceStrength,
  inPeriod: readonly (readonly number[])[],
  personOf: readonly number[] | null,
): { readonly strength: SourceStrength; readonly placed: readonly (readonly number[])[] } {
  if (personOf === null) return { strength: bySource, placed: inPeriod };
  const periodOfSource = new Int32Array(bySource.windows.length).fill(-1);
  inPeriod.forEach((sources, at) => {
    for (const s of sources) periodOfSource[s] = at;
  });
  const { byPerson, groupOf } = inPersons(bySource, periodOfSource, personOf);
  const placed = inPeriod.map((): number[] => []);
  groupOf.forEach((at, voice) => {
    if (at >= 0) placed[at].push(voice);
  });
  return { strength: byPerson, placed };
}

const PERMUTATIONS = 999;
const FEWEST_PERMUTATIONS = 199;
/** Steps that a test may take: of many sources and rows fewer permutations are tried. */
const MOST_STEPS = 50_000_000;

/**
 * Whether each row changes steadily: the slope of its share over the periods, by least squares weighted by the sources' windows,
 * against the slopes where the sources are dealt to the periods anew (permutation test, two-sided).
 *
 * @param inPeriod the sources of each period
 */
export function trendsOf(
  bySource: SourceStrength,
  inPeriod: readonly (readonly number[])[],
  seed: number,
): Trend[] {
  const { rowCount, windows, speaking } = bySource;
  const placed = inPeriod.flatMap((sources, at) =>
    sources.filter((s) => windows[s] > 0).map((s) => ({ s, at })),
  );
  const [first, last] = [placed[0]?.at ?? 0, placed[placed.length - 1]?.at ?? 0];
  if (first === last) return [];
  const places = Float64Array.from(placed, ({ at }) => at);
  const slopes = (): Float64Array => {
    let [weights, middle] = [0, 0];
    placed.forEach(({ s }, k) => {
      weights += windows[s];
      middle += windows[s] * places[k];
    });
    middle /= weights;
    const along = new Float64Array(rowCount);
    let across = 0;
    placed.forEach(({ s }, k) => {
      const away = places[k] - middle;
      across += windows[s] * away * away;
      for (let t = 0; t < rowCount; t++) along[t] += away * speaking[s * rowCount + t];
    });
    return along.map((sum) => (across === 0 ? 0 : sum / across));
  };
  const found = slopes();
  const asLarge = new Int32Array(rowCount);
  const most = Math.floor(MOST_STEPS / Math.max(1, placed.length * rowCount));
  const times = Math.max(FEWEST_PERMUTATIONS, Math.min(PERMUTATIONS, most));
  const random = seededRandom(seed, 50_000);
  for (let time = 0; time < times; time++) {
    shuffle(places, random);
    slopes().forEach((slope, t) => {
      if (Math.abs(slope) >= Math.abs(found[t]) - 1e-12) asLarge[t]++;
    });
  }
  const p = Float64Array.from(asLarge, (count) => (count + 1) / (times + 1));
  const q = adjustForMany(p);
  return Array.from(found, (slope, t) => ({ change: slope * (last - first), p: p[t], q: q[t] }));
}

/**
 * The mean of each share and its neighbours, weighted by stretches; gaps stay gaps.
 *
 * @param reach how many periods on either side
 */
export function smoothed(
  points: readonly { readonly share: number; readonly windows: number }[],
  reach: number,
): number[] {
  return points.map(({ windows }, i) => {
    if (windows === 0) return Number.NaN;
    const near = points.slice(Math.max(0, i - reach), i + reach + 1);
    const all = near.reduce((sum, each) => sum + each.windows, 0);
    return near.reduce((sum, each) => (each.windows === 0 ? sum : sum + each.share * each.windows), 0) / all;
  });
}
