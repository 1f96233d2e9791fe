import { describeStep, type FindEdits } from './describe.ts';
import { editMatches } from './matching.ts';

export const symbols = describeStep({
  name: 'Symbols and emoji',
  help: 'Takes out pictures, arrows, currency signs and the like.',
  fields: {
    which: {
      ask: 'choice',
      label: 'Which symbols',
      usual: 'both',
      options: [
        { value: 'both', label: 'symbols and emoji' },
        { value: 'emoji', label: 'emoji only' },
        { value: 'symbols', label: 'symbols only' },
      ],
    },
  },
  say: ({ which }) => `${which === 'both' ? 'symbols and emoji' : which} are taken out`,
});

const PATTERNS = {
  emoji: /(?:\p{Extended_Pictographic}|\p{Regional_Indicator}|[\u{1f3fb}-\u{1f3ff}\ufe0f\u200d\u20e3])+/gu,
  symbols:
    /(?:(?!\p{Extended_Pictographic})[\p{S}\p{Co}\ufffd\u0000-\u0008\u000b-\u001f\u007f-\u009f\u200b-\u200f\u2060\ufeff])+/gu,
  both: /(?:\p{Extended_Pictographic}|[\p{S}\p{Co}\ufffd\u0000-\u0008\u000b-\u001f\u007f-\u009f\u200b-\u200f\u2060\ufe0f\u20e3\ufeff\u{1f3fb}-\u{1f3ff}])+/gu,
};

export const findSymbols: FindEdits<typeof symbols> = (text, { which }) => editMatches(text, PATTERNS[which]);
