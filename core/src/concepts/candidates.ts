import { Int32List } from '../numeric/int32-list.ts';
import { ranked } from '../numeric/order.ts';
import type { Stepwise } from '../numeric/stepwise.ts';
import { NOUN, PARTS_OF_SPEECH, type PartOfSpeech } from '../text/lexicon.ts';
import { wordsPerSource, type Tokens } from '../text/tokens.ts';
import type { Names } from './names.ts';
import { pullOfCandidates } from './pull.ts';
import { findPhrases, phraseAt, type PhraseSettings } from './phrases.ts';
import type { PartsOfTypes } from '../text/parts-of-speech.ts';
import { NUMBER } from '../text/scan.ts';
import { isNumberWord, type StopWords } from './stop-words.ts';
import { OPEN, STOPPED, stoppedTypes, termsByForm, type Terms } from './terms.ts';

/** What a candidate is. */
export type CandidatePart = PartOfSpeech | 'phrase' | 'name' | 'number';

/** Words and phrases that could become concepts, with their figures, sorted by falling mentions, then by key. */
export interface Candidates {
  /** What a candidate is called in decisions and files: its lemma, or the lemmas of a phrase with spaces. */
  readonly keys: readonly string[];
  readonly part: readonly CandidatePart[];
  readonly mentions: Int32Array;
  /** How many sources mention it. */
  readonly sources: Int32Array;
  /** 1 − DP, from 0 (all in one short source) to 1 (as even as the sources are long). */
  readonly spread: Float64Array;
  /** How selective it is in its company, in nats; 0 where that is no more than chance. */
  readonly pull: Float64Array;
  /** Keys merged into each candidate, with their mentions; empty where nothing was. */
  readonly variants: readonly (readonly { readonly key: string; readonly mentions: number }[])[];
  /** The shorter forms a name was met in, with their mentions; empty for all else. */
  readonly shorter: Names['shorter'];
  /** Candidate of each occurrence, in the order of the text. */
  readonly occurrence: Int32Array;
  readonly occurrenceFirst: Int32Array;
  /** One past the last token of each occurrence. */
  readonly occurrenceEnd: Int32Array;
}

export interface CandidateSettings extends PhraseSettings {
  readonly parts: {
    readonly noun: boolean;
    readonly verb: boolean;
    readonly adjective: boolean;
    /** Names; where they are left out their words are no other concept either. */
    readonly name: boolean;
    /** Numbers, and the words for numbers and times. */
    readonly number: boolean;
  };
  readonly phrases: boolean;
  /** Variant key → key of the concept it counts for. */
  readonly merges: Readonly<Record<string, string>>;
}

/** A candidate mentioned less often has no figures worth ordering by and is left out. */
const FEWEST_MENTIONS = 2;

/** A phrase of the researcher's own: its key and the terms of its words. */
interface OwnPhrase {
  readonly key: string;
  readonly terms: readonly number[];
}

/** The researcher's own phrases by their first term, the longest first; those with a word that is nowhere are left out. */
function ownPhrases(tokens: Tokens, terms: Terms, keys: readonly string[]): Map<number, OwnPhrase[]> {
  const own = new Map<number, OwnPhrase[]>();
  const phrases = [...new Set(keys)].filter((key) => key.includes(' '));
  if (phrases.length === 0) return own;
  const termOf = termsByForm(tokens, terms);
  terms.labels.forEach((label, term) => termOf.set(label, term));
  for (const key of phrases) {
    const numbers = key.split(' ').map((word) => termOf.get(word) ?? -1);
    if (numbers.includes(-1)) continue;
    own.set(numbers[0], [...(own.get(numbers[0]) ?? []), { key, terms: numbers }]);
  }
  for (const list of own.values()) list.sort((a, b) => b.terms.length - a.terms.length);
  return own;
}

function ownPhraseAt(
  tokens: Tokens,
  terms: Terms,
  own: ReadonlyMap<number, readonly OwnPhrase[]>,
  token: number,
): { key: string; end: number } | undefined {
  for (const { key, terms: words } of own.get(terms.ofType[tokens.type[token]]) ?? []) {
    const end = token + words.length;
    if (end > tokens.type.length) continue;
    const fits = words.every(
      (term, i) =>
        terms.ofType[tokens.type[token + i]] === term && (i === 0 || tokens.joined[token + i] === 1),
    );
    if (fits) return { key, end };
  }
  return undefined;
}

