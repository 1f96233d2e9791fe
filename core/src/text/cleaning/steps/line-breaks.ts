import { describeStep, type FindEdits } from './describe.ts';
import { editMatches } from './matching.ts';

export const lineBreaks = describeStep({
  name: 'Line breaks',
  help: 'Writes a space for a line break. Sentences and paragraphs were found before, and stay.',
  fields: {},
  say: () => 'line breaks become spaces',
});

const LINE_BREAK = /[ \t]{0,40}\n\s{0,200}/g;

export const findLineBreaks: FindEdits<typeof lineBreaks> = (text) => editMatches(text, LINE_BREAK);
