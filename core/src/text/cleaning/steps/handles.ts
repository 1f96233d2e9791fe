import { describeStep, type FindEdits } from './describe.ts';
import { editSigned } from './matching.ts';

export const handles = describeStep({
  name: 'Handles',
  help: 'Takes out @names, or keeps the name without its @.',
  fields: {
    keepWord: {
      ask: 'choice',
      label: 'Handles',
      usual: false,
      options: [
        { value: false, label: 'take them out' },
        { value: true, label: 'keep the word, drop the @' },
      ],
    },
  },
  say: ({ keepWord }) => (keepWord ? 'handles lose their @' : 'handles are taken out'),
});

const HANDLE = /(?<![\p{L}\p{N}])@[\p{L}\p{N}_]+/gu;

export const findHandles: FindEdits<typeof handles> = (text, { keepWord }) =>
  editSigned(text, '@', HANDLE, keepWord);
