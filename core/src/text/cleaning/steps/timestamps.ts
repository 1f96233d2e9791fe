import { describeStep, type FindEdits } from './describe.ts';
import { editMatches } from './matching.ts';

export const timestamps = describeStep({
  name: 'Timestamps',
  help: 'Takes out times of a recording such as [00:01:12].',
  fields: {},
  say: () => 'timestamps are taken out',
});

const TIMESTAMP =
  /[[(]\s?\d{1,3}:\d{2}(?::\d{2})?(?:[.,]\d{1,3})?\s?[\])]|(?<![\d:])\d{1,2}:\d{2}:\d{2}(?:[.,]\d{1,3})?(?:\s{0,3}-->\s{0,3}\d{1,2}:\d{2}:\d{2}(?:[.,]\d{1,3})?)?(?![\d:])|^[ \t]{0,8}\d{1,3}:\d{2}(?=[ \t]|$)/gm;

export const findTimestamps: FindEdits<typeof timestamps> = (text) =>
  text.includes(':') ? editMatches(text, TIMESTAMP) : [];
