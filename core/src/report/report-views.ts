import { isTimed, NO_TIME } from '../base/no-time.ts';
import { strToU8, zipSync } from 'fflate';
import { writeCsv } from '../formats/csv.ts';
import { heading, type Block, type DocumentTable } from '../formats/write/document.ts';
import { NETWORK_FORMAT_NAMES } from '../formats/write/network-write.ts';
import { writeDocx } from '../formats/write/docx-write.ts';
import { writeHtml } from '../formats/write/html-write.ts';
import { bibText } from './references.ts';
import { renamerOf } from '../study/pseudonyms.ts';
import { namesOutside, type StudyState } from '../study/study.ts';
import type { AskView } from '../views/asked.ts';
import { makeFigure } from './figures.ts';
import { referencesShown, reportBlocks } from './report-parts.ts';
import type { ReportQuestion, ReportViews } from '../views/report/report-types.ts';
import { workbookSheets } from './workbook.ts';
import type { ViewContext } from '../views/view.ts';
import type { Stepwise } from '../base/stepwise.ts';

/** The names that stand in the quotations of a document. */
function namesLeft(blocks: readonly Block[], names: readonly string[]): string[] {
  const quoted = blocks.flatMap((block) =>
    block.kind === 'quote' ? [block.runs.map(({ text }) => text).join(''), block.source] : [],
  );
  const all = quoted.join('\n');
  return names.filter(
    (name) =>
      all.includes(name) && renamerOf({ pseudonyms: { [name]: '' }, capitalNames: [] }).rename(all) !== all,
  );
}

/** Themes and concepts as a table: what a code is called, what it is, and how much of the texts it is. */
function* codebookTable(own: StudyState, ask: AskView): Stepwise<DocumentTable> {
  const { themes, loose } = yield* ask('themes', null);
  const { rename, renameAnyCase } = renamerOf(namesOutside(own));
  const row = (
    theme: string,
    concept: string,
    meaning: string,
    mentions: number | '',
  ): (string | number)[] => [renameAnyCase(theme), renameAnyCase(concept), rename(meaning), mentions];
  return {
    head: ['theme', 'concept', 'definition', 'mentions'],
    rows: [
      ...themes.flatMap(({ letter, label, note, concepts }) => [
        row(`${letter} ${label}`, '', note, ''),
        ...concepts.map((each) => row(`${letter} ${label}`, each.label, '', each.mentions)),
      ]),
      ...loose.map(({ label }) => row('', label, '', '')),
    ],
  };
}

/** When the latest decision was made: a report has no other time, so that the same study makes the same file. */
const lastDecided = ({ decisions }: Pick<ReportQuestion, 'decisions'>): string | undefined => {
  const times = decisions.map(({ time }) => time).filter(isTimed);
  return times.sort().at(-1);
};

/** A report as a file to read or to go on writing in. */
const asFile = (
  blocks: readonly Block[],
  own: StudyState,
  { as, date }: { readonly as: 'html' | 'docx'; readonly date: string | undefined },
): Uint8Array<ArrayBuffer> =>
  as === 'docx'
    ? writeDocx(blocks, { date })
    : strToU8(writeHtml(renamerOf(namesOutside(own)).renameAnyCase(own.title), blocks));

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

  *everythingFile(question, { own, ask }) {
    const blocks = yield* reportBlocks(question, own, ask);
    const codebook = yield* codebookTable(own, ask);
    const files: Record<string, Uint8Array> = {
      'report.html': asFile(blocks, own, { as: 'html', date: lastDecided(question) }),
      'report.docx': asFile(blocks, own, { as: 'docx', date: lastDecided(question) }),
      'references.bib': strToU8(bibText(referencesShown(own, question))),
      'codebook.csv': strToU8(writeCsv(codebook.head, codebook.rows)),
      'codebook.docx': writeDocx([
        heading(1, 'Codebook'),
        { kind: 'table', caption: 'Themes and their concepts', ...codebook },
      ]),
      'codebook.qdc': (yield* ask('codebookFile', null)).bytes,
      'project.qdpx': (yield* ask('projectFile', { notes: question.entries })).bytes,
      'adjacency.csv': (yield* ask('adjacencyFile', null)).bytes,
      'sources-by-concepts.csv': (yield* ask('matrixFile', { figure: 'mentions' })).bytes,
    };
    for (const as of NETWORK_FORMAT_NAMES) files[`network.${as}`] = (yield* ask('networkFile', { as })).bytes;
    for (const { name, head, rows } of yield* workbookSheets(own, ask))
      Object.assign(files, { [`${name.toLowerCase()}.csv`]: strToU8(writeCsv(head, rows)) });
    return { bytes: zipSync(files, { level: 6, mtime: NO_TIME }) };
  },

  *workbook(_, { own, ask }) {
    return { sheets: yield* workbookSheets(own, ask) };
  },

  *reportFile({ as, ...question }, { own, ask }) {
    if (as === 'bib') return { bytes: strToU8(bibText(referencesShown(own, question))) };
    return {
      bytes: asFile(yield* reportBlocks(question, own, ask), own, { as, date: lastDecided(question) }),
    };
  },
};
