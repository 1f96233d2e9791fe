import { useCallback, useEffect, useMemo, type ReactNode } from 'react';
import { endingOf } from '@green-thicket/core/formats/read/read-result';
import { intakeWorker } from '../../engine/client.ts';
import type { FileToRead } from '../../engine/protocol.ts';
import { takeBrought } from '../../pieces/brought-files.ts';
import { FileDrop } from '../../pieces/FileDrop.tsx';
import { useStudy } from '../../pieces/study-context.ts';
import { whileBringingIn } from '../../store/bringing-in.ts';
import { recordSources } from '../../store/studies.ts';
import { EncodingDialog } from './EncodingDialog.tsx';
import { IntakeContext, type Intake } from './intake-context.ts';
import { TableDialog } from './TableDialog.tsx';
import { useOpenNetwork } from './use-open-network.ts';
import { useReadingFiles } from './use-reading-files.tsx';
import { useTakeIn } from './use-take-in.tsx';

/** Where texts come in: reads files with progress and a way to stop, asks about tables, and reports on each. */
export function IntakeDesk({ children }: { children: ReactNode }) {
  const { id, state } = useStudy();
  const present = state.sources;
  const { asked, takeIn } = useTakeIn();
  const { unsure, addFiles } = useReadingFiles(takeIn);
  const openNetwork = useOpenNetwork();

  /** Files that were chosen or dropped: a network by itself, all else as texts. */
  const takeFiles = useCallback(
    (files: readonly FileToRead[]) => {
      const [first] = files;
      if (files.length === 1 && present.length === 0 && endingOf(first.name) === '.graphml')
        openNetwork(first);
      else addFiles(files);
    },
    [present, openNetwork, addFiles],
  );

  const addText = useCallback(
    (name: string, text: string) =>
      whileBringingIn(id, async () => {
        const read = await intakeWorker.readText(id, name, text);
        const [source] = read.sources;
        if (!source) return read.refused[0]?.reason ?? 'There is no text in it.';
        if (present.some((each) => each.id === source.id)) return 'The same text is in the study already.';
        await recordSources(id, read.sources);
        return undefined;
      }),
    [id, present],
  );

  // Files that were dropped on the first page come in where their study is opened.
  useEffect(() => {
    const files = takeBrought(id);
    if (files) takeFiles(files);
  }, [id, takeFiles]);

  const intake = useMemo(
    (): Intake => ({ addFiles: takeFiles, openNetwork, addText }),
    [takeFiles, openNetwork, addText],
  );
  return (
    <IntakeContext.Provider value={intake}>
      <FileDrop says="Let go to add these files as sources" onFiles={takeFiles} />
      {children}
      {unsure && <EncodingDialog unsure={unsure} onAnswer={unsure.answer} />}
      {asked && (
        <TableDialog
          key={asked.table.table}
          table={asked.table}
          which={asked.which}
          brought={asked.brought}
          onAnswer={asked.answer}
        />
      )}
    </IntakeContext.Provider>
  );
}
