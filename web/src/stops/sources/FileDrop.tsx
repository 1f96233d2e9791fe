import { useEffect, useState } from 'react';
import { droppedFiles } from './dropped-files.ts';
import { useIntake } from './intake-context.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import styles from './FileDrop.module.css';

/** Files and folders dropped anywhere on the page become sources. */
export function FileDrop() {
  const [over, setOver] = useState(false);
  const { addFiles } = useIntake();
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
        if (files.length > 0) addFiles(files);
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
  }, [addFiles, tellFault]);
  return over ? (
    <div className={styles.dropVeil} aria-hidden="true">
      Let go to add these files as sources
    </div>
  ) : null;
}
