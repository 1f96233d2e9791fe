import type { ThemeConfig } from 'antd';
import { MOSS, NEUTRAL_INK, PAPER, RUST } from '@green-thicket/core/map/palette';

/** Every colour of the page by what it is for. The style sheets have each as a variable: bandEdge is --band-edge. */
export const COLOURS = {
  paper: PAPER,
  /** What lies on the paper: lists, dialogs. */
  sheet: '#fffefb',
  moss: MOSS,
  /** Moss with light taken out: a field in the title bar. */
  mossDeep: '#1b3325',
  /** Lines and quiet words on moss. */
  mossEdge: '#4d6a58',
  mossRule: '#6d8577',
  mossFaint: '#9fb3a5',
  mossQuiet: '#c9d6cc',
  mossLeaf: '#cfe3c4',
  mossAsks: '#ffd9c4',
  rust: RUST,
  rustInk: '#8f3f1d',
  rustVeil: '#b5532b14',
  ink: '#26302a',
  quiet: NEUTRAL_INK,
  /** Words that are out of use. */
  faint: '#6d7268',
  faintDrawn: '#8b8f84',
  white: '#fff',
  rule: '#e2dfd2',
  edge: '#b9b7a8',
  /** Head lines of lists and the trail. */
  band: '#f3f1e6',
  aside: '#f5f3ea',
  /** What is picked or pointed at. */
  picked: '#f7e9df',
  pickedPale: '#fdf5ee',
  bar: '#7d9483',
  barOut: '#d5d2c2',
  barChart: '#cfc9b4',
  lineChart: '#8a8f7a',
  path: '#a9bfa6',
  /** What cleaning takes out, changes, puts in. */
  taken: '#7a4419',
  takenPale: '#f3e2d6',
  cut: '#eceadf',
  cutLine: '#a7a08c',
  folded: '#9aa593',
  put: '#dfe9d8',
  success: '#2f5d3a',
  warning: '#8a5a00',
  error: '#9b2c1f',
  errorPale: '#fbeee6',
  /** What is chosen in a list: worked out from moss it would be too dark to read on. */
  chosen: '#e9ede2',
  chosenPointed: '#dde5d6',
} as const;

export const FONTS = {
  serif: "'Literata Variable', Literata, Georgia, serif",
  sans: "'Figtree Variable', Figtree, 'Helvetica Neue', Arial, sans-serif",
} as const;

/** Sizes of type, in pixels. Few: a browser sets up each anew, at a millisecond or two. */
export const TYPE = { tiny: 11, small: 12.5, list: 13, body: 14, text: 15, lead: 20, title: 34 } as const;

/** Distances, in pixels. */
export const SPACES = { hair: 2, near: 4, line: 6, part: 8, block: 12, side: 18 } as const;

/** How bold what stands out is. */
export const STRONG = 650;

const kebab = (name: string): string => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

/** Hands the theme to the style sheets. */
export function giveTheme(style: CSSStyleDeclaration): void {
  for (const [name, colour] of Object.entries(COLOURS)) style.setProperty(`--${kebab(name)}`, colour);
  for (const [name, font] of Object.entries(FONTS)) style.setProperty(`--${name}`, font);
  for (const [name, size] of Object.entries(TYPE)) style.setProperty(`--type-${name}`, `${size}px`);
  for (const [name, space] of Object.entries(SPACES)) style.setProperty(`--${name}`, `${space}px`);
  style.setProperty('--strong', String(STRONG));
}

/** Ant Design in our colours and type. */
export const antTheme: ThemeConfig = {
  token: {
    colorPrimary: COLOURS.moss,
    colorLink: COLOURS.rustInk,
    colorInfo: COLOURS.moss,
    colorSuccess: COLOURS.success,
    colorWarning: COLOURS.warning,
    colorError: COLOURS.error,
    colorText: COLOURS.ink,
    colorTextSecondary: COLOURS.quiet,
    colorTextPlaceholder: COLOURS.faint,
    colorBgBase: COLOURS.sheet,
    colorBgLayout: COLOURS.paper,
    colorBorder: COLOURS.edge,
    colorBorderSecondary: COLOURS.rule,
    controlItemBgActive: COLOURS.chosen,
    controlItemBgActiveHover: COLOURS.chosenPointed,
    fontFamily: FONTS.sans,
    fontSize: TYPE.body,
    fontWeightStrong: STRONG,
    borderRadius: 5,
    wireframe: false,
  },
  components: {
    Table: { headerBg: COLOURS.band, cellPaddingBlockSM: 4, headerColor: COLOURS.quiet },
    Popover: { titleMinWidth: 120 },
  },
};
