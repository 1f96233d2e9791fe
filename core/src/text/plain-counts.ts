import type { Tokens } from './tokens.ts';

/** What is in a source or a group of them. */
export interface PlainCounts {
  readonly words: number;
  readonly differentWords: number;
  readonly sentences: number;
  readonly paragraphs: number;
  /** Turns of talk; 0 where nobody is named. */
  readonly turns: number;
}

/** Counts some sources together; a paragraph or turn with no word left after cleaning is not counted. */
export function countPlainly(tokens: Tokens, sources: readonly number[]): PlainCounts {
  const seen = new Uint8Array(tokens.forms.length);
  let words = 0;
  let differentWords = 0;
  let sentences = 0;
  let paragraphs = 0;
  let turns = 0;
  for (const source of sources) {
    const from = tokens.sourceFirst[source];
    const to = tokens.sourceFirst[source + 1];
    sentences += to - from;
    for (let s = from; s < to; s++) {
      if (s === from || tokens.sentenceParagraph[s] !== tokens.sentenceParagraph[s - 1]) paragraphs++;
      const turn = tokens.sentenceTurn[s];
      if (turn > 0 && (s === from || turn !== tokens.sentenceTurn[s - 1])) turns++;
    }
    for (let t = tokens.sentenceFirst[from]; t < tokens.sentenceFirst[to]; t++) {
      words++;
      if (seen[tokens.type[t]] === 0) {
        seen[tokens.type[t]] = 1;
        differentWords++;
      }
    }
  }
  return { words, differentWords, sentences, paragraphs, turns };
}
