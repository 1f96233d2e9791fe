import { useEffect, useState } from 'react';
import { useAddFiles } from '../stops/sources/use-add-files.tsx';

/** Files dropped anywhere on the page become sources. */
export function FileDrop() {
  const [over, setOver] = useState(false);
  const addFiles = useAddFiles();
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
      if (!hasFiles(event)) return;
      event.preventDefault();
      setOver(false);
      const files = Array.from(event.dataTransfer?.files ?? []);
      if (files.length > 0) void addFiles(files);
    };
    window.addEventListener('dragover', onOver);
    window.addEventListener('dragleave', onLeave);
    window.addEventListener('drop', onDrop);
    return () => {
      window.removeEventListener('dragover', onOver);
      window.removeEventListener('dragleave', onLeave);
      window.removeEventListener('drop', onDrop);
    };
  }, [addFiles]);
  return over ? (
    <div className="drop-veil" aria-hidden="true">
      Let go to add these files as sources
    </div>
  ) : null;
}
