import { App } from 'antd';
import { useCallback } from 'react';
import { refuseUnread, type IncomingFile, type Intake } from '@green-thicket/core/study/intake';
import { counted } from '@green-thicket/core/study/sentences';
import { readFilesInWorker } from '../../engine/client.ts';
import { useStudy } from '../../shell/study-context.ts';
import { addSources } from '../../store/studies.ts';

/** Files are read in portions of about this many bytes, so that thousands neither fill the memory nor freeze the page. */
const PORTION = 16 * 1024 * 1024;
const FILES_A_PORTION = 200;

/** A plain report of what came in and what did not, and why. */
export function IntakeReport({ intake }: { intake: Intake }) {
  const older = intake.added.filter(({ encoding }) => encoding !== 'UTF-8');
  return (
    <div className="intake-report">
      <p>
        {intake.added.length === 0
          ? 'Nothing came in.'
          : `${counted(intake.added.length, 'source')} came in${
              older.length > 0
                ? `, ${older.length} of them read as ${[...new Set(older.map((each) => each.encoding))].join(' and ')}`
                : ''
            }.`}
      </p>
      {intake.refused.length > 0 && (
        <>
          <p>{counted(intake.refused.length, 'file')} did not:</p>
          <ul>
            {intake.refused.slice(0, 100).map(({ name, reason }, i) => (
              <li key={i}>
                <strong>{name}</strong>: {reason}
              </li>
            ))}
            {intake.refused.length > 100 && <li>… and {intake.refused.length - 100} more.</li>}
          </ul>
        </>
      )}
    </div>
  );
}

/** Adds files to the study and reports on each. */
export function useAddFiles(): (files: readonly File[]) => Promise<void> {
  const { id, state } = useStudy();
  const { modal, message } = App.useApp();
  const present = state.sources;
  return useCallback(
    async (files) => {
      let stopped = false;
      const note = message.open({ type: 'loading', content: 'Reading files …', duration: 0, key: 'intake' });
      const tell = (done: number): void => {
        void message.open({
          type: 'loading',
          duration: 0,
          key: 'intake',
          content: (
            <span>
              Reading files: {done} of {files.length}{' '}
              <button type="button" className="linklike" onClick={() => (stopped = true)}>
                Stop
              </button>
            </span>
          ),
        });
      };
      const added: Intake['added'][number][] = [];
      const refused: Intake['refused'][number][] = [];
      const known = new Set(present.map((source) => source.id));
      const readPortion = async (portion: readonly File[]): Promise<void> => {
        const incoming: IncomingFile[] = [];
        for (const file of portion) {
          try {
            incoming.push({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) });
          } catch {
            refused.push({
              name: file.name,
              reason: 'The browser could not read it. A folder can’t be added as a file.',
            });
          }
        }
        const intake = await readFilesInWorker(incoming, [...known]);
        for (const each of intake.added) known.add(each.source.id);
        added.push(...intake.added);
        refused.push(...intake.refused);
      };
      try {
        let portion: File[] = [];
        let bytes = 0;
        let done = 0;
        for (const file of files) {
          if (stopped) break;
          done++;
          const reason = refuseUnread(file.name, file.size);
          if (reason !== undefined) {
            refused.push({ name: file.name, reason });
            continue;
          }
          portion.push(file);
          bytes += file.size;
          if (bytes < PORTION && portion.length < FILES_A_PORTION) continue;
          await readPortion(portion);
          tell(done);
          portion = [];
          bytes = 0;
        }
        if (!stopped && portion.length > 0) await readPortion(portion);
        if (stopped) {
          void message.info('Stopped. Nothing was added.');
          return;
        }
        added.sort((a, b) => (a.source.name < b.source.name ? -1 : a.source.name > b.source.name ? 1 : 0));
        await addSources(id, added);
        const intake = { added, refused };
        if (refused.length > 0) {
          modal.info({ title: 'What came in', content: <IntakeReport intake={intake} />, width: 560 });
        } else {
          void message.success(`${counted(added.length, 'source')} came in.`);
        }
      } catch (error) {
        modal.error({
          title: 'Nothing was added',
          content: error instanceof Error ? error.message : String(error),
        });
      } finally {
        note();
        message.destroy('intake');
      }
    },
    [id, present, modal, message],
  );
}
