import { sentenceAt, type Tokens } from '../text/tokens.ts';
import type { Hits } from './hits.ts';

/** What the lines of a concordance are sorted by. */
export type LineOrder = 'text' | 'left' | 'right';

/** Words on a side that are compared, the nearest first. */
const COMPARED = 5;

/**
 * The order of the lines of a concordance: as they stand in the text, or by the words to the right (the nearest first) or
 * to the left. Words are compared by code units of their forms, whatever the machine's language; those at a source's edge
 * come first.
 */
export function orderOfLines(tokens: Tokens, hits: Hits, order: LineOrder): Int32Array {
  const lines = Int32Array.from(hits.first.keys());
  if (order === 'text') return lines;
  const rank = rankOfTypes(tokens);
  const keyAt = (line: number, step: number): number => {
    const token = order === 'right' ? hits.end[line] + step : hits.first[line] - 1 - step;
    const own = hits.first[line];
    if (token < 0 || token >= tokens.type.length) return -1;
    const [low, high] = [Math.min(token, own), Math.max(token, own)];
    return crossesSource(tokens, low, high) ? -1 : rank[tokens.type[token]];
  };
  const width = COMPARED;
  const keys = new Int32Array(lines.length * width);
  for (let line = 0; line < lines.length; line++) {
    for (let step = 0; step < width; step++) keys[line * width + step] = keyAt(line, step);
  }
  return lines.sort((a, b) => {
    for (let step = 0; step < width; step++) {
      const difference = keys[a * width + step] - keys[b * width + step];
      if (difference !== 0) return difference;
    }
    return a - b;
  });
}

function crossesSource(tokens: Tokens, low: number, high: number): boolean {
  return tokens.sentenceSource[sentenceAt(tokens, low)] !== tokens.sentenceSource[sentenceAt(tokens, high)];
}

/** The place of each type's form among all of them, small letters, in code-unit order. */
export function rankOfTypes(tokens: Tokens): Int32Array {
  const forms = tokens.forms.map((form) => form.toLowerCase());
  const order = Array.from(forms.keys()).sort((a, b) =>
    forms[a] < forms[b] ? -1 : forms[a] > forms[b] ? 1 : a - b,
  );
  const rank = new Int32Array(forms.length);
  let place = -1;
  order.forEach((type, i) => {
    if (i === 0 || forms[type] !== forms[order[i - 1]]) place++;
    rank[type] = place;
  });
  return rank;
}
