import { inkNumber, ON_PAPER, type Palette } from '@green-thicket/core/map/palette';
import { COLOURS, coloursOn, variableOf } from '../theme.ts';

const DAY = coloursOn('light');

/** The colours of drawings and of what has its colour from its figures, by name: the page gives each a colour by day and by night. */
export const DRAWN = Object.fromEntries(
  Object.keys(COLOURS).map((name) => [name, `var(${variableOf(name)})`]),
) as Readonly<Record<keyof typeof COLOURS, string>>;

/** The ink of a theme. */
export const inkOf = (letter: string): string => `var(--ink-${inkNumber(letter)})`;

/** A colour mixed with the page's ground: share 1 is the colour itself. */
export const tint = (colour: string, share: number): string =>
  `color-mix(in srgb, ${colour} ${Math.round(1000 * share) / 10}%, ${DRAWN.paper})`;

/** The map's colours on the page. */
export const ON_PAGE: Palette = { paper: DRAWN.paper, neutral: DRAWN.quiet, inkOf, tint };

const VALUES: ReadonlyMap<string, string> = new Map([
  ...Object.entries(DAY.colours).map(([name, colour]): [string, string] => [
    DRAWN[name as keyof typeof DRAWN],
    colour,
  ]),
  ...DAY.inks.map((ink, i): [string, string] => [`var(--ink-${i})`, ink]),
]);

/** A drawing taken off the page as it is printed and saved: on paper, its colours written out, whatever the page lies on. */
export function onPaper(svg: string): string {
  return svg
    .replace(/var\(--[\w-]+\)/g, (name) => VALUES.get(name) ?? name)
    .replace(
      /color-mix\(in srgb, (#[0-9a-f]{6}) ([\d.]+)%, #[0-9a-f]{6}\)/gi,
      (_, colour: string, share: string) => ON_PAPER.tint(colour, Number(share) / 100),
    );
}
