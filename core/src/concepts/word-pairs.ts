import { WORD } from '../text/scan.ts';
import type { Tokens } from '../text/tokens.ts';
import { stopForm, type StopWordsOf } from './stop-words.ts';

/** Two words that stand side by side, as written, small letters. */
export interface WordPair {
  readonly first: string;
  readonly second: string;
  /** How often they stand so. */
  readonly count: number;
  /** How often the first and the second stand anywhere. */
  readonly firstCount: number;
  readonly secondCount: number;
  /** Normalised pointwise mutual information (Bouma 2009): 1 where they stand only together, 0 as chance has it. */
  readonly npmi: number;
}

/** A pair met less often says nothing. */
const FEWEST = 2;

/**
 * Pairs of words side by side in a sentence, neither of them a stop word, by falling count, then by NPMI, then by
 * letters. One pass over the tokens.
 */
export function wordPairs(
  tokens: Tokens,
  stopWordsOf: StopWordsOf,
  limit: number,
): { pairs: WordPair[]; total: number } {
  const plain = tokens.forms.map(stopForm);
  // Without case folding Bus and bus are two types of one word.
  const idOf = new Map<string, number>();
  const wordOf = Int32Array.from(plain, (form, type) => {
    if (tokens.kindOf[type] !== WORD || form.length < 2 || stopWordsOf(type).has(form)) return -1;
    let id = idOf.get(form);
    if (id === undefined) idOf.set(form, (id = idOf.size));
    return id;
  });
  const words = [...idOf.keys()];
  const counts = new Map<number, number>();
  const single = new Int32Array(words.length);
  for (let s = 0; s + 1 < tokens.sentenceFirst.length; s++) {
    let before = -1;
    for (let t = tokens.sentenceFirst[s]; t < tokens.sentenceFirst[s + 1]; t++) {
      const word = wordOf[tokens.type[t]];
      if (word >= 0) single[word]++;
      if (word >= 0 && before >= 0) {
        const pair = before * words.length + word;
        counts.set(pair, (counts.get(pair) ?? 0) + 1);
      }
      before = word;
    }
  }
  const total = Math.max(1, tokens.type.length);
  const pairs: WordPair[] = [];
  for (const [pair, count] of counts) {
    if (count < FEWEST) continue;
    const first = Math.floor(pair / words.length);
    const second = pair % words.length;
    const share = count / total;
    const expected = (single[first] / total) * (single[second] / total);
    pairs.push({
      first: words[first],
      second: words[second],
      count,
      firstCount: single[first],
      secondCount: single[second],
      npmi: share === 1 ? 1 : Math.log(share / expected) / -Math.log(share),
    });
  }
  pairs.sort(
    (a, b) =>
      b.count - a.count ||
      b.npmi - a.npmi ||
      (a.first < b.first ? -1 : a.first > b.first ? 1 : a.second < b.second ? -1 : 1),
  );
  return { pairs: pairs.slice(0, limit), total: pairs.length };
}
