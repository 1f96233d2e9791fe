import { existsSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { fontFace } from '@green-thicket/core/formats/write/html-write';
import { parseLexicon, type Lexicon } from '@green-thicket/core/text/words/lexicon';

/** The type of reports and drawings as CSS: beside the built command, or in its package where it runs from source. */
export function reportFace(): string {
  const built = fileURLToPath(new URL('./figtree.woff2', import.meta.url));
  const source = fileURLToPath(
    new URL(
      '../../node_modules/@fontsource-variable/figtree/files/figtree-latin-wght-normal.woff2',
      import.meta.url,
    ),
  );
  return fontFace(readFileSync(existsSync(built) ? built : source).toString('base64'));
}

/** The text of a list of English words: beside the built command, or in core where it runs from source. */
export function readLexiconText(name: 'english' | 'tone'): string {
  const built = fileURLToPath(new URL(`./${name}.txt`, import.meta.url));
  const source = fileURLToPath(new URL(`../../core/lexicon/${name}.txt`, import.meta.url));
  return readFileSync(existsSync(built) ? built : source, 'utf8');
}

/** The English lexicon, read when it is first asked for. */
export function lexiconOnce(): () => Lexicon {
  let lexicon: Lexicon | undefined;
  return () => (lexicon ??= parseLexicon(readLexiconText('english')));
}
