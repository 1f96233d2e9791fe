import { describeStep, type FindEdits } from './describe.ts';
import { editMatches } from './matching.ts';

export const whiteSpace = describeStep({
  name: 'White space',
  help: 'Writes runs of spaces as one and runs of empty lines as one.',
  fields: {},
  say: () => 'white space is evened out',
});

const SPACE_RUN = /[ \t]+(?=\n)|[ \t\u00a0\u2000-\u200a\u3000]{2,}|\n{3,}/g;

export const findWhiteSpace: FindEdits<typeof whiteSpace> = (text) =>
  editMatches(text, SPACE_RUN, ({ 0: found, index }) => {
    if (found[0] === '\n') return '\n\n';
    return text[index + found.length] === '\n' ? '' : ' ';
  });