/** Finds candidates and their occurrences; a token counts once, in the longest kept phrase. */
export function* findCandidates(
  tokens: Tokens,
  terms: Terms,
  parts: PartsOfTypes,
  names: Names,
  stopWords: StopWords,
  settings: CandidateSettings,
): Stepwise<Candidates> {
  const stopped = stoppedTypes(tokens, terms, stopWords);
  const phrases = settings.phrases ? findPhrases(tokens, terms, parts, stopped, settings) : undefined;
  yield 0.3;

  const labels: string[] = [];
  const idOf = new Map<string, number>();
  const resolved = (key: string): string => {
    let at = key;
    for (let hops = 0; hops < 20 && settings.merges[at] !== undefined; hops++) at = settings.merges[at];
    return at;
  };
  const candidateOf = (key: string): number => {
    let id = idOf.get(key);
    if (id === undefined) {
      id = labels.length;
      idOf.set(key, id);
      labels.push(key);
    }
    return id;
  };
  // Variants first get ids of their own, so that a merged concept can say what it is made of.
  const termId = new Int32Array(terms.labels.length).fill(-1);
  const phraseId = phrases ? phrases.labels.map((label) => candidateOf(label)) : [];
  const phraseCount = labels.length;
  const nameId = settings.parts.name ? names.labels.map((label) => candidateOf(label)) : [];
  const nameOfId = new Map(nameId.map((id, name) => [id, name]));
  const numberIds = new Set<number>();
  const mergeTargets = new Set(Object.values(settings.merges));
  const wanted = (term: number): boolean => {
    const part = PARTS_OF_SPEECH[terms.part[term]];
    const label = terms.labels[term];
    const isWantedPart = isNumberWord(label)
      ? settings.parts.number
      : part !== 'other' && settings.parts[part];
    return isWantedPart || settings.merges[label] !== undefined || mergeTargets.has(label);
  };
  const isWanted = Uint8Array.from(terms.labels, (_, term) => (wanted(term) ? 1 : 0));
  // What the researcher merged counts even where it is a stop word, and its phrases even where they are too few.
  const isOwn = Uint8Array.from(terms.labels, (label) =>
    settings.merges[label] !== undefined || mergeTargets.has(label) ? 1 : 0,
  );
  const own = ownPhrases(tokens, terms, [...Object.keys(settings.merges), ...mergeTargets]);

  const rawOccurrence = new Int32List();
  const first = new Int32List();
  const end = new Int32List();
  const total = tokens.type.length;
  let nextName = 0;
  for (let t = 0; t < total;) {
    const type = tokens.type[t];
    while (nextName < names.first.length && names.first[nextName] < t) nextName++;
    const ownEnd = own.size > 0 ? ownPhraseAt(tokens, terms, own, t) : undefined;
    if (ownEnd) {
      rawOccurrence.push(candidateOf(ownEnd.key));
      first.push(t);
      end.push(ownEnd.end);
      t = ownEnd.end;
      continue;
    }
    const isOwnWord = terms.ofType[type] >= 0 && isOwn[terms.ofType[type]] === 1;
    if (nextName < names.first.length && names.first[nextName] === t) {
      const nameEnd = names.end[nextName];
      if (!isOwnWord || nameEnd > t + 1) {
        if (settings.parts.name) {
          rawOccurrence.push(nameId[names.name[nextName]]);
          first.push(t);
          end.push(nameEnd);
        }
        t = nameEnd;
        continue;
      }
    }
    if (settings.parts.number && tokens.kindOf[type] === NUMBER) {
      const id = candidateOf(tokens.forms[type]);
      numberIds.add(id);
      rawOccurrence.push(id);
      first.push(t);
      end.push(t + 1);
      t++;
      continue;
    }
    if (stopped[type] === STOPPED && !isOwnWord) {
      t++;
      continue;
    }
    const phrase = phrases && phraseAt(tokens, terms, stopped, phrases, t);
    if (phrase) {
      rawOccurrence.push(phraseId[phrase[0]]);
      first.push(t);
      end.push(phrase[1]);
      t = phrase[1];
      continue;
    }
    const term = terms.ofType[type];
    if (isOwnWord || (isWanted[term] && stopped[type] === OPEN)) {
      if (termId[term] < 0) {
        termId[term] = candidateOf(terms.labels[term]);
        if (isNumberWord(terms.labels[term])) numberIds.add(termId[term]);
      }
      rawOccurrence.push(termId[term]);
      first.push(t);
      end.push(t + 1);
    }
    t++;
  }
  const raw = rawOccurrence.done();
  yield 0.5;

  const rawMentions = new Int32Array(labels.length);
  for (const id of raw) rawMentions[id]++;
  const conceptOf = Int32Array.from(labels.slice(), (name) => candidateOf(resolved(name)));
  const mentions = new Int32Array(labels.length);
  for (let id = 0; id < conceptOf.length; id++) mentions[conceptOf[id]] += rawMentions[id];
  const order = ranked(labels.length, (id) => mentions[id])
    .filter((id) => mentions[id] >= FEWEST_MENTIONS)
    .sort((a, b) => mentions[b] - mentions[a] || (labels[a] < labels[b] ? -1 : 1));
  const place = new Int32Array(labels.length).fill(-1);
  order.forEach((id, index) => (place[id] = index));

  const occurrence = new Int32List();
  const occurrenceFirst = new Int32List();
  const occurrenceEnd = new Int32List();
  const firsts = first.done();
  const ends = end.done();
  for (let i = 0; i < raw.length; i++) {
    const candidate = place[conceptOf[raw[i]]];
    if (candidate < 0) continue;
    occurrence.push(candidate);
    occurrenceFirst.push(firsts[i]);
    occurrenceEnd.push(ends[i]);
  }
  const variants = order.map((): { key: string; mentions: number }[] => []);
  for (let id = 0; id < conceptOf.length; id++) {
    const candidate = place[conceptOf[id]];
    if (candidate >= 0 && conceptOf[id] !== id && rawMentions[id] > 0) {
      if (variants[candidate].length === 0 && rawMentions[conceptOf[id]] > 0) {
        variants[candidate].push({ key: labels[conceptOf[id]], mentions: rawMentions[conceptOf[id]] });
      }
      variants[candidate].push({ key: labels[id], mentions: rawMentions[id] });
    }
  }
  const partOf = new Map(terms.labels.map((label, term) => [label, PARTS_OF_SPEECH[terms.part[term]]]));
  const found = {
    occurrence: occurrence.done(),
    occurrenceFirst: occurrenceFirst.done(),
    occurrenceEnd: occurrenceEnd.done(),
  };
  const partOfId = (id: number): CandidatePart =>
    nameOfId.has(id)
      ? 'name'
      : numberIds.has(id)
        ? 'number'
        : id < phraseCount
          ? 'phrase'
          : (partOf.get(labels[id]) ?? PARTS_OF_SPEECH[NOUN]);
  const figures = spreadOfCandidates(tokens, found.occurrence, found.occurrenceFirst, order.length);
  yield 0.7;
  return {
    keys: order.map((id) => labels[id]),
    part: order.map(partOfId),
    mentions: Int32Array.from(order, (id) => mentions[id]),
    ...figures,
    pull: pullOfCandidates(tokens, found.occurrence, found.occurrenceFirst, order.length),
    variants,
    shorter: order.map((id) => names.shorter[nameOfId.get(id) ?? -1] ?? []),
    ...found,
  };
}

