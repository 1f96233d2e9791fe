import { strToU8 } from 'fflate';
import type { Block } from '../formats/document.ts';
import { writeDocx } from '../formats/docx-write.ts';
import { writeHtml } from '../formats/html-write.ts';
import { bibText } from '../words/references.ts';
import { renamerOf } from '../study/pseudonyms.ts';
import type { StudyState } from '../study/study.ts';
import type { CleanedFileView } from './collection-view-types.ts';
import { makeFigure, type AskView } from './figures.ts';
import type { Figure, FigureQuestion } from './figure-types.ts';
import { referencesShown, reportBlocks } from './report-parts.ts';
import type { ReportQuestion } from './report-types.ts';
import { reads, type View, type ViewContext } from './view.ts';
import type { Stepwise } from '../base/stepwise.ts';

/** The names that stand in the quotations of a document. */
function namesLeft(blocks: readonly Block[], names: readonly string[]): string[] {
  const quoted = blocks.flatMap((block) =>
    block.kind === 'quote' ? [block.runs.map(({ text }) => text).join(''), block.source] : [],
  );
  const all = quoted.join('\n');
  return names.filter((name) => all.includes(name) && renamerOf({ [name]: '' }).rename(all) !== all);
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
  reportFile: View<ReportQuestion & { readonly as: 'html' | 'docx' | 'bib' }, CleanedFileView>;
}

/** They ask whatever the others read, so their keys are made of all of the study. */
const all = reads([], (state) => ({ ...state }));

export const REPORT_KEYS = { figure: all, report: all, reportFile: all };

/** What they are made from: the study, and the other views. */
type Context = ViewContext<never, StudyState> & { readonly ask: AskView };

export const REPORT_VIEWS: {
  readonly [V in keyof ReportViews]: (
    question: ReportViews[V]['question'],
    context: Context,
  ) => Stepwise<ReportViews[V]['answer']>;
} = {
  figure: (question, { own, ask }) => makeFigure(question, own, ask),

  *report(question, { own, ask }) {
    const blocks = yield* reportBlocks(question, own, ask);
    const { rows } = yield* ask('names', null);
    return {
      blocks,
      namesLeft: namesLeft(
        blocks,
        rows.map(({ name }) => name),
      ),
    };
  },

  *reportFile({ as, ...question }, { own, ask }) {
    if (as === 'bib') return { bytes: strToU8(bibText(referencesShown(own, question))) };
    const blocks = yield* reportBlocks(question, own, ask);
    return {
      bytes:
        as === 'docx'
          ? writeDocx(blocks)
          : strToU8(writeHtml(renamerOf(own.pseudonyms).renameAnyCase(own.title), blocks)),
    };
  },
};
