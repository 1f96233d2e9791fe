import { decodeHTML } from 'entities';
import { describeStep, type FindEdits } from './describe.ts';
import { editMatches } from './matching.ts';

/** HTML tags go, entities such as &amp;amp; become the character they stand for. */
export const tags = describeStep({
  name: 'HTML tags and entities',
  help: 'Takes out tags such as <b> and writes &amp; as &.',
  fields: {},
  say: () => 'HTML tags and entities are resolved',
});

const TAG_OR_ENTITY =
  /<!--[\s\S]{0,4000}?-->|<\/?[A-Za-z][^<>]{0,2000}>|&(?:#\d{1,7}|#x[\dA-Fa-f]{1,6}|[A-Za-z][A-Za-z0-9]{1,31});/g;
/** Tags that stand inside words and sentences: taking them out parts nothing. */
const INLINE_TAG = /^<\/?(?:a|abbr|b|cite|em|i|mark|small|span|strong|sub|sup|u)[\s>/]/i;

export const findTags: FindEdits<typeof tags> = (text) =>
  /[<&]/.test(text)
    ? editMatches(text, TAG_OR_ENTITY, ([found]) => {
        if (found[0] === '&') return decodeHTML(found);
        return INLINE_TAG.test(found) ? '' : ' ';
      })
    : [];
