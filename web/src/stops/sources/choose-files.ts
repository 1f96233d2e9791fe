import type { FileToRead } from '../../engine/protocol.ts';
import { chosenFiles } from '../../pieces/dropped-files.ts';

/** Opens the browser's chooser; nothing happens where it is closed again. */
export function chooseFiles(
  { accept = '', folder = false, several = true }: { accept?: string; folder?: boolean; several?: boolean },
  onChosen: (files: readonly FileToRead[]) => void,
): void {
  // It stands in the page while it is open, as some browsers let go of one that does not.
  document.querySelector('.file-chooser')?.remove();
  const input = document.createElement('input');
  input.className = 'file-chooser';
  input.hidden = true;
  input.type = 'file';
  input.multiple = several;
  input.accept = accept;
  input.webkitdirectory = folder;
  input.addEventListener('change', () => {
    const files = chosenFiles(input.files ?? []);
    if (files.length > 0) onChosen(files);
  });
  document.body.append(input);
  input.click();
}