/**
 * Sources and spread of each candidate. Spread is 1 − DPnorm (Gries 2008; normalised by 1 − the smallest source's
 * share, Lijffijt & Gries 2012), with each source's share of tokens as what to expect.
 */
export function spreadOfCandidates(
  tokens: Tokens,
  occurrence: Int32Array,
  occurrenceFirst: Int32Array,
  candidateCount: number,
): { sources: Int32Array; spread: Float64Array } {
  const words = wordsPerSource(tokens);
  const total = tokens.type.length;
  const mentions = new Int32Array(candidateCount);
  for (const candidate of occurrence) mentions[candidate]++;
  const sources = new Int32Array(candidateCount);
  // Σ|s − v| = Σ over sources with it (|s − v| − s) + Σ s, so that sources without it need no visit.
  const distance = new Float64Array(candidateCount).fill(1);
  const here = new Int32Array(candidateCount);
  let next = 0;
  let smallest = 1;
  for (let source = 0; source < words.length; source++) {
    const share = words[source] / total;
    if (words[source] > 0) smallest = Math.min(smallest, share);
    const limit = tokens.sentenceFirst[tokens.sourceFirst[source + 1]];
    const touched: number[] = [];
    for (; next < occurrence.length && occurrenceFirst[next] < limit; next++) {
      const candidate = occurrence[next];
      if (here[candidate]++ === 0) touched.push(candidate);
    }
    for (const candidate of touched) {
      sources[candidate]++;
      distance[candidate] += Math.abs(share - here[candidate] / mentions[candidate]) - share;
      here[candidate] = 0;
    }
  }
  const scale = smallest < 1 ? 1 - smallest : 1;
  const spread = distance.map((sum) => Math.max(0, Math.min(1, 1 - sum / 2 / scale)));
  return { sources, spread };
}
