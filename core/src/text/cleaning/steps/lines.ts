import type { Edit } from '../../offsets.ts';
import { compilePattern } from '../../patterns.ts';
import { describeStep, LONGEST_PATTERN, quoted, type FindEdits } from './describe.ts';

/** Whole lines that match a pattern. */
export const lines = describeStep({
  name: 'Lines that match',
  help: 'Takes out whole lines in which a pattern is found.',
  fields: {
    pattern: {
      ask: 'text',
      label: 'Pattern of the lines',
      usual: '',
      longest: LONGEST_PATTERN,
      placeholder: '',
      pattern: { when: 'always', placeholder: 'for example ^Page \\d+$' },
    },
  },
  repeatable: true,
  say: ({ pattern }) =>
    pattern === ''
      ? 'lines that match a pattern still to be written are taken out'
      : `lines that match ${quoted(pattern)} are taken out`,
});

export const findLines: FindEdits<typeof lines> = (text, set) => {
  if (set.pattern === '') return [];
  const edits: Edit[] = [];
  const pattern = compilePattern(set.pattern);
  for (let start = 0; start <= text.length;) {
    const found = text.indexOf('\n', start);
    const end = found < 0 ? text.length : found;
    if (end > start && pattern.matcher(text.slice(start, end)).find()) {
      edits.push({ start, end, replacement: '' });
    }
    start = end + 1;
  }
  return edits;
};
