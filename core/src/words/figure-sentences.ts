import { counted, inFigures, percent } from '../base/wording.ts';
import type { CandidateRow } from '../concepts/candidate-rows.ts';

/** The figures of a concept that can be shown, sorted by and laid out by. */
export const FIGURES = [
  'mentions',
  'sources',
  'windowShare',
  'spread',
  'pull',
  'tfIdf',
  'again',
  'distinct',
] as const;
export type FigureName = (typeof FIGURES)[number];

/** How a concept is used in a group and in the rest, with the name of the group. */
export interface GroupUse {
  readonly group: string;
  /** What it is set against: another group, or the rest. */
  readonly against: string;
  readonly z: number;
  readonly here: number;
  readonly elsewhere: number;
}

/** What figures are judged against. */
export interface FigureContext {
  /** Sources worked with. */
  readonly sources: number;
  /** Pull of the kept concept in the middle. */
  readonly middlePull: number;
  readonly use?: GroupUse;
  /** In how many halves of the sources it is chosen, and of how many; left out until that is known. */
  readonly again?: { readonly chosen: number; readonly draws: number };
}

/** Of concepts chosen in so large a share of halves nine in ten are chosen of fresh sources (docs/method/concepts.md). */
const SURELY_CHOSEN = 0.95;

/** A small share with a digit behind the point. */
const shareOf = (share: number): string => percent(share, share < 0.1 ? 1 : 0);

/** What a figure of a concept says, in one sentence with its own numbers. */
export function figureSentence(
  figure: FigureName,
  row: CandidateRow,
  { sources, middlePull, use, again }: FigureContext,
): string {
  switch (figure) {
    case 'mentions':
      return `It is mentioned ${counted(row.mentions, 'time')}${row.sources > 1 ? `, ${(row.mentions / row.sources).toFixed(1)} times in a source that mentions it` : ''}.`;
    case 'sources':
      return `${inFigures(row.sources)} of ${counted(sources, 'source')} mention it, ${shareOf(row.sources / Math.max(1, sources))}.`;
    case 'windowShare':
      return row.windowShare === 0
        ? 'No window holds it.'
        : `${shareOf(row.windowShare)} of the windows hold it, one in ${inFigures(Math.max(1, Math.round(1 / row.windowShare)))}.`;
    case 'spread':
      return `Spread ${row.spread.toFixed(2)} (1 − DP): ${shareOf(1 - row.spread)} of the unevenness there could be; at 1 every source would use it as much as its length would have it, at 0 one short source alone.`;
    case 'pull':
      return row.pull === 0
        ? 'Pull 0: the company it keeps is no more selective than chance would have it.'
        : `Pull ${row.pull.toFixed(2)}: the company it keeps departs this far from the usual (in nats, beyond chance); the kept concept in the middle has ${middlePull.toFixed(2)}.`;
    case 'tfIdf':
      return `tf-idf ${row.tfIdf.toFixed(1)}: ${counted(row.mentions, 'mention')} × ln(${sources} ÷ ${row.sources}); a word that every source mentions gets 0.`;
    case 'again':
      return again === undefined || again.draws === 0
        ? 'In how many halves of the sources it is chosen is not known.'
        : `Chosen in ${inFigures(again.chosen)} of ${counted(again.draws, 'half', 'halves')} of the sources${
            again.chosen >= SURELY_CHOSEN * again.draws
              ? ': other sources would very likely have shown it'
              : again.chosen >= again.draws / 2
                ? ''
                : ': whether it is a concept hangs on which sources there are'
          }.`;
    case 'distinct':
      return use === undefined
        ? 'Choose a group to see how distinctive it is of it.'
        : `z ${use.z.toFixed(1)}: ${use.group} mention it ${counted(use.here, 'time')}, ${use.against} ${counted(use.elsewhere, 'time')}, set against all their words; ${
            Math.abs(use.z) < 1.96
              ? 'chance alone would often do this'
              : `chance alone would seldom make ${use.z > 0 ? use.group : use.against} use it so much more`
          } (log-odds, Monroe et al. 2008).`;
  }
}

/** Where nothing could be drawn anew. */
export const STEADY_UNKNOWN = 'How steady the themes are over sources can’t be told of one source.';
