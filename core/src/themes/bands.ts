/** How steady a theme or a member of one is, in four bands. */
export type Band = 'nearly always' | 'mostly' | 'now and then' | 'seldom';
type Bounds = readonly (readonly [from: number, band: Band])[];

/**
 * Bounds of the bands of themes, by the share of draws in which one comes back. Found by fresh halves of real and planted
 * collections (docs/method/themes.md): of those said to come back nearly always 99 % did, mostly 86 %, now and then 42 %, seldom 30 %.
 */
const OF_THEMES: Bounds = [
  [0.95, 'nearly always'],
  [0.7, 'mostly'],
  [0.4, 'now and then'],
];
/** The same of members, by the mean share of the others of their theme they are with: 98, 76, 53 and 40 % were in fresh halves. */
const OF_MEMBERS: Bounds = [
  [0.6, 'nearly always'],
  [0.5, 'mostly'],
  [0.3, 'now and then'],
];
/** Of so many of a hundred themes said to come back so a fresh half of the sources showed it too. */
export const FOUND_IN_FRESH: Readonly<Record<Band, number>> = {
  'nearly always': 99,
  mostly: 86,
  'now and then': 42,
  seldom: 30,
};

/** Whether one band says less than another. */
export const isLess = (band: Band, than: Band): boolean => FOUND_IN_FRESH[band] < FOUND_IN_FRESH[than];

const bandIn = (bounds: Bounds, share: number): Band =>
  bounds.find(([from]) => share >= from - 1e-9)?.[1] ?? 'seldom';

/** The band of a theme by the share of draws in which it comes back. */
export const bandOf = (comesBack: number): Band => bandIn(OF_THEMES, comesBack);

/** The band of a member by the mean share of its theme's other members it is with. */
export const bandOfMember = (together: number): Band => bandIn(OF_MEMBERS, together);

/**
 * A concept in so large a share of all stretches keeps nearly everybody's company, so that it says little of any theme: of
 * the sample's and of two million words of prose the commonest concept of a theme is in 16 % and in 4 %.
 */
export const EVERYWHERE = 1 / 3;
