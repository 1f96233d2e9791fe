import { largest, least as leastOf } from '@green-thicket/core/base/extent';
import type { FigureName, GroupUse } from '@green-thicket/core/words/figure-sentences';
import { inFigures } from '@green-thicket/core/base/wording';
import type { CandidateRow } from '@green-thicket/core/concepts/candidate-rows';

/** A candidate with how a chosen group uses it. */
export interface FiguredRow extends CandidateRow {
  readonly use?: GroupUse;
  /** In how many halves of the sources it is chosen, and of how many; left out until that is known. */
  readonly again?: { readonly chosen: number; readonly draws: number };
}

/**
 * Whether a candidate is at the edge of what is chosen: a concept that fewer than half of the halves choose, or one left out that
 * half of them or more do.
 */
export const isAtEdge = ({ status, again }: FiguredRow): boolean =>
  again !== undefined &&
  again.draws > 0 &&
  (status === 'chosen'
    ? again.chosen < again.draws / 2
    : status === 'out' && again.chosen >= again.draws / 2);

interface FigureFace {
  readonly title: string;
  /** Words at the ends of an axis. */
  readonly low: string;
  readonly high: string;
  readonly hint: string;
  readonly of: (row: FiguredRow) => number;
  readonly show: (row: FiguredRow) => string;
  /** How places along an axis follow the figure, so that small ones are not all in one heap. */
  readonly scale: 'log' | 'root' | 'linear';
}

/** How each figure is named, shown and laid out. */
export const FIGURE_FACES: Readonly<Record<FigureName, FigureFace>> = {
  mentions: {
    title: 'Mentions',
    low: 'few mentions',
    high: 'more mentions →',
    hint: 'How often it is mentioned',
    of: (row) => row.mentions,
    show: (row) => inFigures(row.mentions),
    scale: 'log',
  },
  sources: {
    title: 'Sources',
    low: 'few sources',
    high: 'more sources →',
    hint: 'How many sources mention it',
    of: (row) => row.sources,
    show: (row) => inFigures(row.sources),
    scale: 'log',
  },
  windowShare: {
    title: 'Windows',
    low: 'few windows',
    high: 'more windows →',
    hint: 'Share of the windows that hold it',
    of: (row) => row.windowShare,
    show: (row) => `${(100 * row.windowShare).toFixed(1)} %`,
    scale: 'root',
  },
  spread: {
    title: 'Spread',
    low: 'in one place',
    high: 'evenly spread →',
    hint: 'How evenly the sources use it, 0 to 1 (1 − DP)',
    of: (row) => row.spread,
    show: (row) => row.spread.toFixed(2),
    scale: 'linear',
  },
  pull: {
    title: 'Pull',
    low: 'little pull',
    high: 'more pull →',
    hint: 'How selective it is in the company it keeps; 0 is no more than chance',
    of: (row) => row.pull,
    show: (row) => row.pull.toFixed(2),
    scale: 'root',
  },
  tfIdf: {
    title: 'tf-idf',
    low: 'low tf-idf',
    high: 'higher tf-idf →',
    hint: 'Mentions × ln(all sources ÷ sources with it)',
    of: (row) => row.tfIdf,
    show: (row) => row.tfIdf.toFixed(1),
    scale: 'root',
  },
  again: {
    title: 'Chosen again',
    low: 'in few halves',
    high: 'in more halves →',
    hint: 'In what share of halves of the sources, drawn again and again, it is chosen',
    of: (row) => (row.again && row.again.draws > 0 ? row.again.chosen / row.again.draws : 0),
    show: (row) =>
      row.again === undefined
        ? '…'
        : row.again.draws === 0
          ? '–'
          : `${Math.round((100 * row.again.chosen) / row.again.draws)} %`,
    scale: 'linear',
  },
  distinct: {
    title: 'Distinct',
    low: 'more of the rest',
    high: 'more of the group →',
    hint: 'How distinctive it is of the chosen group against the rest: z of the log-odds, beyond ±1.96 seldom by chance',
    of: (row) => row.use?.z ?? 0,
    show: (row) => (row.use ? row.use.z.toFixed(1) : '–'),
    scale: 'linear',
  },
};

/** A scale from figures to 0…1 and back. */
export interface Scale {
  readonly at: (value: number) => number;
  readonly value: (at: number) => number;
}

/** A scale over some values, by the figure's own way. */
export function scaleOf(figure: FigureName, values: readonly number[]): Scale {
  const { scale } = FIGURE_FACES[figure];
  const bend = scale === 'log' ? Math.log : scale === 'root' ? Math.sqrt : (value: number) => value;
  const straighten = scale === 'log' ? Math.exp : scale === 'root' ? (v: number) => v * v : (v: number) => v;
  const all = values.length > 0 ? values : [0, 1];
  // From the least there is: where no word has so little, ground would lie empty.
  const least = Math.max(leastOf(all), scale === 'log' ? 1 : scale === 'root' ? 0 : -Infinity);
  const most = Math.max(largest(all, scale === 'log' ? 2 : 1e-9), least);
  const low = bend(least);
  const span = bend(most) - low || 1;
  return {
    at: (value) => (bend(Math.max(value, least)) - low) / span,
    value: (at) => straighten(low + Math.max(0, Math.min(1, at)) * span),
  };
}
