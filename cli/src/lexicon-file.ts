import { existsSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { fontFace } from '@green-thicket/core/formats/write/html-write';
import { inOneStep } from '@green-thicket/core/base/stepwise';
import { knownBy, type KnownOf } from '@green-thicket/core/languages/known-by';
import type { FormsName } from '@green-thicket/core/languages/cued';
import { parseLexicon } from '@green-thicket/core/languages/en/lexicon';
import { cuedKnowledge, type WordKnowledge } from '@green-thicket/core/text/words/word-knowledge';

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

/** The text of a list of words: beside the built command, or in core where it runs from source. */
export function readLexiconText(name: 'english' | 'tone' | FormsName): string {
  const built = fileURLToPath(new URL(`./${name}.txt`, import.meta.url));
  const source = fileURLToPath(new URL(`../../core/lexicon/${name}.txt`, import.meta.url));
  return readFileSync(existsSync(built) ? built : source, 'utf8');
}

/** The words of languages, read when they are first asked for. */
export function wordsAtHand(): KnownOf<WordKnowledge> {
  let english: WordKnowledge | undefined;
  const read = (): WordKnowledge => (english ??= { lexicon: parseLexicon(readLexiconText('english')) });
  const others = cuedKnowledge((name, make) => inOneStep(() => make(name && readLexiconText(name))));
  return knownBy({ en: () => inOneStep(read), ...others });
}
