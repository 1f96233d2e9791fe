/** How steady a theme is, in four bands. */
export type Band = 'nearly always' | 'mostly' | 'now and then' | 'seldom';

/** Bounds of the bands, by mean overlap: from 0.85 on highly stable, under 0.6 doubtful (Hennig 2007). */
const BANDS: readonly (readonly [from: number, band: Band])[] = [
  [0.85, 'nearly always'],
  [0.7, 'mostly'],
  [0.5, 'now and then'],
];

export const bandOf = (overlap: number): Band => BANDS.find(([from]) => overlap >= from)?.[1] ?? 'seldom';

/**
 * A concept in so large a share of all stretches keeps nearly everybody's company, so that it says little of any theme: of
 * the sample's and of two million words of prose the commonest concept of a theme is in 16 % and in 4 %.
 */
export const EVERYWHERE = 1 / 3;
