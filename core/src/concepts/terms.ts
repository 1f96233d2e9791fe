import { NOUN, OTHER_PART, type Lexicon } from '../languages/en/lexicon.ts';
import { lemmaInStudy } from '../languages/en/lemmas.ts';
import { lemmaByForms, type CuedWords } from '../text/words/parts-by-neighbours.ts';
import type { WordKnowledge } from '../text/words/word-knowledge.ts';
import type { PartsOfTypes } from '../text/words/parts-of-speech.ts';
import type { Language } from '../languages/language.ts';
import { plainForm } from '../languages/plain-form.ts';
import { stemmerOf } from '../languages/stems.ts';
import { WORD } from '../text/scan.ts';
import type { Tokens } from '../text/tokens.ts';
import { stopForm, type StopWordsOf } from './stop-words.ts';

/** The words of a collection brought to their dictionary forms. */
export interface Terms {
  readonly labels: readonly string[];
  /** Part of speech most of a term's tokens have; index into `PARTS_OF_SPEECH`. */
  readonly part: Uint8Array;
  /** Term of each type; −1 for what is no word. */
  readonly ofType: Int32Array;
  /** Each type's form, and each term's label, as stop lists have them (`stopForm`). */
  readonly listedForms: readonly string[];
  readonly listedLabels: readonly string[];
  /** 1 for each term that stands for a number or a time. */
  readonly isNumber: Uint8Array;
  /** Whether its labels are dictionary forms whatever form the texts have. */
  readonly areLemmas: boolean;
}

/** Adds what is looked up of every word at every decision. */
export function termsOf(
  tokens: Tokens,
  terms: Pick<Terms, 'labels' | 'part' | 'ofType' | 'areLemmas'>,
  languageOf: (type: number) => Pick<Language, 'isNumberWord' | 'elides'>,
): Terms {
  const isNumber = new Uint8Array(terms.labels.length);
  terms.ofType.forEach((term, type) => {
    if (term >= 0 && languageOf(type).isNumberWord(terms.labels[term].toLowerCase())) isNumber[term] = 1;
  });
  return {
    ...terms,
    listedForms: tokens.forms.map((form, type) => stopForm(languageOf(type).elides ? plainForm(form) : form)),
    listedLabels: terms.labels.map(stopForm),
    isNumber,
  };
}

/** What a term is: a lemma, a stem shown as its most frequent full form, or the form as written. */
export type TermUnit = 'lemma' | 'stem' | 'form';

/** How the words of one language are read. */
export interface TermReading {
  readonly known: WordKnowledge | undefined;
  readonly language: Language;
}

/** The terms of a collection in one language (`readTermsOf`). */
export const readTerms = (
  tokens: Tokens,
  parts: PartsOfTypes,
  known: WordKnowledge | undefined,
  unit: TermUnit,
  language: Language,
  inner?: ReadonlyMap<number, string>,
): Terms => readTermsOf(tokens, parts, { readings: [{ known, language }], readingOf: () => 0 }, unit, inner);

/**
 * Brings types to terms, each by what is known of its language. Where a language has no lexicon, its words are brought to
 * their stems instead of lemmas.
 *
 * @param parts parts of speech by type
 * @param readings of each language, and which of them a type is read by
 * @param inner how types with a capital beyond their first letter are written
 */
export function readTermsOf(
  tokens: Tokens,
  parts: PartsOfTypes,
  {
    readings,
    readingOf,
  }: { readonly readings: readonly TermReading[]; readonly readingOf: (type: number) => number },
  unit: TermUnit,
  inner?: ReadonlyMap<number, string>,
): Terms {
  const keys = readings.map(({ known, language }) =>
    unit === 'form'
      ? (type: number) => tokens.forms[type].replaceAll('’', "'")
      : unit === 'lemma' && known
        ? known.lexicon
          ? lemmaKeys(tokens, parts, known.lexicon)
          : cuedKeys(tokens, parts, known.cued, inner)
        : stemKeys(tokens, language),
  );
  const labels: string[] = [];
  const idOf = new Map<string, number>();
  const ofType = new Int32Array(tokens.forms.length).fill(-1);
  const votes: number[] = [];
  for (let type = 0; type < ofType.length; type++) {
    if (tokens.kindOf[type] !== WORD) continue;
    const label = keys[readingOf(type)](type);
    let term = idOf.get(label);
    if (term === undefined) {
      term = labels.length;
      idOf.set(label, term);
      labels.push(label);
      votes.push(0, 0, 0, 0);
    }
    ofType[type] = term;
    votes[term * 4 + parts.part[type]] += tokens.mentionsOf[type];
  }
  const part = new Uint8Array(labels.length).fill(OTHER_PART);
  for (let term = 0; term < labels.length; term++) {
    let best = NOUN;
    for (let p = NOUN; p <= OTHER_PART; p++) if (votes[term * 4 + p] > votes[term * 4 + best]) best = p;
    part[term] = best;
  }
  return termsOf(
    tokens,
    {
      labels,
      part,
      ofType,
      areLemmas: unit === 'lemma' && readings.some(({ known }) => known?.cued !== undefined),
    },
    (type) => readings[readingOf(type)].language,
  );
}

