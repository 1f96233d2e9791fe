import { App } from 'antd';
import { useCallback, useState } from 'react';
import { counted, percent } from '@green-thicket/core/base/wording';
import { engine } from '../../engine/client.ts';
import type { FileToRead, ReadReport } from '../../engine/protocol.ts';
import { isStopped } from '../../pieces/stopped.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { whileBringingIn } from '../../store/bringing-in.ts';
import type { UnsureFiles } from './EncodingDialog.tsx';

/** Files whose encoding is asked for. */
export interface AskedEncoding extends UnsureFiles {
  readonly answer: (encoding: string | undefined) => void;
}

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

/** Reads files with progress and a way to stop; `unsure` are those whose encoding it waits to be told. */
export function useReadingFiles(takeIn: (read: ReadReport) => Promise<void>): {
  readonly unsure: AskedEncoding | undefined;
  readonly addFiles: (files: readonly FileToRead[]) => void;
} {
  const { id, state } = useStudy();
  const { modal, message } = App.useApp();
  const present = state.sources;
  const [unsure, setUnsure] = useState<AskedEncoding>();
  const failed = useCallback(
    (error: unknown) => {
      modal.error({
        title: 'Nothing was added',
        content: error instanceof Error ? error.message : String(error),
      });
    },
    [modal],
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
  return { unsure, addFiles };
}
