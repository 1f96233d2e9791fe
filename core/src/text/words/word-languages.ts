import type { SourceLanguages } from '../../languages/detect.ts';
import { LANGUAGE_CODES, type LanguageCode } from '../../languages/language-names.ts';
import { LANGUAGE_OF } from '../../languages/languages.ts';
import { plainForm } from '../../languages/plain-form.ts';
import { NUMBER, WORD } from '../scan.ts';
import type { Tokens } from '../tokens.ts';

/** In which language the words of a collection are. */
export interface WordLanguages {
  /** The languages words are read in, by what is known of them; the main one first, then by their words. */
  readonly read: readonly LanguageCode[];
  /** Those, then the languages of a few passages: only their stop words are used. */
  readonly all: readonly LanguageCode[];
  /** Place in `all` of each type's language: that of most of its mentions. */
  readonly ofType: Uint8Array;
  /** Words of passages in each of `all`. */
  readonly words: readonly number[];
  /** Types met often in several of the languages that are read, and so in none of them alone. */
  readonly alike: readonly number[];
}

/** A language of this share of the words is read by its dictionary; of fewer, only its small words are stopped. */
const READ_SHARE = 0.05;
/** A few words in another language than any source is in are a quotation. */
const FEWEST_WORDS = 40;
const FEWEST_SHARE = 0.002;
/**
 * A passage is in another language than its source where so many of its words, of so many kinds, are common there, at least
 * this share of them, and so many times those that are common in the source's own.
 */
interface Telling {
  readonly common: number;
  readonly different: number;
  readonly share: number;
  readonly lead: number;
}
/** A word is met often in a language where so many of its mentions stand, and this share. */
const OFTEN = 3;
const OFTEN_SHARE = 0.1;

const IN_A_SOURCE: Telling = { common: 4, different: 3, share: 0.2, lead: 2 };
/** A sentence among others. */
const A_SENTENCE: Telling = { common: 3, different: 3, share: 0.2, lead: 2 };
/** A source too short to tell by itself may be in any language that others are in. */
const IN_A_SHORT_SOURCE: Telling = { common: 1, different: 1, share: 0.1, lead: 1.5 };

/** A function word, without what is elided before it → the languages it is one of, as bits by their place in `LANGUAGE_CODES`; made once. */
let functionWords: ReadonlyMap<string, number> | undefined;
function functionWordsByForm(): ReadonlyMap<string, number> {
  if (functionWords) return functionWords;
  const found = new Map<string, number>();
  LANGUAGE_CODES.forEach((code, place) => {
    for (const word of new Set(LANGUAGE_OF[code].stopLayers[0]?.words.map(plainForm)))
      found.set(word, (found.get(word) ?? 0) | (1 << place));
  });
  return (functionWords = found);
}

/** All words in one language. */
export const inOneLanguage = (language: LanguageCode, tokens: Tokens): WordLanguages => ({
  read: [language],
  all: [language],
  ofType: new Uint8Array(tokens.forms.length),
  words: [tokens.type.length],
  alike: [],
});

/** The sentences of one paragraph, said by one speaker: from, and one past the last. */
function* passagesOf({
  sentenceSource,
  sentenceParagraph,
  sentenceTurn,
}: Tokens): Generator<{ readonly source: number; readonly sentences: readonly [number, number] }> {
  const count = sentenceSource.length;
  for (let s = 0; s < count;) {
    let next = s + 1;
    while (
      next < count &&
      sentenceSource[next] === sentenceSource[s] &&
      sentenceParagraph[next] === sentenceParagraph[s] &&
      sentenceTurn[next] === sentenceTurn[s]
    )
      next++;
    yield { source: sentenceSource[s], sentences: [s, next] };
    s = next;
  }
}

/** Tells the language of a passage by its function words: the one given, unless another leads it clearly. */
function passageTeller(
  tokens: Tokens,
): (
  passage: { readonly first: number; readonly end: number },
  own: LanguageCode,
  telling: Telling,
  among?: ReadonlySet<string>,
) => LanguageCode {
  const smallIn = functionWordsByForm();
  /** The languages each type is a function word of, as bits. */
  const maskOf = Uint16Array.from(tokens.forms, (form) => smallIn.get(plainForm(form)) ?? 0);
  const { type } = tokens;
  const hits = new Int32Array(LANGUAGE_CODES.length);
  return ({ first, end }, own, { common, different, share, lead }, among) => {
    // Of a language that is none of those known by name no words are known, and its neighbours have some of them.
    if (own === 'other') return own;
    const ownPlace = LANGUAGE_CODES.indexOf(own);
    let ofOwn = 0;
    let ofOthers = 0;
    for (let t = first; t < end; t++) {
      const mask = maskOf[type[t]];
      if (mask === 0) continue;
      if (mask & (1 << ownPlace)) ofOwn++;
      else ofOthers++;
    }
    // As nearly always: what is said in both languages is in the lead of neither.
    const fewest = Math.max(common, share * (end - first), lead * ofOwn);
    if (ofOwn + ofOthers < fewest) return own;
    hits.fill(0);
    for (let t = first; t < end; t++)
      for (let mask = maskOf[type[t]], place = 0; mask !== 0; mask >>= 1, place++) hits[place] += mask & 1;
    const best = hits.reduce((most, count, place) => (count > hits[most] ? place : most), ownPlace);
    const code = LANGUAGE_CODES[best];
    if (best === ownPlace || hits[best] < fewest || (among && !among.has(code))) return own;
    const met = new Set<number>();
    for (let t = first; t < end; t++) if (maskOf[type[t]] & (1 << best)) met.add(type[t]);
    return met.size < different ? own : code;
  };
}

