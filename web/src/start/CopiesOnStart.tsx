import { momentText } from '@green-thicket/core/base/wording';
import { Button } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { allowCopyFolder, copyFolder, listCopies, type FoundCopy } from '../keeping/copies.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import shared from '../pieces/lists.module.css';

/** Copies listed; the latest come first. */
const LISTED = 8;

/** The copies in the researcher's folder, to be opened again from the first page. */
export function CopiesOnStart({ onOpen, busy }: { onOpen: (file: Blob) => void; busy: boolean }) {
  const folder = useLiveQuery(copyFolder);
  const tellFault = useTellFault();
  const [copies, setCopies] = useState<readonly FoundCopy[]>();
  if (!folder) return null;
  const look = (): void =>
    tellFault('The folder could not be read', async () => {
      if (folder.allowed || (await allowCopyFolder())) setCopies(await listCopies());
    });
  return (
    <section aria-labelledby="copies">
      <h2 id="copies">Copies in the folder {folder.name}</h2>
      {!copies && (
        <Button size="small" onClick={look}>
          Look for copies
        </Button>
      )}
      {copies?.length === 0 && <p className="quiet">There is no copy in it yet.</p>}
      {copies && copies.length > 0 && (
        <ul className={shared.startList}>
          {copies.slice(0, LISTED).map((copy) => (
            <li key={copy.name}>
              <span>{copy.name}</span>
              <span className="quiet">of {momentText(copy.modified, 'exact')}</span>
              <Button size="small" type="text" disabled={busy} onClick={() => onOpen(copy.file)}>
                Open a copy
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
