import type { Lexicon } from '@green-thicket/core/text/lexicon';
import type { Tagger } from '@green-thicket/core/text/sentence-tags';
import type { English } from './answering.ts';

/** Four fifths of the worker, so it comes when a first sentence is to be tagged. */
type Loaded = Omit<English, 'with'>;

/** Said by work that cannot go on before English is there. */
class EnglishMissing extends Error {
  override readonly name = 'EnglishMissing';
}

let loaded: Loaded | undefined;

async function load(): Promise<void> {
  const [{ parseLexicon }, { createTagger }, { default: text }] = await Promise.all([
    import('@green-thicket/core/text/lexicon'),
    import('@green-thicket/core/text/tagger'),
    import('@green-thicket/core/lexicon/english.txt?raw'),
  ]);
  let lexicon: Lexicon | undefined;
  let tagger: Tagger | undefined;
  loaded ??= {
    lexicon: () => (lexicon ??= parseLexicon(text)),
    tagger: () => (tagger ??= createTagger()),
  };
}

function there(): Loaded {
  if (!loaded) throw new EnglishMissing('English is not loaded yet.');
  return loaded;
}

/** Milliseconds after its start at which a worker that has nothing else to do brings English in. */
const SOON = 200;

/** Brings English in before anybody waits for it; where that fails, it is told when it is needed. */
export function bringEnglishSoon(): void {
  setTimeout(() => {
    load().catch(console.warn);
  }, SOON);
}

export const english: English = {
  lexicon: () => there().lexicon(),
  tagger: () => there().tagger(),
  async with(work) {
    try {
      return await work();
    } catch (error) {
      if (!(error instanceof EnglishMissing)) throw error;
      await load();
      return work();
    }
  },
};
