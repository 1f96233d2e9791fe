import type { Lexicon } from '@green-thicket/core/text/words/lexicon';
import type { Meanings } from '@green-thicket/core/text/words/meanings';
import type { ToneList } from '@green-thicket/core/compare/tone-lists';
import type { Tagger } from '@green-thicket/core/text/words/sentence-tags';
import type { English } from './answering.ts';

type Part = 'words' | 'meanings' | 'tone';

/** Said by work that cannot go on before a part of English is there. */
class EnglishMissing extends Error {
  override readonly name = 'EnglishMissing';
  constructor(readonly part: Part) {
    super(`English is not loaded yet: ${part}.`);
  }
}

/** Words and their parts of speech: four fifths of the worker, so they come when a first sentence is to be tagged. */
let words: Pick<English, 'lexicon' | 'tagger'> | undefined;
/** What words can mean: as large again, and asked for seldom. */
let meanings: English['meanings'] | undefined;
/** How words sound, by published lists: asked for at Compare. */
let tone: English['tone'] | undefined;

async function loadWords(): Promise<void> {
  const [{ parseLexicon }, { createTagger }, { default: text }] = await Promise.all([
    import('@green-thicket/core/text/words/lexicon'),
    import('@green-thicket/core/text/words/tagger'),
    import('@green-thicket/core/lexicon/english.txt?raw'),
  ]);
  let lexicon: Lexicon | undefined;
  let tagger: Tagger | undefined;
  words ??= {
    lexicon: () => (lexicon ??= parseLexicon(text)),
    tagger: () => (tagger ??= createTagger()),
  };
}

async function loadMeanings(): Promise<void> {
  const [{ parseMeanings }, { default: text }] = await Promise.all([
    import('@green-thicket/core/text/words/meanings'),
    import('@green-thicket/core/lexicon/meanings.txt?raw'),
  ]);
  let parsed: Meanings | undefined;
  meanings ??= () => (parsed ??= parseMeanings(text));
}

async function loadTone(): Promise<void> {
  const [{ parseToneLists }, { default: text }] = await Promise.all([
    import('@green-thicket/core/compare/tone-lists'),
    import('@green-thicket/core/lexicon/tone.txt?raw'),
  ]);
  let parsed: readonly ToneList[] | undefined;
  tone ??= () => (parsed ??= parseToneLists(text));
}

const LOADERS: Readonly<Record<Part, () => Promise<void>>> = {
  words: loadWords,
  meanings: loadMeanings,
  tone: loadTone,
};

function there<T>(part: Part, held: T | undefined): T {
  if (held === undefined) throw new EnglishMissing(part);
  return held;
}

/** Milliseconds after its start at which a worker that has nothing else to do brings English in. */
const SOON = 200;

/** Brings English in before anybody waits for it; where that fails, it is told when it is needed. */
export function bringEnglishSoon(): void {
  setTimeout(() => {
    loadWords().catch(console.warn);
  }, SOON);
}

export const english: English = {
  lexicon: () => there('words', words).lexicon(),
  tagger: () => there('words', words).tagger(),
  meanings: () => there('meanings', meanings)(),
  tone: () => there('tone', tone)(),
  async with(work) {
    for (;;) {
      try {
        return await work();
      } catch (error) {
        if (!(error instanceof EnglishMissing)) throw error;
        await LOADERS[error.part]();
      }
    }
  },
};
