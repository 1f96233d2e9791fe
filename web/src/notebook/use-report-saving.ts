import { useState } from 'react';
import { withPictures, type DrawPng } from '@green-thicket/core/formats/write/document';
import { withFontFace } from '@green-thicket/core/formats/write/html-write';
import type { ReportQuestion } from '@green-thicket/core/views/report/report-types';
import { useAsk } from '../engine/use-ask.ts';
import { download, fileName } from '../pieces/download.ts';
import { embeddedFont, svgToPng } from '../pieces/export-picture.ts';
import { saveWorkbook } from '../pieces/save-table.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { useRenamer } from '../pieces/use-renamer.ts';

/** What a report is saved as, with the type of each kind of file. */
export const TYPES = {
  html: 'text/html',
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  bib: 'application/x-bibtex',
} as const;

const drawPng: DrawPng = async (svg, scale) =>
  new Uint8Array(await (await svgToPng(svg, scale)).arrayBuffer());

export type ReportFile = keyof typeof TYPES;

/** Saves a report, its tables, or everything; `saving` is the kind of file that is being made. */
export function useReportSaving(asked: ReportQuestion): {
  readonly saving: ReportFile | undefined;
  readonly save: (as: ReportFile) => void;
  readonly saveTables: () => void;
  readonly saveAll: () => void;
} {
  const { state } = useStudy();
  const { renameAnyCase } = useRenamer();
  const ask = useAsk();
  const tellFault = useTellFault();
  const [saving, setSaving] = useState<ReportFile>();
  const saveTables = (): void =>
    tellFault('Nothing was saved', async () => {
      const { sheets } = await ask('workbook', null);
      await saveWorkbook(`${renameAnyCase(state.title)} tables`, sheets);
    });
  const saveAll = (): void =>
    tellFault('Nothing was saved', async () => {
      const { bytes } = await ask('everythingFile', asked);
      download(
        fileName(`${renameAnyCase(state.title)} everything`, '.zip'),
        bytes as Uint8Array<ArrayBuffer>,
        'application/zip',
      );
    });
  const save = (as: ReportFile): void => {
    setSaving(as);
    tellFault('The report was not saved', async () => {
      try {
        const name = fileName(`${renameAnyCase(state.title)} report`, `.${as}`);
        if (as === 'docx') {
          const { blocks } = await ask('report', asked);
          const { writeDocx } = await import('@green-thicket/core/formats/write/docx-write');
          download(name, writeDocx(await withPictures(blocks, await embeddedFont(), drawPng)), TYPES.docx);
          return;
        }
        const { bytes } = await ask('reportFile', { ...asked, as });
        const text = new TextDecoder().decode(bytes);
        download(name, as === 'html' ? withFontFace(text, await embeddedFont()) : text, TYPES[as]);
      } finally {
        setSaving(undefined);
      }
    });
  };
  return { saving, save, saveTables, saveAll };
}
