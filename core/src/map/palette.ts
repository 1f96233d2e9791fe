import { indexOfLetter } from '../themes/letters.ts';

/** Inks of the themes, dark enough to be read on paper (contrast above 5 to 1). By the number of the letter. */
export const INKS = [
  '#2f5d3a',
  '#7a4419',
  '#2a4a75',
  '#66540f',
  '#6b2d4f',
  '#1f5c63',
  '#4e463c',
  '#7b2d2d',
  '#46541a',
  '#4b3a78',
  '#1d5a4a',
  '#6a3a68',
] as const;

export const PAPER = '#FBFAF4';
export const MOSS = '#23402F';
export const RUST = '#B5532B';
export const NEUTRAL_INK = '#5d6358';
/** The type of drawings, as an attribute has it. */
export const DRAWN_FONT = "'Figtree Variable',Figtree,'Helvetica Neue',Arial,sans-serif";

/** Which of the inks a theme has, by its letter. */
export const inkNumber = (letter: string): number => indexOfLetter(letter) % INKS.length;

export function inkOf(letter: string): string {
  return INKS[inkNumber(letter)];
}

/** A colour mixed with what it lies on: share 1 is the colour itself. */
export function tint(colour: string, share: number, paper: string = PAPER): string {
  const channel = (text: string, at: number): number => parseInt(text.slice(at, at + 2), 16);
  return (
    '#' +
    [1, 3, 5]
      .map((at) => Math.round(channel(paper, at) * (1 - share) + channel(colour, at) * share))
      .map((value) => value.toString(16).padStart(2, '0'))
      .join('')
  );
}

/** What a drawing takes its colours from: as they are, or as names the page gives colours to. */
export interface Palette {
  readonly paper: string;
  /** Words and lines of no theme. */
  readonly neutral: string;
  readonly inkOf: (letter: string) => string;
  /** A colour mixed with paper: share 1 is the colour itself. */
  readonly tint: (colour: string, share: number) => string;
}

/** On paper, as all is that is printed or saved. */
export const ON_PAPER: Palette = {
  paper: PAPER,
  neutral: NEUTRAL_INK,
  inkOf,
  tint: (colour, share) => tint(colour, share),
};

/** A hatch, so that colour is never alone: lines at an angle, in degrees, this far apart, in map units. */
export interface Hatch {
  readonly angle: number;
  readonly distance: number;
}

/** The hatch of a theme; two themes of one ink differ in it. */
export function hatchOf(letter: string): Hatch {
  const number = indexOfLetter(letter);
  return { angle: (number * 50) % 180, distance: 7 + 3 * (Math.floor(number / 4) % 3) };
}
