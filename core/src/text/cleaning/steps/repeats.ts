import type { Edit } from '../../offsets.ts';
import { describeStep, type FindEdits } from './describe.ts';

/** A letter three times or more in a row is written once or twice. */
export const repeats = describeStep({
  name: 'Repeated letters',
  help: 'Writes a letter that stands three times or more in a row once or twice: sooo, so.',
  fields: {
    keep: {
      ask: 'choice',
      label: 'Repeated letters',
      usual: 1,
      options: [
        { value: 1, label: 'write once' },
        { value: 2, label: 'write twice' },
      ],
    },
  },
  say: ({ keep }) => `repeated letters are written ${keep === 1 ? 'once' : 'twice'}`,
});

const REPEATED = /(\p{L})\1{2,}/iuy;

export const findRepeats: FindEdits<typeof repeats> = (text, { keep }) => {
  const edits: Edit[] = [];
  for (let i = 0; i + 2 < text.length; i++) {
    if (!mayRepeat(text, i)) continue;
    REPEATED.lastIndex = i;
    const found = REPEATED.exec(text);
    if (!found) continue;
    const replacement = found[1].length === 1 ? found[0].slice(0, keep) : found[1].repeat(keep);
    edits.push({ start: i, end: i + found[0].length, replacement });
    i += found[0].length - 1;
  }
  return edits;
};

/** Whether a letter may stand three times from a place on: a quick look before the pattern is tried. */
function mayRepeat(text: string, place: number): boolean {
  const [a, b] = [text.charCodeAt(place), text.charCodeAt(place + 1)];
  if (a < 128) return a === b || (a ^ b) === 32 || b > 127;
  if (a >= 0xd800 && a <= 0xdbff) return a === text.charCodeAt(place + 2);
  return a === b || text[place].toLowerCase() === text[place + 1].toLowerCase();
}
