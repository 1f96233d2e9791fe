import { theme, type ThemeConfig } from 'antd';
import { INKS, MOSS, NEUTRAL_INK, PAPER, RUST } from '@green-thicket/core/map/palette';

/** Every colour of the page by what it is for, by day. The style sheets have each as a variable: barOut is --bar-out. */
export const COLOURS = {
  paper: PAPER,
  /** What lies on the paper: lists, dialogs. */
  sheet: '#fffefb',
  moss: MOSS,
  /** The title bar. */
  mossGround: MOSS,
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
  /** Words on a ground of moss, rust or a theme’s ink. */
  onInk: '#fff',
  /** What is typed into, in a table. */
  field: '#fff',
  shade: '#23402f',
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

/** What the page lies on: paper, or the night. */
export type Ground = 'light' | 'dark';

type Colours = Readonly<Record<keyof typeof COLOURS, string>>;

/** The same by night: the hues of day at the lightness of the other side. */
const COLOURS_AT_NIGHT: Colours = {
  paper: '#161a17',
  sheet: '#1d221e',
  moss: '#a6c9b1',
  mossGround: '#20352a',
  mossDeep: '#15241c',
  mossEdge: '#4d6a58',
  mossRule: '#6d8577',
  mossFaint: '#9fb3a5',
  mossQuiet: '#c9d6cc',
  mossLeaf: '#cfe3c4',
  mossAsks: '#ffd9c4',
  rust: '#e0855a',
  rustInk: '#f0a47f',
  rustVeil: '#e0855a26',
  ink: '#e6e8e0',
  quiet: '#b0b7ab',
  faint: '#aeb5a8',
  faintDrawn: '#858c80',
  white: '#fff',
  onInk: '#15190f',
  field: '#141815',
  shade: '#000',
  rule: '#353c36',
  edge: '#565f57',
  band: '#242a25',
  aside: '#202621',
  picked: '#43301f',
  pickedPale: '#33281f',
  bar: '#6f8c78',
  barOut: '#454d46',
  barChart: '#59625a',
  lineChart: '#949c8b',
  path: '#5d7a62',
  taken: '#e3b083',
  takenPale: '#40301f',
  cut: '#2b312c',
  cutLine: '#7b8277',
  folded: '#83907f',
  put: '#2b3f2d',
  success: '#86c795',
  warning: '#e3bb62',
  error: '#f29485',
  errorPale: '#3d241e',
  chosen: '#2b382e',
  chosenPointed: '#36463a',
};

/** The themes’ inks by night, in the order of those on paper. */
const INKS_AT_NIGHT = [
  '#8ccb9b',
  '#e0ac7d',
  '#98b9ea',
  '#d4bf66',
  '#e0a3c4',
  '#80cad1',
  '#c6bcaf',
  '#eda3a3',
  '#b6c67d',
  '#bfb0f2',
  '#84cfb5',
  '#d9a8d6',
] as const;

/** The colours on a ground, and the inks of the themes. */
export const coloursOn = (ground: Ground): { readonly colours: Colours; readonly inks: readonly string[] } =>
  ground === 'dark' ? { colours: COLOURS_AT_NIGHT, inks: INKS_AT_NIGHT } : { colours: COLOURS, inks: INKS };

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

/** A colour as style sheets and drawings on the page name it. */
export const variableOf = (name: string): string => `--${kebab(name)}`;

/** Hands the theme to the style sheets. */
export function giveTheme(style: CSSStyleDeclaration, ground: Ground): void {
  const { colours, inks } = coloursOn(ground);
  for (const [name, colour] of Object.entries(colours)) style.setProperty(variableOf(name), colour);
  inks.forEach((ink, i) => style.setProperty(`--ink-${i}`, ink));
  for (const [name, font] of Object.entries(FONTS)) style.setProperty(`--${name}`, font);
  for (const [name, size] of Object.entries(TYPE)) style.setProperty(`--type-${name}`, `${size}px`);
  for (const [name, space] of Object.entries(SPACES)) style.setProperty(`--${name}`, `${space}px`);
  style.setProperty('--strong', String(STRONG));
  style.setProperty('color-scheme', ground);
}

/** Ant Design in our colours and type. */
export function antTheme(ground: Ground): ThemeConfig {
  const { colours } = coloursOn(ground);
  return {
    algorithm: ground === 'dark' ? theme.darkAlgorithm : theme.defaultAlgorithm,
    token: {
      colorPrimary: colours.moss,
      colorLink: colours.rustInk,
      colorInfo: colours.moss,
      colorSuccess: colours.success,
      colorWarning: colours.warning,
      colorError: colours.error,
      colorText: colours.ink,
      colorTextSecondary: colours.quiet,
      colorTextPlaceholder: colours.faint,
      colorBgBase: colours.sheet,
      colorBgLayout: colours.paper,
      colorBorder: colours.edge,
      colorBorderSecondary: colours.rule,
      controlItemBgActive: colours.chosen,
      controlItemBgActiveHover: colours.chosenPointed,
      fontFamily: FONTS.sans,
      fontSize: TYPE.body,
      fontWeightStrong: STRONG,
      borderRadius: 5,
      wireframe: false,
    },
    components: {
      // Ghosts stand in the title bar, which is moss by day and by night.
      Button: {
        primaryColor: colours.onInk,
        defaultGhostColor: colours.white,
        defaultGhostBorderColor: colours.mossQuiet,
      },
      Table: { headerBg: colours.band, cellPaddingBlockSM: 4, headerColor: colours.quiet },
      Popover: { titleMinWidth: 120 },
    },
  };
}
