import type { Period } from '../base/periods.ts';

/** Which of two numbers is the day where a date is written as 4/5/2031. */
export type DateOrder = 'dmy' | 'mdy';

/** Names of the months, January to December, in the languages texts are read in and in English short. */
const MONTH_NAMES: readonly (readonly string[])[] = [
  'jan feb mar apr may jun jul aug sep oct nov dec',
  'january february march april may june july august sept october november december',
  'januar februar märz april mai juni juli august september oktober november dezember',
  'janvier février mars avril mai juin juillet août septembre octobre novembre décembre',
  'enero febrero marzo abril mayo junio julio agosto septiembre octubre noviembre diciembre',
  'gennaio febbraio marzo aprile maggio giugno luglio agosto settembre ottobre novembre dicembre',
  'janeiro fevereiro março abril maio junho julho agosto setembro outubro novembro dezembro',
  'januari februari maart april mei juni juli augustus september oktober november december',
  'januari februari mars april maj juni juli augusti september oktober november december',
].map((names) => names.split(' '));
/** The number of each month’s name, from 1. */
const MONTHS = new Map(
  MONTH_NAMES.flatMap((names) => names.map((name, i): [string, number] => [name, i + 1])),
);
// The longest first, so that March is not read as Mar.
const MONTH_NAME = [...MONTHS.keys()].sort((a, b) => b.length - a.length).join('|');

/** Year first; day and month in either order; day, month name, year; month name, day, year. */
const DATE = new RegExp(
  '(?<!\\d)(?:' +
    '(?<y1>\\d{4})[-/.](?<m1>\\d{1,2})[-/.](?<d1>\\d{1,2})' +
    '|(?<a>\\d{1,2})([-/.])(?<b>\\d{1,2})\\5(?<y2>\\d{4}|\\d{2})' +
    `|(?<d3>\\d{1,2})(?:st|nd|rd|th|\\.|º|er)?[ -]?(?:of |de )?(?<m3>${MONTH_NAME})\\.?,?(?: de| del)?[ -]?(?<y3>\\d{4})` +
    `|(?<m4>${MONTH_NAME})\\.? (?<d4>\\d{1,2})(?:st|nd|rd|th)?,? (?<y4>\\d{4})` +
    ')(?!\\d)',
  'iu',
);

/** How exactly a date may be given. */
export type Grain = Extract<Period, 'day' | 'month' | 'quarter' | 'year'>;

/** Years that a number by itself may be: what is written 0202 or 12024 is none. */
const YEAR = '(?<year>1\\d{3}|20\\d{2}|21\\d{2})';
/** A value that is a year, a quarter or a month and nothing else: 2024; 2024-Q3, Q3 2024; 2024-03, 03/2024, March 2024. */
const COARSE_DATE = [
  new RegExp(`^${YEAR}$`),
  new RegExp(`^${YEAR}[-/ .]?Q(?<quarter>[1-4])$`, 'i'),
  new RegExp(`^Q(?<quarter>[1-4])[-/ .]?${YEAR}$`, 'i'),
  new RegExp(`^${YEAR}[-/](?<month>0?[1-9]|1[0-2])$`),
  new RegExp(`^(?<month>0?[1-9]|1[0-2])[-/.]${YEAR}$`),
  new RegExp(`^(?<named>${MONTH_NAME})\\.?,?(?: de| del)? ?[-/]?${YEAR}$`, 'iu'),
] as const;

/** A date read from a text. */
export interface ReadDate {
  /** ISO 8601, YYYY-MM-DD; of a month, a quarter or a year its first day. */
  readonly date: string;
  /** How exactly it is given. */
  readonly grain: Grain;
  /** Whether day and month could be read the other way round too. */
  readonly ambiguous: boolean;
  readonly index: number;
}

/** The first date in a text, in common notations, or undefined. Years of two digits are 1970 to 2069. */
export function findDate(text: string, order: DateOrder): ReadDate | undefined {
  const match = DATE.exec(text);
  const parts = match?.groups;
  if (!match || !parts) return undefined;
  if (parts.y1) return made(match.index, parts.y1, parts.m1, parts.d1, false);
  if (parts.y3) return made(match.index, parts.y3, monthNumber(parts.m3), parts.d3, false);
  if (parts.y4) return made(match.index, parts.y4, monthNumber(parts.m4), parts.d4, false);
  const [a, b] = [Number(parts.a), Number(parts.b)];
  const year = parts.y2.length === 4 ? parts.y2 : `${Number(parts.y2) < 70 ? 20 : 19}${parts.y2}`;
  const dayFirst = a > 12 || (b <= 12 && order === 'dmy');
  return made(match.index, year, dayFirst ? b : a, dayFirst ? a : b, a <= 12 && b <= 12 && a !== b);
}

/** A value that is a date and nothing else, or undefined. */
export function readDate(value: string, order: DateOrder): ReadDate | undefined {
  const text = value.trim();
  if (text.length > 40) return undefined;
  const coarse = readCoarse(text);
  if (coarse) return coarse;
  const match = DATE.exec(text);
  // A time of day may follow, as spreadsheets write it.
  if (!match || match.index > 0 || !/^(?:[T ,]+\d{1,2}:\d{2}.*)?$/.test(text.slice(match[0].length)))
    return undefined;
  return findDate(text, order);
}

/** A year, a quarter or a month, as its first day. */
function readCoarse(text: string): ReadDate | undefined {
  for (const pattern of COARSE_DATE) {
    const found = pattern.exec(text)?.groups;
    if (!found) continue;
    const { year, quarter, month, named } = found;
    const first = quarter ? 3 * Number(quarter) - 2 : month ? Number(month) : named ? monthNumber(named) : 1;
    const read = made(0, year, first, 1, false);
    return read && { ...read, grain: quarter ? 'quarter' : month || named ? 'month' : 'year' };
  }
  return undefined;
}

function monthNumber(name: string): number {
  return MONTHS.get(name.toLowerCase()) ?? 0;
}

function made(
  index: number,
  year: string,
  month: string | number,
  day: string | number,
  ambiguous: boolean,
): ReadDate | undefined {
  const [y, m, d] = [Number(year), Number(month), Number(day)];
  const leap = (y % 4 === 0 && y % 100 !== 0) || y % 400 === 0;
  const days = [31, leap ? 29 : 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
  if (m < 1 || m > 12 || d < 1 || d > days[m - 1]) return undefined;
  const two = (value: number): string => String(value).padStart(2, '0');
  return { date: `${String(y).padStart(4, '0')}-${two(m)}-${two(d)}`, grain: 'day', ambiguous, index };
}
