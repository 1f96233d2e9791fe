import { existsSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** The text of the English lexicon: beside the built command, or in core where it runs from source. */
export function readLexiconText(): string {
  const built = fileURLToPath(new URL('./english.txt', import.meta.url));
  const source = fileURLToPath(new URL('../../core/lexicon/english.txt', import.meta.url));
  return readFileSync(existsSync(built) ? built : source, 'utf8');
}
