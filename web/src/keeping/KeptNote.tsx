import { Button, Popover } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useRef, useState } from 'react';
import { counted, momentText } from '@green-thicket/core/base/wording';
import {
  allowCopyFolder,
  canKeepCopies,
  chooseCopyFolder,
  copyFolder,
  forgetCopyFolder,
  writeCopy,
} from './copies.ts';
import { saveStudyFile } from './save-study.ts';
import { FocusBox } from '../pieces/FocusBox.tsx';
import { PasswordNote } from './PasswordNote.tsx';
import { SetPassword } from './SetPassword.tsx';
import { outerTitle, useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import styles from './KeptNote.module.css';

/** After so many decisions without a copy the note asks for one. */
const MANY_DECISIONS = 30;
/** A copy is written once nothing was decided for so long, in milliseconds. */
const STILL = 60_000;

const clock = (time: string): string => momentText(time, 'hour');

/** A time of today by the clock, of another day by its date. */
function when(time: string): string {
  const isToday = new Date(time).toDateString() === new Date().toDateString();
  return isToday ? clock(time) : momentText(time, 'day');
}

/** When the study was last kept and copied; opens the choices about copies. Copies into a folder are written from here. */
export function KeptNote() {
  const study = useStudy();
  const { id, state, log, changed, saved } = study;
  const title = outerTitle(study);
  const tellFault = useTellFault();
  const folder = useLiveQuery(copyFolder);
  const [open, setOpen] = useState(false);
  const [setting, setSetting] = useState(false);
  const note = useRef<HTMLButtonElement>(null);
  // What holds texts that were withdrawn since is no copy to go back to.
  const last = saved.filter(({ outdated }) => !outdated).at(-1);
  const since = log.records.filter(({ seq }) => seq > (last?.seq ?? 0)).length;
  // Naming a study and bringing texts in are nothing one could not do again.
  const asks = since >= MANY_DECISIONS;
  const waiting = folder !== undefined && folder.allowed && since > 0 && state.sources.length > 0;

  useEffect(() => {
    if (!waiting) return undefined;
    const write = (): void =>
      tellFault('No copy was written into the folder', () => writeCopy(id, title, log));
    const timer = setTimeout(write, STILL);
    const onHide = (): void => {
      if (document.visibilityState !== 'hidden') return;
      clearTimeout(timer);
      write();
    };
    document.addEventListener('visibilitychange', onHide);
    return () => {
      clearTimeout(timer);
      document.removeEventListener('visibilitychange', onHide);
    };
  }, [waiting, id, title, log, tellFault]);

  const copyNow = (): void =>
    tellFault('No copy was written into the folder', async () => {
      if (folder?.allowed || (await allowCopyFolder())) await writeCopy(id, title, log);
    });
  return (
    <>
      {setting && <SetPassword back={note} onClose={() => setSetting(false)} />}
      <Popover
        open={open}
        onOpenChange={setOpen}
        trigger="click"
        destroyOnHidden
        placement="bottomRight"
        title="Copies of this study"
        content={
          <FocusBox
            label="Copies of this study"
            className={`control-box ${styles.copiesBox}`}
            onClose={() => setOpen(false)}
          >
            <p>
              Every decision is kept in this browser at once.{' '}
              {last
                ? `The last copy outside it is ${last.name}, of ${when(last.time)}; ${since === 0 ? 'nothing was decided since.' : `${counted(since, 'decision')} came after it.`}`
                : 'There is no copy outside it yet.'}
            </p>
            <div className="button-row">
              <Button
                size="small"
                onClick={() => tellFault('The study was not saved', () => saveStudyFile(id, title, log))}
              >
                Save to a file
              </Button>
              {folder && (
                <Button size="small" onClick={copyNow}>
                  Copy into {folder.name} now
                </Button>
              )}
            </div>
            {folder ? (
              <p className="quiet">
                {folder.allowed
                  ? `A dated copy goes into the folder ${folder.name} by itself, a minute after the last decision and when the page is left.`
                  : `The folder ${folder.name} waits for your leave: copy into it once, and copies go there by themselves again.`}{' '}
                <button
                  type="button"
                  className="linklike"
                  onClick={() => tellFault('The folder is still used', forgetCopyFolder)}
                >
                  Write no more copies there
                </button>
              </p>
            ) : canKeepCopies() ? (
              <Button size="small" onClick={() => tellFault('No folder was chosen', chooseCopyFolder)}>
                Copy into a folder by itself
              </Button>
            ) : (
              <p className="quiet">
                This browser can’t write into a folder by itself; save the study to a file now and then.
              </p>
            )}
            <PasswordNote
              onSet={() => {
                setOpen(false);
                setSetting(true);
              }}
            />
          </FocusBox>
        }
      >
        <button
          ref={note}
          type="button"
          className={asks ? `${styles.keptNote} ${styles.asks}` : styles.keptNote}
          aria-expanded={open}
          aria-haspopup="dialog"
          title="How this study is kept, and its copies"
        >
          Kept {when(changed)} ·{' '}
          {asks ? `${since} decisions without a copy` : last ? `copy ${when(last.time)}` : 'no copy yet'}
        </button>
      </Popover>
    </>
  );
}
