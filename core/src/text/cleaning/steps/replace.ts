import type { Edit } from '../../offsets.ts';
import { compileFixed, compilePattern, matchesOf } from '../../patterns.ts';
import { describeStep, LONGEST_PATTERN, quoted, type FindEdits } from './describe.ts';
import { isWordAt } from './matching.ts';

/** A fixed text or a pattern, and what takes its place (nothing, as a space, where that is empty). */
export const replace = describeStep({
  name: 'A text or pattern of your own',
  help: 'Takes out, or puts another text in the place of, what you write here.',
  fields: {
    find: {
      ask: 'text',
      label: 'Text to find',
      usual: '',
      longest: LONGEST_PATTERN,
      placeholder: 'the text to find',
      pattern: { when: { switch: 'isPattern' }, placeholder: 'for example \\[[a-z ]+\\]' },
    },
    isPattern: { ask: 'switch', label: 'It is a pattern (regular expression)', usual: false },
    wholeWords: { ask: 'switch', label: 'Whole words only', usual: false },
    matchCase: { ask: 'switch', label: 'Capitals matter', usual: true },
    replacement: {
      ask: 'text',
      label: 'What takes its place',
      usual: '',
      longest: LONGEST_PATTERN,
      placeholder: 'nothing',
    },
  },
  repeatable: true,
  say({ find, isPattern, replacement }) {
    if (find === '') return 'a text still to be written is taken out';
    const what = `${isPattern ? 'what matches ' : ''}${quoted(find)}`;
    return replacement === '' ? `${what} is taken out` : `${what} becomes ${quoted(replacement)}`;
  },
});

export const findReplace: FindEdits<typeof replace> = (text, set) => {
  const { find, isPattern, matchCase, wholeWords } = set;
  if (find === '') return [];
  const edits: Edit[] = [];
  const pattern = isPattern ? compilePattern(find, matchCase) : compileFixed(find, matchCase);
  const replacement = set.replacement === '' ? ' ' : set.replacement;
  for (const [start, end] of matchesOf(pattern, text)) {
    if (wholeWords && (isWordAt(text, start - 1) || isWordAt(text, end))) continue;
    if (replacement !== text.slice(start, end)) edits.push({ start, end, replacement });
  }
  return edits;
};
