import type { OverTime } from '../../compare/time.ts';
import type { Comparison } from '../../compare/strength.ts';
import type { Period } from '../../base/periods.ts';
import type { Group, Within } from '../../study/within.ts';

/** What the rows of a comparison are: themes; the concepts of one, or the most mentioned of all; some concepts; links. */
export type RowsAsked =
  | { readonly kind: 'themes' }
  | { readonly kind: 'concepts'; readonly letter: string }
  | { readonly kind: 'keys'; readonly keys: readonly string[] }
  | { readonly kind: 'links' };

/** A row: a theme by its letter, a concept by its key, a link by two. */
export interface ComparedRow {
  /** Of a theme its letter; of others the letter of the theme they are in, or empty. */
  readonly letter: string;
  readonly label: string;
  /** Empty for a theme. */
  readonly keys: readonly string[];
}

export interface CompareView {
  readonly attribute: string | undefined;
  readonly rows: readonly ComparedRow[];
  readonly comparison: Comparison;
  /** The sources of each group, to ask for its passages. */
  readonly within: readonly Within[];
  /** Sources that are in no group, with the stretches they have. */
  readonly without: { readonly sources: number; readonly windows: number };
  readonly leftOut: readonly Group[];
}

export interface OverTimeQuestion {
  readonly rows: RowsAsked;
  /** The attribute that holds dates. */
  readonly dates: string;
  /** A period that is looked into, such as 2031 or 2031-05; empty for all. */
  readonly span: string;
  /** How long the periods are; null for what suits the span. */
  readonly period: Period | null;
  /** Whether the groups compared are lines of their own; else one line of all. */
  readonly byGroup: boolean;
}

export interface OverTimeView extends OverTime {
  readonly rows: readonly ComparedRow[];
  /** Of each line, the sources it is of; undefined for all. */
  readonly within: readonly (Within | undefined)[];
  /** The span’s first and last day, where there is any date. */
  readonly from: string;
  readonly to: string;
  /** How exactly its dates are given: no period is shorter. */
  readonly grain: Period;
}

/** One thing that two sides say unlike often. */
export interface ApartRow extends ComparedRow {
  /** Log-odds ratio with its 95 % interval; above 0 the first side says more. */
  readonly logOdds: number;
  readonly low: number;
  readonly high: number;
  readonly z: number;
  /** Its chance where nothing sets the sides apart, adjusted for all rows that were looked at. */
  readonly q: number;
  /** Mentions, or stretches with the link, on the first side and the second. */
  readonly here: number;
  readonly there: number;
}

export interface ApartQuestion {
  /** Groups by name, of those compared; the second is the rest where it is null. */
  readonly group: string;
  readonly against: string | null;
  readonly of: 'concepts' | 'links';
  /** Concepts of this theme alone; of all where it is empty. */
  readonly letter: string;
  readonly limit: number;
}

export interface ApartView {
  /** Rows that were looked at, and those of them that differ beyond chance (q < 0.05). */
  readonly looked: number;
  readonly beyond: number;
  /** By falling distance from 0 on either side, so many of each. */
  readonly rows: readonly ApartRow[];
  readonly within: Within | undefined;
  readonly against: Within | undefined;
  readonly sources: readonly [number, number];
}

/** Where in their sources people speak to the rows. */
export interface CourseView {
  readonly rows: readonly ComparedRow[];
  /** Of each tenth of the sources, the strengths of all rows in each group. */
  readonly tenths: readonly Comparison['groups'][];
  readonly within: readonly Within[];
}

export interface ProfilesView {
  readonly rows: readonly ComparedRow[];
  readonly sourceIds: readonly string[];
  /** Group of each source, by number; −1 for none. */
  readonly groupOf: readonly number[];
  readonly groups: readonly string[];
  /** sources × rows, groups × rows, and each source’s distance (`profilesOf`). */
  readonly mixture: Float64Array;
  readonly ofGroups: Float64Array;
  readonly distance: Float64Array;
}

/** A stretch picked as typical. */
export interface TypicalPassage {
  readonly sourceId: string;
  readonly paragraph: number;
  readonly start: number;
  readonly end: number;
  readonly text: string;
  readonly marks: readonly {
    readonly start: number;
    readonly end: number;
    readonly key: string;
    readonly letter: string;
  }[];
}

export interface TypicalView {
  /** One for each group compared; or one of all sources. */
  readonly groups: readonly { readonly group: string; readonly passages: readonly TypicalPassage[] }[];
}

/** How passages sound by one list, theme by theme. */
export interface ToneView {
  readonly lists: readonly { readonly name: string; readonly words: number; readonly own: boolean }[];
  /** What the list tells apart. */
  readonly aspects: readonly string[];
  /** All stretches first (empty letter), then those that speak to each theme; of each, the aspects as rows. */
  readonly themes: readonly {
    readonly letter: string;
    readonly label: string;
    readonly comparison: Comparison;
    /** Of the other lists that tell good from bad: the share of its stretches on which each says the opposite. */
    readonly opposed: readonly { readonly list: string; readonly share: number }[];
  }[];
  readonly within: readonly Within[];
}

export interface ToneWordsView {
  /** The words an aspect stands on, most first, with the sum of their weights. */
  readonly words: readonly { readonly entry: string; readonly times: number; readonly weight: number }[];
}
