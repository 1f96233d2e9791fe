import { readDate, type DateOrder } from '../text/dates.ts';

/** What the values of an attribute are. */
export const ATTRIBUTE_TYPES = ['text', 'number', 'date'] as const;
export type AttributeType = (typeof ATTRIBUTE_TYPES)[number];

/** A value as a number, with a decimal comma or thousands parted, or undefined. */
export function readNumber(value: string): number | undefined {
  const text = value.trim().replace(/\s/g, '');
  if (!/^[-+]?(?:\d+|\d{1,3}(?:[.,]\d{3})+)?(?:[.,]\d+)?(?:e[-+]?\d+)?%?$/i.test(text) || !/\d/.test(text)) {
    return undefined;
  }
  const plain = text.replace(/%$/, '');
  const lastMark = Math.max(plain.lastIndexOf('.'), plain.lastIndexOf(','));
  if (lastMark < 0) return Number(plain);
  const thousands = /^[-+]?\d{1,3}(?:([.,])\d{3})(?:\1\d{3})+$/.test(plain);
  const whole = plain.slice(0, lastMark).replace(/[.,]/g, '');
  const rest = plain.slice(lastMark + 1);
  const number = thousands ? Number(whole + rest) : Number(`${whole}.${rest}`);
  return Number.isFinite(number) ? number : undefined;
}

/** What a value sorts by and is compared by in its type: a number, an ISO date or the text; undefined where it is none. */
export function comparable(
  value: string,
  type: AttributeType,
  order: DateOrder,
): string | number | undefined {
  if (value.trim() === '') return undefined;
  if (type === 'number') return readNumber(value);
  if (type === 'date') return readDate(value, order)?.date;
  return value.trim();
}

/** Years by themselves are numbers, unless their column says that they are dates. */
const SAYS_DATES = /(?:^|[^\p{L}])(?:year|date|ann[eé]e|anno|a[ñn]o|fecha|data)|jahr|jaar|datum/iu;

/**
 * The type most of some values have: a date or a number where at least nine in ten of those given are.
 *
 * @param name of what the values are
 */
export function guessType(values: readonly string[], name = ''): AttributeType {
  const given = values.filter((value) => value.trim() !== '').slice(0, 2000);
  if (given.length === 0) return 'text';
  const share = (isSuch: (value: string) => boolean): number => given.filter(isSuch).length / given.length;
  const isDate = (value: string): boolean => {
    const read = readDate(value, 'dmy') ?? readDate(value, 'mdy');
    return read !== undefined && (SAYS_DATES.test(name) || readNumber(value) === undefined);
  };
  if (share(isDate) >= 0.9) return 'date';
  if (share((value) => readNumber(value) !== undefined) >= 0.9) return 'number';
  return 'text';
}

/** Whether values could be dates, though they were not taken for any: nine in ten of those given can be read as one. */
export function couldBeDates(values: readonly string[]): boolean {
  const given = values.filter((value) => value.trim() !== '');
  const read = given.filter((value) => readDate(value, 'dmy') ?? readDate(value, 'mdy'));
  return given.length > 0 && read.length >= 0.9 * given.length;
}

/** Types of the attributes some sources came with, by their values; those that are plain text are not named. */
export function typesOf(
  sources: readonly { readonly attributes: Readonly<Record<string, string>> }[],
): Readonly<Record<string, AttributeType>> {
  const values = new Map<string, string[]>();
  for (const { attributes } of sources) {
    for (const [name, value] of Object.entries(attributes)) {
      const own = values.get(name);
      if (own) own.push(value);
      else values.set(name, [value]);
    }
  }
  return Object.fromEntries(
    [...values]
      .map(([name, own]): [string, AttributeType] => [name, guessType(own, name)])
      .filter(([, type]) => type !== 'text'),
  );
}

/**
 * Whether the dates among some values say which number is the day: `dmy` or `mdy` where a number above 12 shows it, `open`
 * where every one could be read both ways, `clear` where none could.
 */
export function dateOrderOf(values: readonly string[]): DateOrder | 'open' | 'clear' {
  let ambiguous = false;
  for (const value of values) {
    const match = /^\s*(\d{1,2})[-/.](\d{1,2})[-/.]\d{2,4}/.exec(value);
    if (!match) continue;
    const [a, b] = [Number(match[1]), Number(match[2])];
    if (a > 12 && b <= 12) return 'dmy';
    if (b > 12 && a <= 12) return 'mdy';
    if (a !== b) ambiguous = true;
  }
  return ambiguous ? 'open' : 'clear';
}
