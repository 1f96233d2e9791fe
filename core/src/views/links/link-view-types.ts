import type { Measured } from '../../network/links.ts';

export interface LinkRow extends Measured {
  readonly source: string;
  readonly target: string;
  readonly sourceLabel: string;
  readonly targetLabel: string;
  readonly both: number;
  /** By the measure chosen. */
  readonly strength: number;
  /** Whether the sparser view keeps it (`backbone`). */
  readonly inBackbone: boolean;
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

/** Sentences that many sources repeat: how many, in how many places; the commonest, and the sources it is in. */
export interface RepeatedSentencesView {
  readonly count: number;
  readonly places: number;
  readonly sources: number;
  readonly example: string;
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
  /** The pairs that stand whenever their strength is above the cut-off: concepts by their number among `labels`. */
  readonly standable: {
    readonly strength: readonly number[];
    readonly source: readonly number[];
    readonly target: readonly number[];
  };
  readonly labels: readonly string[];
  /**
   * Where nothing can be told from chance: the pairs that come nearest to it, of those that meet oftener than expected, least
   * chance first.
   */
  readonly nearest: readonly LinkRow[];
}

/** The company of one concept: how large a share of its windows each other one is in. */
export interface CompanyView {
  readonly label: string;
  /** Windows with it, and sources. */
  readonly windows: number;
  readonly sources: number;
  readonly rows: readonly (Measured & {
    readonly key: string;
    readonly label: string;
    readonly letter: string;
    readonly both: number;
    readonly meetings: number;
    readonly sources: number;
    /** Share of its windows that hold the other too, with a 95 % interval that goes by how the sources differ. */
    readonly share: number;
    readonly low: number;
    readonly high: number;
    /** The share that chance would make. */
    readonly expected: number;
    /** Chance of what it is beyond chance by, as in `LinkRow`. */
    readonly q: number;
    readonly beyond: LinkRow['beyond'];
    readonly stands: boolean;
  })[];
}

export interface PathView {
  /** From the first concept to the last; empty where nothing leads there. */
  readonly steps: readonly { readonly key: string; readonly label: string }[];
  /** Concept key → links from the first concept; those that none leads to are not named. */
  readonly away: Readonly<Record<string, number>>;
}

/** What two concepts share and what each has alone, by the links that stand. */
export interface TwoConceptsView {
  readonly labels: readonly [string, string];
  /** Windows with each, and with both. */
  readonly windows: readonly [number, number];
  readonly both: number;
  readonly shared: readonly TwoConceptsRow[];
  readonly alone: readonly [readonly TwoConceptsRow[], readonly TwoConceptsRow[]];
}

export interface TwoConceptsRow {
  readonly key: string;
  readonly label: string;
  readonly letter: string;
  /** Strength of the link to each of the two; 0 where none stands. */
  readonly strengths: readonly [number, number];
}

/** How many windows there are, and one of them in its text: the first of those with most concepts. */
export interface WindowExampleView {
  readonly windows: number;
  readonly example?: {
    readonly sourceId: string;
    readonly start: number;
    readonly before: string;
    readonly text: string;
    readonly after: string;
    readonly words: number;
    readonly concepts: readonly string[];
  };
}

/** Every pair of concepts, in the order of the themes. */
export interface LinkMatrixView {
  readonly keys: readonly string[];
  readonly labels: readonly string[];
  /** Letter of each concept’s theme; empty for loose ones, which stand last. */
  readonly letters: readonly string[];
  /** Strength by the measure chosen, concepts × concepts, row by row; NaN where two share no window. */
  readonly strength: Float64Array;
  /** Windows with both. */
  readonly both: Int32Array;
  /** 1 where the link stands. */
  readonly stands: Uint8Array;
}

export interface LinksOnTrail {
  readonly links: number;
  readonly windows: number;
}
