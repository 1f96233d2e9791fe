import type { Comparison } from '../compare/strength.ts';
import type { MapScene } from '../map/scene.ts';
import type { WordPair } from '../concepts/word-pairs.ts';
import type { PlainCounts } from '../text/plain-counts.ts';
import type { KindOfWord } from '../concepts/word-kinds.ts';
import type { Suggestion } from '../concepts/suggestions.ts';
import type { SynonymReport } from '../concepts/synonyms.ts';
import type { LineOrder } from '../reading/concordance.ts';
import type { SplitRule } from '../text/splitting.ts';
import type { RepeatedLine, TrimRule } from '../text/trimming.ts';
import type { ThemeIdentity } from '../themes/identity.ts';
import type { ResolutionPoint } from '../themes/resolution.ts';
import type { CandidateRow } from '../concepts/candidate-rows.ts';
import type {
  CleanedFileView,
  CleaningFiguresView,
  CleaningOrderView,
  CleaningStepsView,
  CleaningView,
  DuplicatesView,
  LanguagesView,
  RecipeReportView,
  RemainsView,
  SourcesView,
  SpeakerPartsView,
  SpeakersView,
  SplitView,
  TextDatesView,
  TextPlace,
  TrimView,
} from './collection-view-types.ts';
import type {
  Group,
  Selection,
  PassagesQuestion,
  PassagesView,
  SourceView,
  ConcordanceView,
  DispersionView,
  BranchesView,
} from './reading-view-types.ts';
import type { Recipe } from '../study/recipe.ts';
import type { StudySource } from '../study/study.ts';

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
  readonly steadiness: number;
  readonly concepts: readonly {
    readonly key: string;
    readonly label: string;
    readonly steadiness: number;
    readonly mentions: number;
  }[];
}

export interface ThemesView {
  readonly themes: readonly ThemeRow[];
  readonly loose: readonly { readonly key: string; readonly label: string }[];
  readonly overallSteadiness: number;
  readonly modularity: number;
  readonly resolution: number;
  readonly sweep: readonly ResolutionPoint[];
  readonly register: readonly ThemeIdentity[];
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
  readonly steadiness: number;
  readonly resolution: number;
  readonly modularity: number;
  readonly windows: number;
}

/** What a view is asked for beside the study. */
export interface ViewQuestions {
  overview: null;
  sources: null;
  speakers: null;
  /** A source for each of some speakers, in each of some sources. */
  speakerParts: { readonly sourceIds: readonly string[]; readonly labels: readonly string[] };
  languages: null;
  duplicates: null;
  split: { readonly sourceId: string; readonly rule: SplitRule };
  /** The sections a rule makes of each of some sources, as sources; `attribute` is given the whole's name. */
  splitParts: { readonly sourceIds: readonly string[]; readonly rule: SplitRule; readonly attribute: string };
  trim: { readonly rule: TrimRule; readonly sourceIds: readonly string[] };
  repeatedLines: null;
  textDates: null;
  cleaning: { readonly sourceId: string; readonly at: number };
  /** `offers` asks for the steps that could be added too. */
  cleaningSteps: { readonly offers: boolean };
  cleaningOrder: null;
  /** Where a word stands, as it came or as it is once the text is clean. */
  wordPlaces: { readonly word: string; readonly cleaned: boolean };
  remains: null;
  cleaningFigures: null;
  cleanedFile: { readonly as: 'zip' | 'csv' };
  recipeReport: { readonly recipe: Recipe };
  concepts: null;
  /** `refused`: pairs that are not suggested again, two keys, sorted, with a tab between. */
  /** A group's mentions against another's, or the rest's; `members` is a hash of who is in them. */
  distinct: { readonly group: Group; readonly against?: Group; readonly members: string };
  /** The words of the study by what they were taken for. */
  wordKinds: null;
  suggestions: { readonly refused: readonly string[] };
  synonyms: { readonly text: string };
  links: { readonly concept: string | null; readonly limit: number };
  themes: null;
  map: null;
  compare: null;
  passages: PassagesQuestion & { readonly limit: number };
  passagesFile: PassagesQuestion & { readonly as: 'csv' | 'docx' };
  matrix: { readonly figure: MatrixFigure };
  matrixFile: { readonly figure: MatrixFigure };
  pairs: { readonly limit: number };
  /** By source, or by the groups of an attribute. */
  plainCounts: { readonly attribute: string | null; readonly members: string };
  concordance: {
    readonly selection: Selection;
    readonly order: LineOrder;
    /** Characters of context on each side. */
    readonly context: number;
    readonly limit: number;
    /** Only lines of sources with this value of an attribute. */
    readonly group: { readonly attribute: string; readonly value: string } | null;
  };
  dispersion: { readonly selections: readonly Selection[] };
  branches: {
    readonly selection: Selection;
    readonly direction: 'after' | 'before';
    readonly path: readonly string[];
  };
  source: { readonly sourceId: string; readonly selection: Selection | null; readonly at: number };
}

export interface ViewAnswers {
  overview: Overview;
  sources: SourcesView;
  speakers: SpeakersView;
  speakerParts: SpeakerPartsView;
  languages: LanguagesView;
  duplicates: DuplicatesView;
  split: SplitView;
  splitParts: { readonly parts: Readonly<Record<string, readonly StudySource[]>> };
  trim: TrimView;
  repeatedLines: { readonly lines: readonly RepeatedLine[] };
  textDates: TextDatesView;
  cleaning: CleaningView;
  cleaningSteps: CleaningStepsView;
  cleaningOrder: CleaningOrderView;
  wordPlaces: { readonly places: readonly TextPlace[] };
  remains: RemainsView;
  cleaningFigures: CleaningFiguresView;
  cleanedFile: CleanedFileView;
  recipeReport: RecipeReportView;
  concepts: ConceptsView;
  distinct: DistinctView;
  wordKinds: WordKindsView;
  suggestions: { readonly suggestions: readonly Suggestion[] };
  synonyms: SynonymReport;
  links: LinksView;
  themes: ThemesView;
  map: MapView;
  compare: CompareView;
  passages: PassagesView;
  passagesFile: CleanedFileView;
  matrix: MatrixView;
  matrixFile: CleanedFileView;
  pairs: { readonly pairs: readonly WordPair[]; readonly total: number };
  plainCounts: { readonly rows: readonly PlainCountsRow[]; readonly all: PlainCountsRow };
  source: SourceView;
  concordance: ConcordanceView;
  dispersion: DispersionView;
  branches: BranchesView;
}

export type ViewName = keyof ViewAnswers;
