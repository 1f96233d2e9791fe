import type { Tokens } from '../tokens.ts';

/** Sources a sentence must stand in: so many, and this share of all. */
const FEWEST_SOURCES = 3;
const SHARE_OF_SOURCES = 0.05;
/** Shorter ones, in words, are said by chance: “I do not know.” */
const FEWEST_WORDS = 5;

/** Sentences that many sources hold word for word. */
export interface RepeatedSentences {
  /** 1 for each sentence that is one. */
  readonly isRepeated: Uint8Array;
  /** How many different ones there are. */
  readonly count: number;
  /** Of the one that stands in most sources: one of its places, and these sources; undefined where there is none. */
  readonly commonest: { readonly sentence: number; readonly sources: number } | undefined;
}

/** A sentence over all sources. */
interface Known {
  readonly sentence: number;
  sources: number;
  last: number;
}

/**
 * Sentences of five words or more that three sources and one in twenty hold, the same words in the same order: a question asked of
 * everyone, a footer, a form. That their words stand together says nothing of what people put together. A source that is one such
 * sentence and nothing else, as a short answer is, does not count.
 */
export function repeatedSentences(tokens: Tokens): RepeatedSentences {
  const { sentenceFirst, sentenceSource, sourceFirst, type } = tokens;
  const sentences = sentenceFirst.length - 1;
  const known = new Map<string, Known>();
  const keyOf = (sentence: number): string | undefined => {
    const [from, to] = [sentenceFirst[sentence], sentenceFirst[sentence + 1]];
    const source = sentenceSource[sentence];
    const isAlone = sourceFirst[source + 1] - sourceFirst[source] === 1;
    return to - from < FEWEST_WORDS || isAlone ? undefined : type.subarray(from, to).join(' ');
  };
  for (let s = 0; s < sentences; s++) {
    const key = keyOf(s);
    if (key === undefined) continue;
    const of = known.get(key);
    if (!of) known.set(key, { sentence: s, sources: 1, last: sentenceSource[s] });
    else if (of.last !== sentenceSource[s]) {
      of.sources++;
      of.last = sentenceSource[s];
    }
  }
  const enough = Math.max(FEWEST_SOURCES, SHARE_OF_SOURCES * (sourceFirst.length - 1));
  const repeated = new Map([...known].filter(([, { sources }]) => sources >= enough));
  const isRepeated = new Uint8Array(sentences);
  if (repeated.size > 0)
    for (let s = 0; s < sentences; s++) if (repeated.has(keyOf(s) ?? '')) isRepeated[s] = 1;
  let commonest: RepeatedSentences['commonest'];
  for (const { sentence, sources } of repeated.values())
    if (sources > (commonest?.sources ?? 0)) commonest = { sentence, sources };
  return { isRepeated, count: repeated.size, commonest };
}
