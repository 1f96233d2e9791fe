import type { MailPartKind } from '../../text/mail/mail-parts.ts';
import type { Repeat } from '../../text/look-alikes/repeats.ts';
import type { CleaningMark } from '../../text/cleaning/cleaning.ts';
import type { OrderNote, StepReport } from '../../text/cleaning/cleaning-report.ts';
import type { LanguageCode } from '../../languages/language-names.ts';
import type { Piece } from '../../text/reading-part.ts';
import type { RemainKind } from '../../text/cleaning/remains.ts';
import type { Speaker } from '../../text/speakers.ts';
import type { Section } from '../../text/splitting.ts';
import type { CleaningAction, CleaningStep } from '../../text/cleaning/steps.ts';
import type { StudySource } from '../../study/study.ts';

export interface SourcesView {
  readonly words: readonly number[];
  readonly sentences: number;
  readonly differentWords: number;
}

/** Who speaks in the collection, those left out too. */
export interface SpeakersView {
  readonly speakers: readonly Speaker[];
}

/** What speakers said as sources of their own, and who says most in each source. */
export interface SpeakerPartsView {
  /** Source id → the sources that would take its place; none where nobody asked for speaks in it. */
  readonly parts: Readonly<Record<string, readonly StudySource[]>>;
  /** Source id → the speaker asked for who says most in it. */
  readonly main: Readonly<Record<string, string>>;
}

/** The language of each source worked with, and which the study is read in. */
export interface LanguagesView {
  readonly of: readonly (LanguageCode | '')[];
  readonly main: LanguageCode;
}

/** Sources that say the same, or nearly. */
export interface DuplicatesView {
  readonly pairs: readonly { readonly a: string; readonly b: string; readonly overlap: number }[];
}

export interface SplitView {
  /** The first of the sections. */
  readonly sections: readonly Section[];
  readonly total: number;
  /** Characters before the first section that are dropped by choice. */
  readonly droppedBefore: number;
  readonly fault?: string;
}

export interface TrimView {
  /** Source id → pieces the rule cuts there. */
  readonly cuts: Readonly<Record<string, readonly Piece[]>>;
  readonly rows: readonly {
    readonly id: string;
    readonly characters: number;
    readonly excerpt: string;
  }[];
}

/** What stands in many sources, with the text round one of its places. */
export interface RepeatRow extends Omit<Repeat, 'first'> {
  readonly first: TextPlace;
  readonly before: string;
  readonly after: string;
}

export interface RepeatsView {
  readonly repeats: readonly RepeatRow[];
  /** Words that are read. */
  readonly words: number;
}

/** Parts of the mails of a collection that their writers did not write. */
export interface MailView {
  readonly mails: number;
  readonly parts: readonly {
    readonly kind: MailPartKind;
    /** The mails that have such a part, and those of them in which it is not read. */
    readonly sourceIds: readonly string[];
    readonly out: readonly string[];
    readonly words: number;
  }[];
  /** Attribute → source id → what the mail’s head says, where it still stands in the text. */
  readonly heads: Readonly<Record<string, Readonly<Record<string, string>>>>;
}

export interface TextDatesView {
  /** Source id → the first date in its text, read day first and month first. */
  readonly dates: Readonly<Record<string, { readonly dmy: string; readonly mdy: string }>>;
  readonly ambiguous: number;
}

/** A line of a text with what is left of it once it is clean. */
export interface CleanLine {
  readonly start: number;
  readonly end: number;
  readonly clean: string;
}

export interface CleaningView {
  /** The original, or the part of a long one around the place asked for. */
  readonly text: string;
  readonly start: number;
  readonly total: number;
  readonly marks: readonly CleaningMark[];
  readonly lines: readonly CleanLine[];
}

export interface CleaningStepsView {
  readonly steps: readonly StepReport[];
  /** What steps that could be added would do, where they were asked for. */
  readonly offers: readonly (StepReport & { readonly step: CleaningStep })[];
  /** Words of the collection once it is clean. */
  readonly words: number;
}

export interface CleaningOrderView {
  readonly notes: readonly OrderNote[];
}

/** A stretch of a source's original text. */
export interface TextPlace {
  readonly sourceId: string;
  readonly start: number;
  readonly end: number;
}

export interface RemainRow {
  readonly kind: RemainKind;
  readonly text: string;
  readonly count: number;
  readonly places: readonly TextPlace[];
  readonly step: CleaningAction;
}

export interface RemainsView {
  readonly remains: readonly RemainRow[];
}

/** Words of the collection as they came, or as they are clean. */
export interface WordFigures {
  readonly words: number;
  readonly different: number;
  readonly top: readonly { readonly word: string; readonly count: number }[];
}

export interface CleaningFiguresView {
  readonly before: WordFigures;
  readonly after: WordFigures;
}

export interface RecipeReportView {
  /** What of a recipe does nothing in this study, a sentence each. */
  readonly idle: readonly string[];
}

export interface CleanedFileView {
  readonly bytes: Uint8Array<ArrayBuffer>;
}
