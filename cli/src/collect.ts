import { readdirSync, readFileSync, statSync } from 'node:fs';
import { basename, join, relative, sep } from 'node:path';
import { byCodeUnits } from '@green-thicket/core/numeric/order';
import { readFiles, refuseUnread, type IncomingFile, type Intake } from '@green-thicket/core/study/intake';
import { reasonOf, UsageError } from './usage-error.ts';

/** The .txt and .md files named, those of folders with their path in it, in code-unit order. */
export function listFiles(paths: readonly string[]): { path: string; name: string }[] {
  const files: { path: string; name: string }[] = [];
  for (const path of paths) {
    let isFolder: boolean;
    try {
      isFolder = statSync(path).isDirectory();
    } catch (error) {
      throw new UsageError(`${path} can’t be read: ${reasonOf(error)}.`);
    }
    if (!isFolder) {
      files.push({ path, name: basename(path) });
      continue;
    }
    const found = readdirSync(path, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && /\.(?:txt|md)$/i.test(entry.name))
      .map((entry) => join(entry.parentPath, entry.name))
      .sort(byCodeUnits);
    for (const file of found) files.push({ path: file, name: relative(path, file).split(sep).join('/') });
  }
  return files;
}

/** Reads files into sources. A file that is too large is refused before its bytes are read. */
export function collect(paths: readonly string[]): Intake {
  const refused: { name: string; reason: string }[] = [];
  const readable = listFiles(paths).filter(({ path, name }) => {
    const reason = refuseUnread(name, statSync(path).size);
    if (reason !== undefined) refused.push({ name, reason });
    return reason === undefined;
  });
  function* incoming(): Iterable<IncomingFile> {
    for (const { path, name } of readable) yield { name, bytes: readFileSync(path) };
  }
  const read = readFiles(incoming(), new Set());
  return { added: read.added, refused: [...refused, ...read.refused] };
}
