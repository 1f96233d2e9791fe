import { bareForm } from './bare-form.ts';
import { lemmaOf, NOUN, VERB, type Lexicon } from './lexicon.ts';

/**
 * The lemma of a type's form for its part of speech. A plural or verb form the lexicon does not know loses its ending
 * only where the study itself uses the word without it, so that no lemma is a stem.
 */
export function lemmaInStudy(
  lexicon: Lexicon,
  form: string,
  part: number,
  usedForm: (candidate: string) => boolean,
): string {
  const bare = bareForm(form);
  const known = lemmaOf(lexicon, bare, part);
  if (known !== undefined) return known;
  const endings = part === NOUN ? PLURALS : part === VERB ? VERB_ENDINGS : [];
  for (const [ending, instead] of endings) {
    if (bare.length <= ending.length + 2 || !bare.endsWith(ending)) continue;
    const candidate = bare.slice(0, bare.length - ending.length) + instead;
    if (usedForm(candidate)) return candidate;
  }
  return bare;
}

const PLURALS = [
  ['ies', 'y'],
  ['es', ''],
  ['s', ''],
] as const;
const VERB_ENDINGS = [
  ['ies', 'y'],
  ['s', ''],
  ['ing', ''],
  ['ing', 'e'],
  ['ed', ''],
  ['ed', 'e'],
] as const;
