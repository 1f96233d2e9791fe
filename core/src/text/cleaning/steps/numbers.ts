import type { Edit } from '../../offsets.ts';
import { describeStep, type FindEdits } from './describe.ts';
import { editMatches } from './matching.ts';

/** Numbers that stand alone, or every digit where `inWords` is set. */
export const numbers = describeStep({
  name: 'Numbers',
  help: 'Takes out numbers written in digits, with their endings as in 2nd or 10pm.',
  fields: { inWords: { ask: 'switch', label: 'Digits inside words too, as in N7', usual: false } },
  say: ({ inWords }) => (inWords ? 'all digits are taken out' : 'numbers are taken out'),
});

const DIGITS_RUN = /\p{Nd}+/gu;
const NUMBER =
  /(?<![\p{L}\p{Nd}])\p{Nd}+(?:[.,:/]\p{Nd}{1,40}){0,8}(?:st|nd|rd|th|am|pm|s)?(?![\p{L}\p{Nd}])/iuy;
const DIGITS = /\p{Nd}+(?:[.,:/]\p{Nd}{1,40}){0,8}/gu;

export const findNumbers: FindEdits<typeof numbers> = (text, { inWords }) => {
  if (inWords) return editMatches(text, DIGITS);
  const edits: Edit[] = [];
  let last = 0;
  // The pattern looks behind itself, so it is only tried where digits are.
  for (const { index } of text.matchAll(DIGITS_RUN)) {
    if (index < last) continue;
    NUMBER.lastIndex = index;
    if (!NUMBER.test(text)) continue;
    last = NUMBER.lastIndex;
    edits.push({ start: index, end: last, replacement: ' ' });
  }
  return edits;
};
