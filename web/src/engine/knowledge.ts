import { finishInTime, onceLoaded, type Stepwise } from '@green-thicket/core/base/stepwise';
import { parseToneLists } from '@green-thicket/core/compare/tone-lists';
import { knownBy } from '@green-thicket/core/languages/known-by';
import { parseLexicon } from '@green-thicket/core/languages/en/lexicon';
import { cuedKnowledge, type WordKnowledge } from '@green-thicket/core/text/words/word-knowledge';
import type { Knowledge } from './answering.ts';

/** English words and their parts of speech. */
const loadEnglish = onceLoaded(
  async () => (await import('@green-thicket/core/lexicon/english.txt?raw')).default,
);

let english: WordKnowledge | undefined;
function* englishWords(): Stepwise<WordKnowledge> {
  const text = yield* loadEnglish();
  return (english ??= { lexicon: parseLexicon(text) });
}

/** What words can mean: as large again, and asked for seldom. */
const englishMeanings = onceLoaded(async () => {
  const [{ parseMeanings }, { default: text }] = await Promise.all([
    import('@green-thicket/core/languages/en/meanings'),
    import('@green-thicket/core/lexicon/meanings.txt?raw'),
  ]);
  return parseMeanings(text);
});

/** How words sound, by published lists: asked for at Compare. */
const tone = onceLoaded(async () => {
  const { default: text } = await import('@green-thicket/core/lexicon/tone.txt?raw');
  return parseToneLists(text);
});

/** The forms of a language's words, each loaded when a text is in it. */
const FORMS = {
  german: onceLoaded(async () => (await import('@green-thicket/core/lexicon/german.txt?raw')).default),
  french: onceLoaded(async () => (await import('@green-thicket/core/lexicon/french.txt?raw')).default),
  italian: onceLoaded(async () => (await import('@green-thicket/core/lexicon/italian.txt?raw')).default),
};
const otherWords = cuedKnowledge(function* (name, make): Stepwise<WordKnowledge> {
  return make(name && (yield* FORMS[name]()));
});

export const knowledge: Knowledge = {
  words: knownBy({ en: englishWords, ...otherWords }),
  meanings: knownBy({ en: englishMeanings }),
  tone,
};

/** Milliseconds after its start at which a worker that has nothing else to do brings in what it will need first. */
const SOON = 1500;

/** Brings in what most studies need before anybody waits for it; where that fails, it is told when it is needed. */
export function bringWordsSoon(): void {
  setTimeout(() => {
    finishInTime(loadEnglish()).catch(console.warn);
  }, SOON);
}
