import type { ApartQuestion, OverTimeQuestion, RowsAsked } from '../compare/compare-view-types.ts';
import type { Group, Selection } from '../reading/reading-view-types.ts';

/** What can be kept in the Notebook and stand in a report: a picture or a table with all that makes it again. */
export type FigureQuestion =
  | { readonly kind: 'sources' }
  | { readonly kind: 'concepts' }
  | { readonly kind: 'links' }
  | { readonly kind: 'themes' }
  | { readonly kind: 'map' }
  | { readonly kind: 'company'; readonly key: string }
  | { readonly kind: 'strength'; readonly rows: RowsAsked }
  | { readonly kind: 'time'; readonly asked: OverTimeQuestion }
  | { readonly kind: 'apart'; readonly asked: ApartQuestion }
  | { readonly kind: 'tone'; readonly list: string }
  | { readonly kind: 'concordance'; readonly selection: Selection; readonly group: Group | null }
  | { readonly kind: 'dispersion'; readonly selection: Selection };

export type { Figure } from '../../study/notebook.ts';

/** Every kind of figure: one that is missing here, or here and nowhere else, does not compile. */
const KINDS: { readonly [K in FigureQuestion['kind']]: true } = {
  sources: true,
  concepts: true,
  links: true,
  themes: true,
  map: true,
  company: true,
  strength: true,
  time: true,
  apart: true,
  tone: true,
  concordance: true,
  dispersion: true,
};

/** What a kept view asks, where this program knows it; undefined for one of a newer program. */
export const figureQuestionOf = (asked: { readonly kind: string }): FigureQuestion | undefined =>
  Object.hasOwn(KINDS, asked.kind) ? (asked as FigureQuestion) : undefined;
