import { readArchive, readFile } from '../formats/read/files.ts';
import { type IncomingFile } from '../formats/read/read-result.ts';
import type { ReadingControl } from '../formats/read/read-result.ts';
import type { Intake } from './sources.ts';
import { taking } from './taking.ts';

/**
 * Reads files into sources and tables; what can't be read, or is there already, is reported. Archives are opened.
 *
 * @param present ids of the sources that are there already
 */
export async function readFiles(
  files: Iterable<IncomingFile>,
  present: ReadonlySet<string>,
  control: ReadingControl = {},
): Promise<Intake> {
  const { take, refuse, done } = taking(present);
  const read = async (file: IncomingFile): Promise<void> => {
    let content: Awaited<ReturnType<typeof readFile>>;
    try {
      content = await readFile(file, control);
    } catch (error) {
      // What a reader did not foresee concerns this file alone; the others come in.
      const reason = error instanceof Error ? error.message : String(error);
      refuse({ name: file.name, reason: `It can’t be read (${reason}).` });
      return;
    }
    if (content.kind !== 'archive') {
      take(file.name, content);
      return;
    }
    const archive = readArchive(file);
    archive.refused.forEach(refuse);
    for (const inner of archive.files) {
      if (control.stopped?.()) return;
      await read(inner);
    }
  };
  for (const file of files) {
    if (control.stopped?.()) break;
    await read(file);
  }
  return done();
}
