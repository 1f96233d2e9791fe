import { bareForm } from '../languages/en/bare-form.ts';
import { withoutElided } from '../languages/plain-form.ts';
import type { Tokens } from '../text/tokens.ts';
import type { Occurrences } from './occurrences.ts';
import type { Terms } from './terms.ts';

/** What is shown instead of its key, by number: phrases as they are most often written, and words never written as their key. */
export function asWritten(tokens: Tokens, terms: Terms, met: Occurrences): Map<number, string> {
  return new Map([...wordsAsWritten(tokens, terms, met), ...phrasesAsWritten(tokens, terms, met)]);
}

/**
 * How a word is most often written whose dictionary form is nowhere in the texts and can't be told from its plural: *data* and
 * *criteria* of those who never write of a datum or a criterion. Of two forms as frequent the one that is met first.
 */
function wordsAsWritten(tokens: Tokens, terms: Terms, { labels, termOf }: Occurrences): [number, string][] {
  const commonest = new Int32Array(terms.labels.length).fill(-1);
  const isWritten = new Uint8Array(terms.labels.length);
  tokens.forms.forEach((form, type) => {
    const term = terms.ofType[type];
    if (term < 0) return;
    if (bareForm(form) === terms.labels[term].toLowerCase()) isWritten[term] = 1;
    const held = commonest[term];
    if (held < 0 || tokens.mentionsOf[type] > tokens.mentionsOf[held]) commonest[term] = type;
  });
  return labels.flatMap((_, id): [number, string][] => {
    const term = termOf(id);
    if (term < 0 || isWritten[term] === 1 || terms.areLemmas) return [];
    const form = tokens.forms[commonest[term]];
    // Without what a possessive adds, but with its capital.
    const written = form.slice(0, bareForm(form).length);
    return isRegularPlural(written, terms.labels[term]) ? [] : [[id, written]];
  });
}

/** Whether a plural ends as most do: the dictionary form is then at once understood. */
function isRegularPlural(plural: string, word: string): boolean {
  return [`${word}s`, `${word}es`, word.replace(/y$/, 'ies')].includes(plural);
}

/**
 * How each phrase is most often written: its lemmas make *precede year* of the preceding year, and *sink fund* of a sinking
 * fund. Of two forms as frequent the one that is met first.
 */
function phrasesAsWritten(
  tokens: Tokens,
  { areLemmas }: Terms,
  { occurrence, occurrenceFirst, occurrenceEnd, isPhrase }: Occurrences,
): Map<number, string> {
  // The ways each phrase is written: where first, and how often. Most have one or two.
  const waysOf: Way[][] = [];
  for (let i = 0; i < occurrence.length; i++) {
    const [first, end] = [occurrenceFirst[i], occurrenceEnd[i]];
    // Nearly all that is met is a word.
    if (end - first < 2 || !isPhrase(occurrence[i])) continue;
    const ways = (waysOf[occurrence[i]] ??= []);
    const known = ways.find((way) => isWrittenSo(tokens.type, way, first, end));
    if (known) known.times++;
    else ways.push({ first, end, times: 1 });
  }
  const written = new Map<number, string>();
  waysOf.forEach((ways, phrase) => {
    const { first, end } = ways.reduce((a, b) => (b.times > a.times ? b : a));
    const words = Array.from(tokens.type.subarray(first, end), (type) => tokens.forms[type]);
    if (areLemmas) words[0] = withoutElided(words[0]);
    written.set(phrase, words.join(' '));
  });
  return written;
}

/** A way a phrase is written: the tokens where it is met first, and how often. */
interface Way {
  readonly first: number;
  readonly end: number;
  times: number;
}

function isWrittenSo(types: Int32Array, way: Way, first: number, end: number): boolean {
  if (end - first !== way.end - way.first) return false;
  for (let k = 0; k < end - first; k++) if (types[first + k] !== types[way.first + k]) return false;
  return true;
}
