import type { Comparison } from '../compare/strength.ts';
import type { MapScene } from '../map/scene.ts';
import type { CleaningMark, CleaningStep } from '../text/cleaning.ts';
import type { Speaker } from '../text/speakers.ts';
import type { ThemeIdentity } from '../themes/identity.ts';
import type { ResolutionPoint } from '../themes/resolution.ts';

/** What is selected, and so what the Reader shows. */
export type Selection =
  | { readonly kind: 'concept'; readonly key: string }
  | { readonly kind: 'link'; readonly keys: readonly [string, string] }
  | { readonly kind: 'theme'; readonly letter: string }
  | {
      readonly kind: 'cell';
      readonly letter: string;
      readonly attribute: string;
      readonly group: string;
    };

export interface SourcesView {
  readonly words: readonly number[];
  readonly sentences: number;
  readonly differentWords: number;
}

/** Who speaks in the collection, those left out too. */
export interface SpeakersView {
  readonly speakers: readonly Speaker[];
}

export interface CleaningView {
  /** The original, or the part of a long one around the place asked for. */
  readonly text: string;
  readonly start: number;
  readonly total: number;
  readonly marks: readonly CleaningMark[];
  /** Places changed by each step, over all sources. */
  readonly counts: Readonly<Record<CleaningStep, number>>;
  /** Words of the collection once it is clean. */
  readonly words: number;
}

export type ConceptStatus = 'chosen' | 'kept' | 'dropped' | 'out';

export interface CandidateRow {
  readonly key: string;
  readonly label: string;
  readonly part: string;
  readonly mentions: number;
  readonly sources: number;
  readonly spread: number;
  readonly pull: number;
  readonly score: number;
  readonly status: ConceptStatus;
  readonly variants: readonly { readonly key: string; readonly mentions: number }[];
}

export interface ConceptsView {
  readonly rows: readonly CandidateRow[];
  readonly candidates: number;
  readonly chosen: number;
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
  readonly windows: number;
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
  speakers: null;
  overview: null;
  sources: null;
  cleaning: { readonly sourceId: string; readonly at: number };
  concepts: null;
  links: { readonly concept: string | null; readonly limit: number };
  themes: null;
  map: null;
  compare: null;
  passages: { readonly selection: Selection; readonly limit: number };
  source: { readonly sourceId: string; readonly selection: Selection | null; readonly at: number };
}

export interface ViewAnswers {
  speakers: SpeakersView;
  overview: Overview;
  sources: SourcesView;
  cleaning: CleaningView;
  concepts: ConceptsView;
  links: LinksView;
  themes: ThemesView;
  map: MapView;
  compare: CompareView;
  passages: PassagesView;
  source: SourceView;
}

export type ViewName = keyof ViewAnswers;
