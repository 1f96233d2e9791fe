import { writeStudyFile } from '@green-thicket/core/formats/study-file';
import { exportStudy } from './studies.ts';

/** A file name of a title: what no file system minds. */
export function fileName(title: string, ending: string): string {
  const safe = title
    .replace(/[^\p{L}\p{N} _-]+/gu, '')
    .trim()
    .slice(0, 80);
  return `${safe === '' ? 'study' : safe}${ending}`;
}

/** Hands the researcher a file to keep. */
export function download(name: string, content: BlobPart, type: string): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // The browser reads the address once the click is handled.
  setTimeout(() => URL.revokeObjectURL(address), 60_000);
}

/** Saves a study with its texts to a .thicket file. */
export async function saveStudyFile(id: string, title: string): Promise<void> {
  const bytes = writeStudyFile(await exportStudy(id));
  download(fileName(title, '.thicket'), bytes as Uint8Array<ArrayBuffer>, 'application/zip');
}
