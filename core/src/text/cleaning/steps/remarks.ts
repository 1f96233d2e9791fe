import { describeStep, type FindEdits } from './describe.ts';
import { editMatches } from './matching.ts';

/** Remarks in square brackets; in round ones only the usual words of transcripts, or all where `round` is set. */
export const remarks = describeStep({
  name: 'Bracketed remarks',
  help: 'Takes out what a transcriber put in brackets, such as [laughs] or (inaudible).',
  fields: { round: { ask: 'switch', label: 'Everything in round brackets too', usual: false } },
  say: ({ round }) => `bracketed remarks are taken out${round ? ', in round brackets too' : ''}`,
});

const SQUARE_REMARK = /\[[^[\]\n]{1,120}\]/g;
const REMARK_WORDS =
  'inaudible|unclear|unintelligible|indistinct|laughs?|laughing|laughter|chuckles?|sighs?|coughs?|cries|crying|' +
  'whispers?|pauses?|long pause|short pause|silence|crosstalk|cross-talk|overlapping|applause|music|noise|phone rings|nods|shrugs';
const KNOWN_REMARK = new RegExp(
  `\\[[^[\\]\\n]{1,120}\\]|\\((?:${REMARK_WORDS})(?:[ ,:][^()\\n]{0,40})?\\)`,
  'giu',
);
const ANY_REMARK = /\[[^[\]\n]{1,120}\]|\([^()\n]{1,120}\)/g;

export const findRemarks: FindEdits<typeof remarks> = (text, { round }) => {
  if (!/[[(]/.test(text)) return [];
  const usual = text.includes('(') ? KNOWN_REMARK : SQUARE_REMARK;
  return editMatches(text, round ? ANY_REMARK : usual);
};
