// What a browser fetches before the first page stands: the scripts and styles its index names, compressed.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

/** Scripts and styles of the first page, and their size compressed by gzip, in bytes. */
export function firstPage(folder) {
  const index = readFileSync(join(folder, 'index.html'), 'utf8');
  const files = [...index.matchAll(/(?:src|href)="\/([^"]+\.(?:js|css))"/g)].map((match) => match[1]);
  const bytes = files.reduce((sum, file) => sum + gzipSync(readFileSync(join(folder, file))).length, 0);
  return { files, bytes };
}
