import { bareForm } from '../text/parts-of-speech.ts';
import type { Tokens } from '../text/tokens.ts';
import type { Occurrences } from './occurrences.ts';
import type { Terms } from './terms.ts';

/** What is shown instead of its key, by number: phrases as they are most often written, and words never written as their key. */
export function asWritten(tokens: Tokens, terms: Terms, met: Occurrences): Map<number, string> {
  return new Map([...wordsAsWritten(tokens, terms, met), ...phrasesAsWritten(tokens, met)]);
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
    if (term < 0 || isWritten[term] === 1) return [];
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
  { occurrence, occurrenceFirst, occurrenceEnd, isPhrase }: Occurrences,
): Map<number, string> {
  const forms = new Map<number, Map<string, number>>();
  for (let i = 0; i < occurrence.length; i++) {
    // Nearly all that is met is a word.
    if (occurrenceEnd[i] - occurrenceFirst[i] < 2 || !isPhrase(occurrence[i])) continue;
    let form = tokens.forms[tokens.type[occurrenceFirst[i]]];
    for (let t = occurrenceFirst[i] + 1; t < occurrenceEnd[i]; t++)
      form += ` ${tokens.forms[tokens.type[t]]}`;
    const of = forms.get(occurrence[i]) ?? new Map<string, number>();
    forms.set(occurrence[i], of);
    of.set(form, (of.get(form) ?? 0) + 1);
  }
  return new Map(
    Array.from(forms, ([phrase, of]) => [phrase, [...of].reduce((a, b) => (b[1] > a[1] ? b : a))[0]]),
  );
}
