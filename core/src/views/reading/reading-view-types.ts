import type { OpenFork } from '../../reading/branches.ts';
import type { Group, Within } from '../../study/within.ts';

export type { Group, Within };

/** What is selected, and so what the Reader shows. */
export type Selection = PlainSelection | FollowingSelection;

/** A selection’s mentions that some words follow, or precede. */
export interface FollowingSelection {
  readonly kind: 'following';
  readonly of: PlainSelection;
  readonly direction: 'after' | 'before';
  /** From the mention outwards, small letters. */
  readonly words: readonly string[];
}

export type PlainSelection =
  | { readonly kind: 'concept'; readonly key: string }
  | { readonly kind: 'link'; readonly keys: readonly [string, string] }
  /** Several concepts: windows with all, windows with any, or places where all are near each other. */
  | { readonly kind: 'several'; readonly keys: readonly string[]; readonly how: SeveralHow }
  | { readonly kind: 'theme'; readonly letter: string }
  /** Stretches that speak to a theme or hold all of some concepts, in one tenth of their sources or by how they sound. */
  | {
      readonly kind: 'stretches';
      /** A theme’s letter; empty for all stretches, or where there are keys. */
      readonly letter: string;
      readonly keys: readonly string[];
      /** A second theme they speak to as well. */
      readonly also?: string;
      /** From 0. */
      readonly tenth?: number;
      readonly tone?: ToneAsked;
    }
  /** The passages that no theme reaches. */
  | { readonly kind: 'missed' }
  /** What was typed into the search. */
  | { readonly kind: 'search'; readonly query: string }
  | {
      readonly kind: 'cell';
      readonly letter: string;
      readonly attribute: string;
      readonly group: string;
    };

/** How passages sound: an aspect of a list. */
export interface ToneAsked {
  readonly list: string;
  readonly aspect: string;
}

export const SEVERAL_HOWS = ['all', 'any', 'near'] as const;
export type SeveralHow = (typeof SEVERAL_HOWS)[number];

export const PASSAGE_ORDERS = ['text', 'marks'] as const;
/** As they stand, or those with the most different concepts and mentions first. */
export type PassageOrder = (typeof PASSAGE_ORDERS)[number];

/** What passages are asked for. */
export interface PassagesQuestion {
  readonly selection: Selection;
  /** All sources where it is left out. */
  readonly within?: Within;
  /** By marks for a theme, else as they stand, where it is left out. */
  readonly order?: PassageOrder;
}

export interface PassageRow {
  readonly sourceId: string;
  readonly paragraph: number;
  readonly start: number;
  readonly end: number;
  readonly text: string;
  readonly marks: readonly MarkRow[];
  readonly windows: number;
  readonly shortened: boolean;
}

export interface MarkRow {
  readonly start: number;
  readonly end: number;
  readonly key: string;
  readonly letter: string;
}

export interface PassagesView {
  readonly title: string;
  /** What is counted: windows, or places of words that were searched for or are no chosen concept. */
  readonly unit: 'window' | 'stretch' | 'place';
  /** Why the search can't be done. */
  readonly fault?: string;
  readonly windows: number;
  /** Mentions of what is asked for in the sources asked of. */
  readonly mentions: number;
  readonly total: number;
  readonly sources: number;
  readonly perSource: readonly number[];
  readonly rows: readonly PassageRow[];
}

export interface SourceView {
  /** The original, or the part of a long one around the place asked for. */
  readonly text: string;
  /** Character of the original at which `text` begins. */
  readonly start: number;
  /** Characters of the whole original. */
  readonly total: number;
  readonly marks: readonly MarkRow[];
}

/** A line of a concordance: a mention with what stands left and right of it, in the original words. */
export interface ConcordanceLine {
  readonly sourceId: string;
  readonly start: number;
  readonly end: number;
  readonly left: string;
  readonly hit: string;
  readonly right: string;
}

export interface ConcordanceView {
  readonly title: string;
  readonly total: number;
  readonly lines: readonly ConcordanceLine[];
  /** Lines of each group, where the question names an attribute. */
  readonly fault?: string;
}

/** Where concepts occur: one row each, from the first word of the collection to the last. */
export interface DispersionView {
  readonly rows: readonly {
    readonly title: string;
    readonly letter: string;
    readonly total: number;
    /** Share of the collection's words before each mention, and the place to read it. */
    readonly places: readonly { readonly at: number; readonly sourceId: string; readonly start: number }[];
    /** Mentions of each source worked with. */
    readonly perSource: readonly number[];
  }[];
  /** Where each source begins, as a share of the collection's words. */
  readonly sourceStarts: readonly number[];
}

export interface BranchesView extends OpenFork {
  readonly title: string;
}
