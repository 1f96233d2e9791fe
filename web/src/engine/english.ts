import type { Lexicon } from '@green-thicket/core/text/lexicon';
import type { Tagger } from '@green-thicket/core/text/sentence-tags';

/** What knows English: four fifths of the worker, so it comes when a first sentence is to be tagged. */
interface English {
  readonly lexicon: () => Lexicon;
  readonly tagger: () => Tagger;
}

/** Said by work that cannot go on before English is there. */
class EnglishMissing extends Error {
  override readonly name = 'EnglishMissing';
}

let english: English | undefined;

async function load(): Promise<void> {
  const [{ parseLexicon }, { createTagger }, { default: text }] = await Promise.all([
    import('@green-thicket/core/text/lexicon'),
    import('@green-thicket/core/text/tagger'),
    import('@green-thicket/core/lexicon/english.txt?raw'),
  ]);
  let lexicon: Lexicon | undefined;
  let tagger: Tagger | undefined;
  english ??= {
    lexicon: () => (lexicon ??= parseLexicon(text)),
    tagger: () => (tagger ??= createTagger()),
  };
}

function there(): English {
  if (!english) throw new EnglishMissing('English is not loaded yet.');
  return english;
}

export const lexicon = (): Lexicon => there().lexicon();
export const tagger = (): Tagger => there().tagger();

/** Milliseconds after its start at which a worker that has nothing else to do brings English in. */
const SOON = 200;

/** Brings English in before anybody waits for it; where that fails, it is told when it is needed. */
export function bringEnglishSoon(): void {
  setTimeout(() => {
    load().catch(console.warn);
  }, SOON);
}

/** Does work that may turn out to need English; then it is begun again once that is there. What it made so far is kept. */
export async function withEnglish<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (!(error instanceof EnglishMissing)) throw error;
    await load();
    return work();
  }
}