/** The lemma of a type; without case folding Bus and bus stay apart. */
function lemmaKeys(tokens: Tokens, parts: PartsOfTypes, lexicon: Lexicon): (type: number) => string {
  const used = new Set(tokens.forms);
  return (type) => {
    const form = tokens.forms[type];
    const label = lemmaInStudy(lexicon, form, parts.part[type], (candidate) => used.has(candidate));
    return form[0] !== form[0].toLowerCase() ? label[0].toUpperCase() + label.slice(1) : label;
  };
}

/** The lemma of a type by forms and cues; of several, the one the study uses most. */
function cuedKeys(
  tokens: Tokens,
  parts: PartsOfTypes,
  words: CuedWords,
  inner: ReadonlyMap<number, string> | undefined,
): (type: number) => string {
  const used = new Map<string, number>();
  tokens.forms.forEach((form, type) => {
    const word = plainForm(form);
    used.set(word, (used.get(word) ?? 0) + tokens.mentionsOf[type]);
  });
  // One word has one key, however its forms are written.
  const shapes = new Map<string, string>();
  for (const written of words.nounsInCapitals ? (inner?.values() ?? []) : [])
    shapes.set(written.toLowerCase(), written);
  return (type) => {
    const lemma = lemmaByForms(
      words,
      tokens.forms[type],
      parts.part[type],
      (candidate) => used.get(candidate) ?? 0,
    );
    return shapes.get(lemma.toLowerCase()) ?? lemma;
  };
}

/** The most mentioned form that shares a type's stem; among equals the first in code-unit order. */
function stemKeys(tokens: Tokens, language: Language): (type: number) => string {
  const stem = stemmerOf(language);
  const stems = tokens.forms.map((form, type) =>
    tokens.kindOf[type] === WORD ? stem(form.replaceAll('’', "'")) : '',
  );
  const best = new Map<string, number>();
  stems.forEach((each, type) => {
    const held = best.get(each);
    const more =
      held === undefined ||
      tokens.mentionsOf[type] > tokens.mentionsOf[held] ||
      (tokens.mentionsOf[type] === tokens.mentionsOf[held] && tokens.forms[type] < tokens.forms[held]);
    if (more) best.set(each, type);
  });
  return (type) => tokens.forms[best.get(stems[type]) ?? type].replaceAll('’', "'");
}

/** The terms by every form they are written in, small letters; a form of several terms is that of the most mentions. */
export function termsByForm(tokens: Tokens, terms: Terms): Map<string, number> {
  const found = new Map<string, number>();
  const weight = new Map<string, number>();
  terms.labels.forEach((label, term) => {
    if (!found.has(label.toLowerCase())) found.set(label.toLowerCase(), term);
  });
  tokens.forms.forEach((form, type) => {
    const term = terms.ofType[type];
    if (term < 0) return;
    const small = form.toLowerCase().replaceAll('’', "'");
    if ((weight.get(small) ?? 0) >= tokens.mentionsOf[type]) return;
    weight.set(small, tokens.mentionsOf[type]);
    found.set(small, term);
  });
  return found;
}

/** A type that may be a concept or part of one. */
export const OPEN = 0;
/** A type that is no concept by itself but may be part of a phrase. */
export const STOPPED_ALONE = 1;
export const STOPPED = 2;

/** Types that are no concepts by themselves where they are not let back in (`boundTypes`). */
export interface BoundTypes {
  readonly types: Uint8Array;
  readonly allowed: readonly string[];
}

/** How each type is stopped, by its form or by its term, or by the phrases it stands in. */
export function stoppedTypes(terms: Terms, stopWordsOf: StopWordsOf, bound?: BoundTypes): Uint8Array {
  const allowed = new Set(bound?.allowed.map(stopForm));
  const stopped = new Uint8Array(terms.ofType.length);
  for (let type = 0; type < stopped.length; type++) {
    const term = terms.ofType[type];
    if (term < 0) {
      stopped[type] = STOPPED;
      continue;
    }
    const label = terms.listedLabels[term];
    const stopWords = stopWordsOf(type);
    const how =
      label.length < 2 ? 'everywhere' : (stopWords.get(terms.listedForms[type]) ?? stopWords.get(label));
    if (how === 'everywhere') stopped[type] = STOPPED;
    else if (how === 'alone') stopped[type] = STOPPED_ALONE;
    else if (bound?.types[type] === 1 && !allowed.has(terms.listedForms[type]) && !allowed.has(label))
      stopped[type] = STOPPED_ALONE;
  }
  return stopped;
}
