import type { Edit } from '../../offsets.ts';
import { describeStep, type FindEdits } from './describe.ts';

/** Most letters a word may be asked to have. */
const MOST_LETTERS = 40;

/** Words of fewer letters than this. */
export const shortWords = describeStep({
  name: 'Short words',
  help: 'Takes out words of fewer letters than you say.',
  fields: {
    letters: {
      ask: 'number',
      label: 'Letters',
      usual: 3,
      range: { min: 1, max: MOST_LETTERS, whole: true },
      before: 'fewer than',
      after: 'letters',
    },
  },
  say: ({ letters }) => `words of fewer than ${letters} letters are taken out`,
});

const WORD_RUN = /[\p{L}\p{M}\p{N}'’-]+/gu;

export const findShortWords: FindEdits<typeof shortWords> = (text, { letters }) => {
  if (letters <= 1) return [];
  const edits: Edit[] = [];
  const short = new RegExp(`^\\p{L}{1,${Math.min(letters - 1, MOST_LETTERS)}}$`, 'u');
  for (const { index, 0: found } of text.matchAll(WORD_RUN)) {
    if (found.length < 2 * letters && short.test(found)) {
      edits.push({ start: index, end: index + found.length, replacement: ' ' });
    }
  }
  return edits;
};
