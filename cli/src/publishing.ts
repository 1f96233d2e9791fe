import { withPictures, type DrawPng } from '@green-thicket/core/formats/write/document';
import { writeDocx } from '@green-thicket/core/formats/write/docx-write';
import { withFontFace } from '@green-thicket/core/formats/write/html-write';
import type { NotebookEntry } from '@green-thicket/core/study/notebook';
import type { DecisionLog } from '@green-thicket/core/study/record';
import { REPORT_PART_NAMES } from '@green-thicket/core/views/report/report-types';
import { decisionsInWords } from '@green-thicket/core/words/decisions';
import type { Ask } from './ask.ts';
import { reportFace } from './lexicon-file.ts';

const QUOTATIONS = 3;

/** What `--report` and `--exchange` write beside the tables. */
export const REPORT_FILES = ['report.html', 'report.docx', 'references.bib'] as const;
export const EXCHANGE_FILES = ['codebook.qdc', 'project.qdpx'] as const;

/**
 * The report with all its parts, as the interface saves it.
 *
 * @param draw draws the pictures of the text document; where there is none it has the drawings alone
 */
export async function reportFiles(
  ask: Ask,
  { log, notebook, version }: { log: DecisionLog; notebook: readonly NotebookEntry[]; version: string },
  draw: DrawPng | undefined,
): Promise<Record<(typeof REPORT_FILES)[number], string | Uint8Array>> {
  const asked = {
    parts: REPORT_PART_NAMES,
    entries: notebook,
    decisions: decisionsInWords(log),
    version,
    quotations: QUOTATIONS,
  };
  const file = (as: 'html' | 'docx' | 'bib'): Uint8Array => ask('reportFile', { ...asked, as }).bytes;
  const face = reportFace();
  const page = new TextDecoder().decode(file('html'));
  return {
    'report.html': withFontFace(page, face),
    'report.docx': draw
      ? writeDocx(await withPictures(ask('report', asked).blocks, face, draw))
      : file('docx'),
    'references.bib': file('bib'),
  };
}

/** The files for other programs. */
export const exchangeFiles = (
  ask: Ask,
  notes: readonly NotebookEntry[],
): Record<(typeof EXCHANGE_FILES)[number], Uint8Array> => ({
  'codebook.qdc': ask('codebookFile', null).bytes,
  'project.qdpx': ask('projectFile', { notes }).bytes,
});
