/** The language that the interface and everything it writes is in; the texts may be in any. */
const LANGUAGE = 'en-GB';
const FIGURES = new Intl.NumberFormat(LANGUAGE);
const LISTS = new Intl.ListFormat(LANGUAGE, { type: 'conjunction' });

/**
 * A number with commas at its thousands.
 *
 * @example inFigures(12345) // '12,345'
 */
export const inFigures = (count: number): string => FIGURES.format(count);

/**
 * A count with its noun.
 *
 * @example counted(1200, 'source') // '1,200 sources'
 */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${inFigures(count)} ${count === 1 ? one : many}`;
}

/**
 * How many sources, and how many people where some have several.
 *
 * @example sourcesOf({ sources: 12, persons: 4 }) // '12 sources of 4 people'
 */
export const sourcesOf = ({
  sources,
  persons,
}: {
  readonly sources: number;
  readonly persons: number;
}): string =>
  `${counted(sources, 'source')}${persons < sources ? ` of ${counted(persons, 'person', 'people')}` : ''}`;

/**
 * A share in per cent.
 *
 * @param share - from 0 to 1
 * @param digits - behind the point
 * @example percent(0.256) // '26 %'
 */
export const percent = (share: number, digits = 0): string => `${(100 * share).toFixed(digits)} %`;

/** A difference of shares in percentage points. @example pointsText(0.076) // '7.6 points' */
export const pointsText = (difference: number): string =>
  `${(100 * difference).toFixed(Math.abs(difference) < 0.1 ? 1 : 0)} points`;

/**
 * Words as a list.
 *
 * @example listed(['a', 'b', 'c']) // 'a, b and c'
 */
export const listed = (words: readonly string[]): string => LISTS.format(words);

/** Ways of saying when: as short as a row has room for, with the month's name, the day alone, the hour alone, to the second. */
const MOMENTS = {
  short: { dateStyle: 'short', timeStyle: 'short' },
  medium: { dateStyle: 'medium', timeStyle: 'short' },
  day: { day: 'numeric', month: 'short' },
  hour: { hour: '2-digit', minute: '2-digit' },
  exact: { dateStyle: 'short', timeStyle: 'medium' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;

/**
 * A moment as it is read, in the reader's own time zone.
 *
 * @param time - milliseconds, or a moment as ISO 8601 writes it
 * @example momentText('2031-05-04T10:05:00', 'medium') // '4 May 2031, 10:05'
 */
export const momentText = (time: string | number, as: keyof typeof MOMENTS): string =>
  new Intl.DateTimeFormat(LANGUAGE, MOMENTS[as]).format(new Date(time));

/**
 * A weight as it is read: whole numbers whole, others to two digits that tell.
 *
 * @example weightText(0.1234) // '0.12'
 */
export const weightText = (weight: number): string =>
  Number.isInteger(weight) ? inFigures(weight) : weight >= 10 ? weight.toFixed(1) : weight.toPrecision(2);
