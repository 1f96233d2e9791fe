const FIGURES = new Intl.NumberFormat('en-GB');

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
export function listed(words: readonly string[]): string {
  return words.length < 2
    ? (words[0] ?? '')
    : `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}`;
}

/**
 * A weight as it is read: whole numbers whole, others to two digits that tell.
 *
 * @example weightText(0.1234) // '0.12'
 */
export const weightText = (weight: number): string =>
  Number.isInteger(weight) ? inFigures(weight) : weight >= 10 ? weight.toFixed(1) : weight.toPrecision(2);
