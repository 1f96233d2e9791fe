import type { Edit } from '../../offsets.ts';
import { describeStep, type FindEdits } from './describe.ts';
import { isWordAt } from './matching.ts';

/** The marks given, or all where that is empty; apostrophes and hyphens inside words stay. */
export const punctuation = describeStep({
  name: 'Punctuation',
  help: 'Takes out marks. Apostrophes and hyphens inside words stay; sentences were found before.',
  fields: {
    marks: {
      ask: 'text',
      label: 'Only these marks',
      usual: '',
      longest: 200,
      placeholder: 'all marks; or write some, such as ( ) *',
    },
  },
  say: ({ marks }) =>
    marks === ''
      ? 'punctuation is taken out'
      : `the marks ${marks.replace(/\s/g, '').split('').join(' ')} are taken out`,
});

const MARKS = /\p{P}+/gu;
const ANY_MARK = /[^\p{L}\p{N}\s]/gu;
const INNER_MARK = /^['’\-‐‑]$/;

export const findPunctuation: FindEdits<typeof punctuation> = (text, set) => {
  const chosen = set.marks === '' ? undefined : new Set(set.marks.replace(/\s/g, ''));
  const edits: Edit[] = [];
  for (const { index, 0: found } of text.matchAll(chosen ? ANY_MARK : MARKS)) {
    if (chosen && !chosen.has(found)) continue;
    const end = index + found.length;
    // An apostrophe or a hyphen inside a word stands alone between its letters.
    if (INNER_MARK.test(found) && isWordAt(text, index - 1) && isWordAt(text, end)) continue;
    edits.push({ start: index, end, replacement: ' ' });
  }
  return edits;
};
