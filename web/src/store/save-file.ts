import type { DecisionLog } from '@green-thicket/core/study/record';
import { packStudy } from '../engine/client.ts';
import { noteSaved } from './studies.ts';

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

/** The last decision of a record. */
export const lastDecision = ({ records }: DecisionLog): number => records[records.length - 1]?.seq ?? 0;

/** Saves a study with its texts to a .thicket file, once the file was read back and holds all of it. */
export async function saveStudyFile(id: string, title: string, log: DecisionLog): Promise<void> {
  const name = fileName(title, '.thicket');
  const bytes = await packStudy(id);
  download(name, bytes as Uint8Array<ArrayBuffer>, 'application/zip');
  await noteSaved(id, { time: new Date().toISOString(), name, seq: lastDecision(log) });
}
