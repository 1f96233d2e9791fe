import { describeStep, type FindEdits } from './describe.ts';
import { editSigned } from './matching.ts';

export const hashtags = describeStep({
  name: 'Hashtags',
  help: 'Keeps the word of a #hashtag, or takes it out.',
  fields: {
    keepWord: {
      ask: 'choice',
      label: 'Hashtags',
      usual: true,
      options: [
        { value: false, label: 'take them out' },
        { value: true, label: 'keep the word, drop the #' },
      ],
    },
  },
  say: ({ keepWord }) => (keepWord ? 'hashtags lose their #' : 'hashtags are taken out'),
});

const HASHTAG = /(?<![\p{L}\p{N}&])#[\p{L}\p{N}_]+/gu;

export const findHashtags: FindEdits<typeof hashtags> = (text, { keepWord }) =>
  editSigned(text, '#', HASHTAG, keepWord);
