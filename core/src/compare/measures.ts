/** What a strength is the share of. */
export const STRENGTH_MEASURES = {
  windows: {
    name: 'stretches',
    help: 'The share of a group’s stretches of text that speak to it: how much room it takes.',
  },
  mentions: {
    name: 'mentions',
    help: 'The share of all mentions of concepts that are mentions of its own: how many words it takes.',
  },
  sources: {
    name: 'sources',
    help: 'The share of a group’s sources that speak to it anywhere: how many people raise it.',
  },
} as const;

export type StrengthMeasure = keyof typeof STRENGTH_MEASURES;
export const STRENGTH_MEASURE_NAMES = Object.keys(STRENGTH_MEASURES) as readonly StrengthMeasure[];
