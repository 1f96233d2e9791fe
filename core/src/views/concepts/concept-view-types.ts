import type { CandidateRow } from '../../concepts/candidate-rows.ts';
import type { KindOfName } from '../../concepts/name-kinds.ts';
import type { KindOfWord } from '../../concepts/word-kinds.ts';
import type { LanguageCode } from '../../languages/language-names.ts';
import type { Meaning } from '../../languages/en/meanings.ts';
import type { PlainCounts } from '../../text/plain-counts.ts';

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

/** In how many halves of the sources, drawn again and again, each candidate is chosen, by key; those in none are left out. */
export interface ChosenAgainView {
  /** 0 where there are no halves to draw. */
  readonly draws: number;
  readonly of: Readonly<Record<string, number>>;
}

/** How distinctive each candidate is of a group, by key. */
export interface DistinctView {
  readonly of: Readonly<
    Record<string, { readonly z: number; readonly here: number; readonly elsewhere: number }>
  >;
}

/** What a concept can mean; none where a dictionary does not know it, or none is at hand for the language. */
export interface MeaningView {
  readonly isKnown: boolean;
  readonly meanings: readonly (Omit<Meaning, 'synonyms'> & {
    /** Mentions in the texts; 0 where it does not occur as a candidate. */
    readonly synonyms: readonly { readonly word: string; readonly mentions: number }[];
  })[];
}

export interface WordKindsView {
  /** By falling mentions; stop words are none of them. */
  readonly rows: readonly KindOfWord[];
}

/** A name of the study with what it is of. */
export interface NameKindRow extends KindOfName {
  readonly name: string;
}

export interface NameKindsView {
  /** By falling mentions, then by name. */
  readonly rows: readonly NameKindRow[];
}

/** The languages a study is read in. */
export interface LanguagesReadView {
  /** Those whose words are read by what is known of them, the main one first. */
  readonly read: readonly LanguageCode[];
  /** Those, then the languages of a few passages, of which only the small words are known. */
  readonly all: readonly LanguageCode[];
  /** Words in each of `all`. */
  readonly words: readonly number[];
  /** Concepts that are written alike in several of the languages, and so are one. */
  readonly alike: readonly string[];
}
