import { App } from 'antd';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { hasPassword, openStudyFile } from '../engine/client.ts';
import type { FileToRead, OpenedStudy } from '../engine/protocol.ts';
import { bringTo } from '../pieces/brought-files.ts';
import shared from '../pieces/lists.module.css';
import { STOPPED_MESSAGE } from '../pieces/stopped.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { askToPersist } from '../store/persistence.ts';
import { createStudy } from '../store/studies.ts';

/** A file that waits for its password. */
interface AskedFile {
  readonly open: (password: string) => Promise<void>;
  readonly leave: () => void;
}

/** Opens studies from the first page; `asked` is a file that waits for its password. */
export function useOpening() {
  const navigate = useNavigate();
  const { modal } = App.useApp();
  const tellFault = useTellFault();
  const [busy, setBusy] = useState(false);
  const [asked, setAsked] = useState<AskedFile>();

  /** Opens a file once its password is given; rejects as stopped where none is. */
  const askFor = (file: Blob): Promise<OpenedStudy> =>
    new Promise((resolve, reject) => {
      setAsked({
        open: async (password) => {
          resolve(await openStudyFile(file, password));
          setAsked(undefined);
        },
        leave: () => {
          reject(new Error(STOPPED_MESSAGE));
          setAsked(undefined);
        },
      });
    });
  const begin = (make: () => Promise<string>, stop: string, isFirst = false): void => {
    setBusy(true);
    tellFault('The study was not opened', async () => {
      try {
        const id = await make();
        await askToPersist();
        await navigate(`/study/${id}/${stop}`, isFirst ? { state: { isFirst } } : {});
      } finally {
        setBusy(false);
      }
    });
  };
  const openFile = (file: Blob): void =>
    begin(async () => {
      const { id, leftOut } = (await hasPassword(file)) ? await askFor(file) : await openStudyFile(file);
      if (leftOut.length > 0) {
        modal.warning({
          title: 'Opened without what is damaged',
          content: (
            <ul className={shared.leftOutList}>
              {leftOut.map((each) => (
                <li key={each}>{each}</li>
              ))}
            </ul>
          ),
        });
      }
      return id;
    }, 'map');

  /** A study file is opened; all else becomes the sources of a new study. */
  const takeFiles = (files: readonly FileToRead[]): void => {
    const [first] = files;
    if (files.length === 1 && first.name.endsWith('.thicket')) {
      openFile(first.file);
      return;
    }
    begin(async () => {
      const id = await createStudy('Untitled study');
      bringTo(id, files);
      return id;
    }, 'sources');
  };
  const latest = useRef(takeFiles);
  useEffect(() => {
    latest.current = takeFiles;
  });
  const onFiles = useCallback((files: readonly FileToRead[]) => latest.current(files), []);
  return { busy, asked, begin, openFile, onFiles };
}
