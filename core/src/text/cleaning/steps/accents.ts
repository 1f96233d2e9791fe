import type { Edit } from '../../offsets.ts';
import { describeStep, type FindEdits } from './describe.ts';
import { lettersBefore } from './matching.ts';

export const accents = describeStep({
  name: 'Accents',
  help: 'Writes é as e, ü as u.',
  fields: {},
  say: () => 'accents are taken off',
});

/** Letters that have their accent in them, and accents that stand after their letter; marks of other scripts are no accents. */
const ACCENTED = /[\u00c0-\u024f\u1e00-\u1eff][\u0300-\u036f]*|[\u0300-\u036f]+/gu;

export const findAccents: FindEdits<typeof accents> = (text) => {
  const edits: Edit[] = [];
  for (const { index, 0: found } of text.matchAll(ACCENTED)) {
    const plain = found.normalize('NFD').replace(/[\u0300-\u036f]/g, '');
    // An accent without a letter before it belongs to nothing here.
    if (plain === '' && lettersBefore(text, index) === '') continue;
    if (plain !== found) edits.push({ start: index, end: index + found.length, replacement: plain });
  }
  return edits;
};