/** How often types are met in passages of a language. */
interface LanguageCount {
  readonly code: LanguageCode;
  words: number;
  readonly mentions: Int32Array;
}

/** What is said in each language: in the main one all that is said in no other. */
function countByLanguage(tokens: Tokens, languages: SourceLanguages): LanguageCount[] {
  const tell = passageTeller(tokens);
  const among = new Set<string>(languages.of);
  const others = new Map<LanguageCode, LanguageCount>();
  const main: LanguageCount = {
    code: languages.main,
    words: tokens.type.length,
    mentions: tokens.mentionsOf.slice(),
  };
  const count = (first: number, end: number, code: LanguageCode): void => {
    if (code === main.code) return;
    let counted = others.get(code);
    if (!counted)
      others.set(code, (counted = { code, words: 0, mentions: new Int32Array(tokens.forms.length) }));
    counted.words += end - first;
    main.words -= end - first;
    for (let t = first; t < end; t++) {
      counted.mentions[tokens.type[t]]++;
      main.mentions[tokens.type[t]]--;
    }
  };
  for (const { source, sentences } of passagesOf(tokens)) {
    const found = languages.of[source];
    const whole = { first: tokens.sentenceFirst[sentences[0]], end: tokens.sentenceFirst[sentences[1]] };
    if (languages.isTold?.[source]) {
      count(whole.first, whole.end, found || languages.main);
      continue;
    }
    const code =
      found === '' ? tell(whole, languages.main, IN_A_SHORT_SOURCE, among) : tell(whole, found, IN_A_SOURCE);
    for (let s = sentences[0]; s < sentences[1]; s++) {
      const [first, end] = [tokens.sentenceFirst[s], tokens.sentenceFirst[s + 1]];
      count(first, end, tell({ first, end }, code, A_SENTENCE));
    }
  }
  return [main, ...[...others.values()].sort((a, b) => b.words - a.words || (a.code < b.code ? -1 : 1))];
}

/**
 * In which language each word of a collection is: that in which most of its mentions stand. Passages of another language in a
 * source are told by their common words. Words that are written alike in two languages are one word.
 */
export function wordLanguages(tokens: Tokens, languages: SourceLanguages): WordLanguages {
  const ofSources = new Set<string>([languages.main, ...languages.of]);
  const fewest = Math.max(FEWEST_WORDS, FEWEST_SHARE * tokens.type.length);
  const counts = countByLanguage(tokens, languages).filter(
    ({ code, words }) => ofSources.has(code) || words >= fewest,
  );
  if (counts.length <= 1) return inOneLanguage(languages.main, tokens);
  const read = counts.filter(
    ({ code, words }) => code === languages.main || words >= READ_SHARE * tokens.type.length,
  );
  const ofType = new Uint8Array(tokens.forms.length);
  const alike: number[] = [];
  for (let type = 0; type < ofType.length; type++) {
    if (tokens.kindOf[type] !== WORD) continue;
    let best = 0;
    let often = 0;
    for (let k = 0; k < counts.length; k++) {
      const met = counts[k].mentions[type];
      if (met > counts[best].mentions[type]) best = k;
      if (k < read.length && met >= Math.max(OFTEN, OFTEN_SHARE * tokens.mentionsOf[type])) often++;
    }
    ofType[type] = best;
    if (often > 1) alike.push(type);
  }
  return {
    read: read.map(({ code }) => code),
    all: counts.map(({ code }) => code),
    ofType,
    words: counts.map(({ words }) => words),
    alike,
  };
}

/** By which of the languages that are read each type is read: what only a few passages have, as the main one's. */
export const readingOf =
  ({ ofType, read }: WordLanguages): ((type: number) => number) =>
  (type) =>
    ofType[type] < read.length ? ofType[type] : 0;

/** Tokens of which only the words of one language are words. */
export function onlyIn(tokens: Tokens, spoken: WordLanguages, place: number): Tokens {
  if (spoken.read.length === 1) return tokens;
  const reading = readingOf(spoken);
  return { ...tokens, kindOf: tokens.kindOf.map((kind, type) => (reading(type) === place ? kind : NUMBER)) };
}
