import type { Meaning } from '../text/meanings.ts';
import type { Band } from '../themes/redraw.ts';
import type { Comparison } from '../compare/strength.ts';
import type { CandidateRow } from '../concepts/candidate-rows.ts';
import type { KindOfWord } from '../concepts/word-kinds.ts';
import type { MapScene } from '../map/scene.ts';
import type { PlainCounts } from '../text/plain-counts.ts';
import type { ResolutionPoint } from '../themes/resolution.ts';

export type * from './collection-view-types.ts';
export * from './reading-view-types.ts';

export const MATRIX_FIGURES = ['mentions', 'windowShare', 'tfIdf'] as const;
export type MatrixFigure = (typeof MATRIX_FIGURES)[number];

/** Sources by kept concepts. */
export interface MatrixView {
  readonly keys: readonly string[];
  readonly labels: readonly string[];
  readonly sourceIds: readonly string[];
  /** sources × concepts, row by row. */
  readonly values: Float64Array;
}

export interface PlainCountsRow extends PlainCounts {
  readonly name: string;
  readonly sources: number;
}

export interface ConceptsView {
  readonly rows: readonly CandidateRow[];
  readonly candidates: number;
  readonly chosen: number;
}

/** How distinctive each candidate is of a group, by key. */
export interface DistinctView {
  readonly of: Readonly<
    Record<string, { readonly z: number; readonly here: number; readonly elsewhere: number }>
  >;
}

/** What a concept can mean; none where a dictionary does not know it, or the language is not English. */
export interface MeaningView {
  readonly isEnglish: boolean;
  readonly meanings: readonly (Omit<Meaning, 'synonyms'> & {
    /** Mentions in the texts; 0 where it does not occur as a candidate. */
    readonly synonyms: readonly { readonly word: string; readonly mentions: number }[];
  })[];
}

export interface WordKindsView {
  /** By falling mentions; stop words are none of them. */
  readonly rows: readonly KindOfWord[];
}

export interface LinkRow {
  readonly source: string;
  readonly target: string;
  readonly sourceLabel: string;
  readonly targetLabel: string;
  readonly sourceTheme: string;
  readonly targetTheme: string;
  readonly both: number;
  readonly strength: number;
  readonly npmi: number;
  readonly g2: number;
  readonly p: number;
  readonly q: number;
  /** The chance that the same sources hold both, adjusted as q is. */
  readonly qBetween: number;
  /** Windows with both that do not overlap, and sources in which they meet. */
  readonly meetings: number;
  readonly sources: number;
  /** What it is beyond chance by: within sources, only by which sources hold both, or neither. */
  readonly beyond: 'within' | 'sources' | 'neither';
  readonly stands: boolean;
}

export interface LinksView {
  readonly rows: readonly LinkRow[];
  readonly standing: number;
  readonly pairs: number;
  readonly linkedConcepts: number;
  readonly concepts: number;
  readonly windows: number;
  /** Strength of every pair that shares enough windows, for the distribution. */
  readonly strengths: readonly number[];
}

export interface ThemeRow {
  readonly letter: string;
  readonly label: string;
  readonly share: number;
  readonly concepts: readonly {
    readonly key: string;
    readonly label: string;
    readonly mentions: number;
  }[];
}

export interface ThemesView {
  readonly themes: readonly ThemeRow[];
  readonly loose: readonly { readonly key: string; readonly label: string }[];
  readonly modularity: number;
  readonly resolution: number;
  readonly sweep: readonly ResolutionPoint[];
}

/** How much of the texts concepts and themes take in, and what they miss. */
export interface CoverageView {
  /** Share of the words that are part of a kept concept. */
  readonly words: number;
  /** Stretches, and those that speak to any theme. */
  readonly stretches: number;
  readonly reached: number;
  /** What is said where no theme reaches, oftener than elsewhere. */
  readonly missed: readonly {
    readonly key: string;
    readonly label: string;
    /** Mentions there, and in all. */
    readonly mentions: number;
    readonly all: number;
  }[];
}

/** How themes do when other sources had been heard (`redrawThemes`). */
export interface SteadinessView {
  readonly draws: number;
  readonly themes: readonly {
    readonly letter: string;
    readonly band: Band;
    /** Share of draws in which it comes back. */
    readonly comesBack: number;
    readonly overlap: number;
  }[];
  /** Concepts in a theme, with the share of their theme they are with on average. */
  readonly concepts: readonly { readonly key: string; readonly together: number }[];
}

export interface MapView {
  readonly scene: MapScene;
  readonly keys: readonly string[];
}

export interface CompareView {
  readonly attribute: string | undefined;
  readonly themes: readonly { readonly letter: string; readonly label: string }[];
  readonly comparison: Comparison;
}

/** The live figures of the trail. */
export interface Overview {
  readonly words: number;
  readonly concepts: number;
  readonly candidates: number;
  readonly links: number;
  readonly themes: number;
  /** Share of the stretches that speak to any theme. */
  readonly reached: number;
  readonly resolution: number;
  readonly modularity: number;
  readonly windows: number;
}
