import type { Block, DocumentTable } from '../../formats/write/document.ts';
import type { NotebookEntry } from '../../study/notebook.ts';
import type { CleanedFileView } from '../sources/collection-view-types.ts';
import type { Figure, FigureQuestion } from './figure-types.ts';
import type { View } from '../view.ts';

/** The parts of a report, in the order they come in. */
export const REPORT_PARTS = {
  summary: 'How much went in',
  method: 'The method, as the method sentences have it',
  map: 'The concept map',
  themes: 'The themes, with what was said',
  comparison: 'The comparison of groups',
  apart: 'What sets the groups apart',
  notebook: 'The Notebook, in its order',
  decisions: 'What was decided, when and why',
  references: 'References of the measures',
  again: 'How to make the same again',
} as const;
export type ReportPart = keyof typeof REPORT_PARTS;
export const REPORT_PART_NAMES = Object.keys(REPORT_PARTS) as readonly ReportPart[];

export interface ReportQuestion {
  readonly parts: readonly ReportPart[];
  /** The entries of the Notebook, in its order. */
  readonly entries: readonly NotebookEntry[];
  /** What was decided, in words, the first first. */
  readonly decisions: readonly { readonly time: string; readonly words: string; readonly reason: string }[];
  /** Of the program. */
  readonly version: string;
  /** Quotations of each theme. */
  readonly quotations: number;
}

/** A sheet of the workbook. */
export interface Sheet extends DocumentTable {
  readonly name: string;
}

/** The views that are made of other views: figures to keep, and the report. */
export interface ReportViews {
  figure: View<FigureQuestion, Figure>;
  report: View<
    ReportQuestion,
    {
      readonly blocks: readonly Block[];
      /** Names without a pseudonym that are in what was said, as it is quoted. */
      readonly namesLeft: readonly string[];
    }
  >;
  /** Everything that leaves the study as one archive: report, codebooks, project, network, tables. */
  everythingFile: View<ReportQuestion, CleanedFileView>;
  /** The tables as sheets, the first of which explains the columns of the others. */
  workbook: View<null, { readonly sheets: readonly Sheet[] }>;
  reportFile: View<ReportQuestion & { readonly as: 'html' | 'docx' | 'bib' }, CleanedFileView>;
}
