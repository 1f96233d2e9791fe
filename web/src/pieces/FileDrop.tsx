import { useEffect, useState } from 'react';
import { droppedFiles, type BroughtFile } from './dropped-files.ts';
import { useTellFault } from './use-fault.ts';
import styles from './FileDrop.module.css';

/**
 * Files and folders may be dropped anywhere on the page.
 *
 * @param says what becomes of them, shown while they are held over it
 */
export function FileDrop({
  says,
  onFiles,
}: {
  says: string;
  onFiles: (files: readonly BroughtFile[]) => void;
}) {
  const [over, setOver] = useState(false);
  const tellFault = useTellFault();
  useEffect(() => {
    const hasFiles = (event: DragEvent): boolean => event.dataTransfer?.types.includes('Files') ?? false;
    const onOver = (event: DragEvent): void => {
      if (!hasFiles(event)) return;
      event.preventDefault();
      setOver(true);
    };
    const onLeave = (event: DragEvent): void => {
      if (event.relatedTarget === null) setOver(false);
    };
    const onDrop = (event: DragEvent): void => {
      if (!hasFiles(event) || !event.dataTransfer) return;
      event.preventDefault();
      setOver(false);
      const { dataTransfer } = event;
      tellFault('Nothing was added', async () => {
        const files = await droppedFiles(dataTransfer);
        if (files.length > 0) onFiles(files);
      });
    };
    window.addEventListener('dragover', onOver);
    window.addEventListener('dragleave', onLeave);
    window.addEventListener('drop', onDrop);
    return () => {
      window.removeEventListener('dragover', onOver);
      window.removeEventListener('dragleave', onLeave);
      window.removeEventListener('drop', onDrop);
    };
  }, [onFiles, tellFault]);
  return over ? (
    <div className={styles.dropVeil} aria-hidden="true">
      {says}
    </div>
  ) : null;
}
