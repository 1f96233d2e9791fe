import { findSpecials } from '../../addresses.ts';
import type { Edit } from '../../offsets.ts';
import { describeStep, type FindEdits } from './describe.ts';

export const addresses = describeStep({
  name: 'Web and mail addresses',
  help: 'Takes out addresses of pages and mail.',
  fields: {},
  say: () => 'web and mail addresses are taken out',
});

export const findAddresses: FindEdits<typeof addresses> = (text) => {
  const edits: Edit[] = [];
  for (const { start, end, kind } of findSpecials(text)) {
    if (kind === 'address') edits.push({ start, end, replacement: ' ' });
  }
  return edits;
};
