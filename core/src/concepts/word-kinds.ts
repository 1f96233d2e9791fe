import { plainForm } from '../languages/plain-form.ts';
import { PARTS_OF_SPEECH } from '../languages/en/lexicon.ts';
import { type PartsOfTypes, type WordKind } from '../text/words/parts-of-speech.ts';
import { WORD } from '../text/scan.ts';
import type { Tokens } from '../text/tokens.ts';
import type { Names } from './names.ts';
import type { StopWordsOf } from './stop-words.ts';
import { STOPPED, stoppedTypes, type Terms } from './terms.ts';
import { ownValue } from '../base/records.ts';

/** A word of the study with what it was taken for. */
export interface KindOfWord {
  /** Small letters, without a possessive ending. */
  readonly word: string;
  readonly kind: WordKind;
  readonly mentions: number;
  /** The dictionary form or stem it counts for. */
  readonly term: string;
}

/** What was found of the words of a collection. */
export interface FoundOfWords {
  readonly terms: Terms;
  readonly parts: PartsOfTypes;
  readonly names: Names;
  readonly stopWordsOf: StopWordsOf;
}

/**
 * What every word that is not stopped was taken for, by falling mentions, then by word. A word is a name where most of
 * its mentions are parts of names.
 *
 * @param said what the researcher says words are
 */
export function kindsOfWords(
  tokens: Tokens,
  { terms, parts, names, stopWordsOf }: FoundOfWords,
  said: Readonly<Record<string, WordKind>> = {},
): KindOfWord[] {
  const inNames = new Int32Array(tokens.forms.length);
  for (let i = 0; i < names.name.length; i++) {
    for (let t = names.first[i]; t < names.end[i]; t++) inNames[tokens.type[t]]++;
  }
  const stopped = stoppedTypes(terms, stopWordsOf);
  const rows = new Map<string, { mentions: number; named: number; type: number }>();
  for (let type = 0; type < tokens.forms.length; type++) {
    if (tokens.kindOf[type] !== WORD || stopped[type] === STOPPED) continue;
    const word = plainForm(tokens.forms[type]);
    const row = rows.get(word);
    if (!row) rows.set(word, { mentions: tokens.mentionsOf[type], named: inNames[type], type });
    else {
      row.mentions += tokens.mentionsOf[type];
      row.named += inNames[type];
    }
  }
  return [...rows]
    .map(([word, { mentions, named, type }]): KindOfWord => ({
      word,
      kind: ownValue(said, word) ?? (named * 2 > mentions ? 'name' : PARTS_OF_SPEECH[parts.part[type]]),
      mentions,
      term: terms.labels[terms.ofType[type]],
    }))
    .sort((a, b) => b.mentions - a.mentions || (a.word < b.word ? -1 : 1));
}
