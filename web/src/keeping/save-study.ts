import type { DecisionLog } from '@green-thicket/core/study/record';
import { engine } from '../engine/client.ts';
import { download, fileName } from '../pieces/download.ts';
import { noteSaved } from '../store/studies.ts';

/** The last decision of a record. */
export const lastDecision = ({ records }: DecisionLog): number => records[records.length - 1]?.seq ?? 0;

/** Saves a study with its texts to a .thicket file, once the file was read back and holds all of it. */
export async function saveStudyFile(id: string, title: string, log: DecisionLog): Promise<void> {
  const name = fileName(title, '.thicket');
  const bytes = await engine.packStudy(id);
  download(name, bytes as Uint8Array<ArrayBuffer>, 'application/zip');
  await noteSaved(id, { time: new Date().toISOString(), name, seq: lastDecision(log) });
}
