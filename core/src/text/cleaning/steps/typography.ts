import { ownValue } from '../../../base/records.ts';
import { describeStep, type FindEdits } from './describe.ts';
import { editMatches } from './matching.ts';

/** Curly quotation marks, long dashes, ligatures and the like become plain ones. */
export const typography = describeStep({
  name: 'Typographic marks',
  help: 'Writes curly quotation marks, long dashes and joined letters as plain ones.',
  fields: {},
  say: () => 'typographic marks become plain ones',
});

const TYPOGRAPHIC = /[‘’‚‛′“”„‟″«»‹›‐‑‒–—―−…\u00a0\u2002-\u200a\u202f\u205fﬀﬁﬂﬃﬄﬅﬆ]/g;
const PLAIN: Readonly<Record<string, string>> = {
  '…': '...',
  ﬀ: 'ff',
  ﬁ: 'fi',
  ﬂ: 'fl',
  ﬃ: 'ffi',
  ﬄ: 'ffl',
  ﬅ: 'st',
  ﬆ: 'st',
};

function plainMark(mark: string): string {
  if (/[‘’‚‛′‹›]/.test(mark)) return "'";
  if (/[“”„‟″«»]/.test(mark)) return '"';
  return /\s/.test(mark) ? ' ' : '-';
}

export const findTypography: FindEdits<typeof typography> = (text) =>
  editMatches(text, TYPOGRAPHIC, ([found]) => ownValue(PLAIN, found) ?? plainMark(found));
