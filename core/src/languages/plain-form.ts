import { bareForm } from './en/bare-form.ts';

/** What is written together with the word it stands before, in French and Italian, before which a noun or an adjective follows. */
const WITH_NOUNS = 'l d un dell all dall nell sull coll quest quell bell sant gl';
/** … or a verb. */
const WITH_VERBS = 'j m t s n c qu jusqu lorsqu puisqu quoiqu com dov cos';

const startsWith = (list: string): RegExp => new RegExp(`^(?:${list.split(' ').join('|')})'(?=\\p{L})`, 'u');
const [BEFORE_NOUN, BEFORE_VERB] = [startsWith(WITH_NOUNS), startsWith(WITH_VERBS)];

/** What a form has before its apostrophe. */
export const NOTHING_BEFORE = 0;
export const ARTICLE_BEFORE = 1;
export const PRONOUN_BEFORE = 2;

/** Straight apostrophes, composed letters, small. */
const small = (form: string): string => form.toLowerCase().replace(/[’ʼ]/g, "'").normalize('NFC');

/** What is elided before a word, as the article of *l'éducation* or the pronoun of *j'attends*. */
export function elidedBefore(form: string): number {
  const word = small(form);
  return BEFORE_NOUN.test(word) ? ARTICLE_BEFORE : BEFORE_VERB.test(word) ? PRONOUN_BEFORE : NOTHING_BEFORE;
}

/** A form as it is written without what is elided before it. */
export function withoutElided(form: string): string {
  const word = small(form);
  const rest = word.replace(BEFORE_NOUN, '').replace(BEFORE_VERB, '');
  return rest.length === word.length ? form : form.slice(form.length - rest.length);
}

/** Most forms are small letters with nothing to take off. */
const PLAIN = /^[a-z]+$/;

/**
 * A form in small letters without a possessive ending and without what is elided before it.
 *
 * @example plainForm('L’éducation') // 'éducation'
 * @example plainForm('dell’ospedale') // 'ospedale'
 */
export function plainForm(form: string): string {
  if (PLAIN.test(form)) return form;
  const word = small(form);
  return bareForm(word.replace(BEFORE_NOUN, '').replace(BEFORE_VERB, ''));
}
