import { isStopped } from '../../pieces/stopped.ts';
import { App } from 'antd';
import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { counted, percent } from '@green-thicket/core/base/wording';
import { endingOf } from '@green-thicket/core/formats/read/read-result';
import type { StudySource } from '@green-thicket/core/study/study';
import { typesOf } from '@green-thicket/core/study/attributes';
import { engine, intakeWorker } from '../../engine/client.ts';
import type { FileToRead, HeldTable, ReadReport } from '../../engine/protocol.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { whileBringingIn } from '../../store/bringing-in.ts';
import { keepEntries } from '../../store/notebook.ts';
import { recordSources } from '../../store/studies.ts';
import { EncodingDialog, type UnsureFiles } from './EncodingDialog.tsx';
import { FileDrop } from '../../pieces/FileDrop.tsx';
import { takeBrought } from '../../pieces/brought-files.ts';
import { IntakeContext, type Intake } from './intake-context.ts';
import { IntakeReport } from './IntakeReport.tsx';
import { TableDialog, type TableAnswer } from './TableDialog.tsx';

/** Files that were refused only because their encoding is not known for sure. */
function unsureOf(files: readonly FileToRead[], { refused }: ReadReport): UnsureFiles | undefined {
  const encodings = new Map(refused.map((each) => [each.name, each.encodings]));
  const found = files.filter(({ name }) => encodings.get(name) !== undefined);
  if (found.length === 0) return undefined;
  return { files: found, encodings: [...new Set(found.flatMap(({ name }) => encodings.get(name) ?? []))] };
}

const inUtf8 = async ({ name, file }: FileToRead, encoding: string): Promise<FileToRead> => ({
  name,
  file: new Blob([new TextDecoder(encoding).decode(await file.arrayBuffer())]),
});

/** Where texts come in: reads files with progress and a way to stop, asks about tables, and reports on each. */
export function IntakeDesk({ children }: { children: ReactNode }) {
  const { id, state, decide } = useStudy();
  const { modal, message } = App.useApp();
  const [asked, setAsked] = useState<{
    table: HeldTable;
    brought: readonly StudySource[];
    answer: (answer: TableAnswer) => void;
  }>();
  const [unsure, setUnsure] = useState<UnsureFiles & { answer: (encoding: string | undefined) => void }>();
  const present = state.sources;

  const failed = useCallback(
    (error: unknown) => {
      modal.error({
        title: 'Nothing was added',
        content: error instanceof Error ? error.message : String(error),
      });
    },
    [modal],
  );

  /** Records what was read, asks about its tables one after the other, and says what came of all of it. */
  const takeIn = useCallback(
    async (read: ReadReport) => {
      const notes = [...read.notes];
      const sorted = [...read.sources].sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));
      await recordSources(id, sorted, { types: typesOf(sorted) });
      if (read.entries.length > 0) await keepEntries(id, read.entries);
      const brought = [...sorted];
      for (const table of read.tables) {
        const answer = await new Promise<TableAnswer>((resolve) =>
          setAsked({ table, brought: [...brought], answer: resolve }),
        );
        setAsked(undefined);
        await intakeWorker.letGoOfTable(table.table);
        if (answer.kind === 'left') notes.push(`${table.name} was left out.`);
        if (answer.kind === 'sources') {
          try {
            await recordSources(id, answer.outcome.sources, {
              note: answer.outcome.note,
              types: answer.outcome.types,
            });
            for (const source of answer.outcome.sources) brought.push(source);
            notes.push(answer.outcome.note);
          } catch (error) {
            // What came in before it is in the study all the same.
            notes.push(
              `${table.name} was not added: ${error instanceof Error ? error.message : String(error)}`,
            );
          }
        }
        if (answer.kind === 'described') {
          decide({ kind: 'setValues', values: answer.description.values });
          for (const [attribute, type] of Object.entries(answer.description.types)) {
            if (type !== 'text') decide({ kind: 'setAttributeType', attribute, type });
          }
          notes.push(answer.note);
        }
      }
      if (read.refused.length === 0 && notes.length === 0) {
        void message.success(`${counted(brought.length, 'source')} came in.`);
        return;
      }
      modal.info({
        title: 'What came in',
        content: <IntakeReport sources={brought.length} refused={read.refused} notes={notes} />,
        width: 560,
      });
    },
    [id, decide, message, modal],
  );

  const askEncoding = useCallback(async (files: UnsureFiles) => {
    const encoding = await new Promise<string | undefined>((resolve) =>
      setUnsure({ ...files, answer: resolve }),
    );
    setUnsure(undefined);
    return encoding;
  }, []);

  const addFiles = useCallback(
    (files: readonly FileToRead[]) => {
      const control = new AbortController();
      const tell = (share: number): void => {
        void message.open({
          type: 'loading',
          duration: 0,
          key: 'intake',
          content: (
            <span>
              Reading {counted(files.length, 'file')}: {percent(share)}{' '}
              <button type="button" className="linklike" onClick={() => control.abort()}>
                Stop
              </button>
            </span>
          ),
        });
      };
      tell(0);
      const work = async (): Promise<void> => {
        const ids = present.map((source) => source.id);
        const read = await engine.readFiles(id, files, ids, control.signal, tell);
        message.destroy('intake');
        const again = unsureOf(files, read);
        const encoding = again && (await askEncoding(again));
        if (!again || encoding === undefined) {
          await takeIn(read);
          return;
        }
        const decoded = await Promise.all(again.files.map((file) => inUtf8(file, encoding)));
        const more = await engine.readFiles(
          id,
          decoded,
          [...ids, ...read.sources.map((source) => source.id)],
          control.signal,
          tell,
        );
        message.destroy('intake');
        await takeIn({
          sources: [...read.sources, ...more.sources],
          tables: [...read.tables, ...more.tables],
          refused: [...read.refused.filter(({ encodings }) => !encodings), ...more.refused],
          entries: [...read.entries, ...more.entries],
          notes: [...read.notes, ...more.notes, `${counted(decoded.length, 'file')} read as ${encoding}.`],
        });
      };
      whileBringingIn(id, work)
        .catch((error: unknown) => {
          if (isStopped(error)) void message.info('Stopped. Nothing was added.');
          else failed(error);
        })
        .finally(() => message.destroy('intake'));
    },
    [id, present, message, takeIn, askEncoding, failed],
  );

  const openNetwork = useCallback(
    ({ name, file }: FileToRead) => {
      whileBringingIn(id, async () => {
        const { network, notes } = await intakeWorker.readNetwork(file, name);
        decide({ kind: 'openNetwork', network });
        const links = network.links.split('\n').length;
        const came = `${counted(network.concepts.length, 'concept')} and ${counted(links, 'link')} came in.`;
        if (notes.length === 0) void message.success(came);
        else modal.info({ title: 'What came in', content: [came, ...notes].join(' ') });
      }).catch((error: unknown) => {
        modal.error({
          title: 'The network was not opened',
          content: `${name}: ${error instanceof Error ? error.message : String(error)}`,
        });
      });
    },
    [id, decide, message, modal],
  );

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
          brought={asked.brought}
          onAnswer={asked.answer}
        />
      )}
    </IntakeContext.Provider>
  );
}
