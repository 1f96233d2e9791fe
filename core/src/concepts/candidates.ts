import type { Stepwise } from '../base/stepwise.ts';
import { NOUN, PARTS_OF_SPEECH, type PartOfSpeech } from '../languages/en/lexicon.ts';
import { wordsPerSource, type Tokens } from '../text/tokens.ts';
import type { Names } from './names.ts';
import { companyOfCandidates, pullOfCandidates } from './pull.ts';
import { asWritten } from './as-written.ts';
import { findOccurrences, type Occurrences, type WantedParts } from './occurrences.ts';
import { keepPhrases, type PhraseSettings } from './phrases.ts';
import type { Runs } from './runs.ts';
import { spellingsOfOne } from './spellings.ts';
import { renumbered, tally, type Occurring } from './renumbered.ts';
import type { Terms } from './terms.ts';
import { ownValue } from '../base/records.ts';

/** What a candidate is. */
export type CandidatePart = PartOfSpeech | 'phrase' | 'name' | 'number';

/** Words and phrases that could become concepts, with their figures, sorted by falling mentions, then by key. */
export interface Candidates extends Occurring {
  /** What a candidate is called in decisions and files: its lemma, or the lemmas of a phrase with spaces. */
  readonly keys: readonly string[];
  /** What each is called where it is shown (`asWritten`); as its key where that says no more. */
  readonly written: readonly string[];
  readonly part: readonly CandidatePart[];
  readonly mentions: Int32Array;
  /** How many sources mention it. */
  readonly sources: Int32Array;
  /**
   * How many sources it is spread over: (Σm)² / Σm² over its mentions in each, so that one that a single source says again
   * and again has little more than 1. In a collection of one source, its mentions.
   */
  readonly effectiveSources: Float64Array;
  /** People who mention it: the sources, those of one person as one. */
  readonly persons: Int32Array;
  /** 1 − DP, from 0 (all in one short source) to 1 (as even as the sources are long). */
  readonly spread: Float64Array;
  /** How selective it is in its company, in nats; 0 where that is no more than chance. */
  readonly pull: Float64Array;
  /** Of a phrase, the candidates its words are by themselves, word by word (−1 where one is none); empty for all else. */
  readonly words: readonly (readonly number[])[];
  /** First token of each source. */
  readonly sourceStart: Int32Array;
  /** Keys that count for each candidate, with their mentions; empty where none does. */
  readonly variants: readonly (readonly Variant[])[];
  /** The shorter forms a name was met in, with their mentions; empty for all else. */
  readonly shorter: Names['shorter'];
}

/** A key that counts for a candidate. */
export interface Variant {
  readonly key: string;
  readonly mentions: number;
  /** Whether it does so by itself, as another spelling (`spellingsOfOne`), and not by the researcher's merge. */
  readonly byItself?: boolean;
}

export interface CandidateSettings extends PhraseSettings {
  readonly parts: WantedParts;
  readonly phrases: boolean;
  /** Variant key → key of the concept it counts for. */
  readonly merges: Readonly<Record<string, string>>;
  /** Pairs of spellings that are two concepts (`pairOf`). */
  readonly apart: readonly string[];
}

/** A candidate mentioned less often has no figures worth ordering by and is left out. */
const FEWEST_MENTIONS = 2;

/** Finds candidates and their occurrences; a token counts once, in the longest kept phrase. */
export function* findCandidates({
  tokens,
  terms,
  runs,
  names,
  wantedNames,
  contexts,
  stopped,
  settings,
  personOf = null,
}: {
  readonly tokens: Tokens;
  readonly terms: Terms;
  readonly runs: Runs;
  readonly names: Names;
  /** 1 for each name that may be a concept. */
  readonly wantedNames: Uint8Array;
  readonly contexts: Int32Array;
  readonly stopped: Uint8Array;
  readonly settings: CandidateSettings;
  /** Number of who speaks in each source, those of one person in a row; null where each is somebody else's. */
  readonly personOf?: readonly number[] | null;
}): Stepwise<Candidates> {
  const phrases = settings.phrases ? keepPhrases(runs, tokens, terms, stopped, settings) : undefined;
  yield 0.3;

  const resolved = (key: string): string => {
    let at = key;
    for (let hops = 0; hops < 20; hops++) {
      const next = ownValue(settings.merges, at);
      if (next === undefined) break;
      at = next;
    }
    return at;
  };
  const met = findOccurrences({
    tokens,
    terms,
    stopped,
    phrases,
    names,
    wantedNames,
    parts: settings.parts,
    merges: settings.merges,
  });
  const { labels, numberOf } = met;
  const written = asWritten(tokens, terms, met);
  yield 0.5;

  const merged = Object.keys(settings.merges).map((key) => [numberOf(key), numberOf(resolved(key))]);
  const conceptOf = Int32Array.from(labels, (_, id) => id);
  for (const [variant, concept] of merged) conceptOf[variant] = concept;
  const rawMentions = tally(met.occurrence, labels.length);
  const targets = new Set(merged.map(([, concept]) => concept));
  const spellings = new Set<number>();
  for (const [spelling, of] of spellingsOfOne(labels, rawMentions, new Set(settings.apart))) {
    // What the researcher merged counts where it was put, and what was merged into stays.
    if (conceptOf[spelling] !== spelling || targets.has(spelling)) continue;
    conceptOf[spelling] = conceptOf[of];
    spellings.add(spelling);
  }
  const mentions = new Int32Array(labels.length);
  for (let id = 0; id < conceptOf.length; id++) mentions[conceptOf[id]] += rawMentions[id];
  const order: number[] = [];
  for (let id = 0; id < labels.length; id++) if (mentions[id] >= FEWEST_MENTIONS) order.push(id);
  order.sort((a, b) => mentions[b] - mentions[a] || (labels[a] < labels[b] ? -1 : 1));
  const place = new Int32Array(labels.length).fill(-1);
  order.forEach((id, index) => (place[id] = index));
  const mentionsOf = Int32Array.from(order, (id) => mentions[id]);
  const found = renumbered(
    met,
    Int32Array.from(conceptOf, (id) => place[id]),
    mentionsOf,
  );
  const variants = order.map((): Variant[] => []);
  for (let id = 0; id < conceptOf.length; id++) {
    const candidate = place[conceptOf[id]];
    if (candidate >= 0 && conceptOf[id] !== id && rawMentions[id] > 0) {
      if (variants[candidate].length === 0 && rawMentions[conceptOf[id]] > 0) {
        variants[candidate].push({ key: labels[conceptOf[id]], mentions: rawMentions[conceptOf[id]] });
      }
      variants[candidate].push({
        key: labels[id],
        mentions: rawMentions[id],
        ...(spellings.has(id) ? { byItself: true } : {}),
      });
    }
  }
  const partOfWord = (id: number): PartOfSpeech => {
    // A concept others count for need be nowhere itself.
    const term = met.termOf(id) < 0 ? terms.labels.indexOf(labels[id]) : met.termOf(id);
    return PARTS_OF_SPEECH[term < 0 ? NOUN : terms.part[term]];
  };
  const partOfId = (id: number): CandidatePart =>
    met.nameOf(id) >= 0 ? 'name' : met.isNumber(id) ? 'number' : met.isPhrase(id) ? 'phrase' : partOfWord(id);
  const spread = spreadOfCandidates(tokens, found.occurrence, found.occurrenceFirst, mentionsOf, personOf);
  yield 0.7;
  const company = companyOfCandidates(contexts, found.occurrence, found.occurrenceFirst, mentionsOf);
  return {
    keys: order.map((id) => labels[id]),
    written: order.map((id) => written.get(id) ?? labels[id]),
    part: order.map(partOfId),
    mentions: mentionsOf,
    ...spread,
    pull: pullOfCandidates(company, order.length),
    words: wordsOfPhrases(order, labels, met, (id) => place[conceptOf[id]]),
    sourceStart: tokens.sourceFirst.slice(0, -1).map((sentence) => tokens.sentenceFirst[sentence]),
    variants,
    shorter: order.map((id) => names.shorter[met.nameOf(id)] ?? []),
    ...found,
  };
}

/** Of each candidate that is a phrase, the candidates its words are. */
function wordsOfPhrases(
  order: readonly number[],
  labels: readonly string[],
  { isPhrase }: Pick<Occurrences, 'isPhrase'>,
  placeOf: (id: number) => number,
): (readonly number[])[] {
  const idOf = new Map(labels.map((label, id) => [label, id]));
  return order.map((id) =>
    isPhrase(id)
      ? labels[id].split(' ').map((word) => {
          const of = idOf.get(word);
          return of === undefined ? -1 : placeOf(of);
        })
      : NO_WORDS,
  );
}
const NO_WORDS: readonly number[] = [];

/**
 * Sources and spread of each candidate. Spread is 1 − DPnorm (Gries 2008; normalised by 1 − the smallest source's
 * share, Lijffijt & Gries 2012), with each source's share of tokens as what to expect.
 */
export function spreadOfCandidates(
  tokens: Tokens,
  occurrence: Int32Array,
  occurrenceFirst: Int32Array,
  mentions: Int32Array,
  personOf: readonly number[] | null = null,
): Pick<Candidates, 'sources' | 'persons' | 'effectiveSources' | 'spread'> {
  const words = wordsPerSource(tokens);
  const sources = new Int32Array(mentions.length);
  // Σ|s − v| = Σ over sources with it (|s − v| − s) + Σ s, so that sources without it need no visit.
  const distance = new Float64Array(mentions.length).fill(1);
  const squares = new Float64Array(mentions.length);
  const persons = new Int32Array(mentions.length);
  // Of each candidate who said it last, and how often in the sources so far.
  const said = { by: new Int32Array(mentions.length).fill(-1), times: new Int32Array(mentions.length) };
  const here = new Int32Array(mentions.length);
  let next = 0;
  let smallest = 1;
  for (let source = 0; source < words.length; source++) {
    const share = words[source] / tokens.type.length;
    if (words[source] > 0) smallest = Math.min(smallest, share);
    const limit = tokens.sentenceFirst[tokens.sourceFirst[source + 1]];
    const from = next;
    next = countTo(occurrence, occurrenceFirst, from, limit, here);
    const person = personOf === null ? source : personOf[source];
    for (let i = from; i < next; i++) {
      const candidate = occurrence[i];
      if (said.by[candidate] !== person) {
        said.by[candidate] = person;
        said.times[candidate] = 0;
        persons[candidate]++;
      }
      // So many more than before: (n + 1)² − n².
      squares[candidate] += 2 * said.times[candidate]++ + 1;
    }
    addDistances({ occurrence, from, to: next, counts: here, share, mentions, sources, distance });
  }
  const scale = smallest < 1 ? 1 - smallest : 1;
  const spread = distance.map((sum) => Math.max(0, Math.min(1, 1 - sum / 2 / scale)));
  const isOneVoice = words.length === 1 || (personOf !== null && personOf[words.length - 1] === 0);
  const effectiveSources = Float64Array.from(mentions, (count, i) =>
    isOneVoice ? count : count ** 2 / Math.max(1, squares[i]),
  );
  return { sources, persons, effectiveSources, spread };
}

/** Counts the occurrences that begin before a token; returns the first that does not. */
function countTo(
  occurrence: Int32Array,
  occurrenceFirst: Int32Array,
  from: number,
  limit: number,
  counts: Int32Array,
): number {
  let i = from;
  for (; i < occurrence.length && occurrenceFirst[i] < limit; i++) counts[occurrence[i]]++;
  return i;
}

/** Adds what each candidate of one source is away from the source's share, and takes its count back to 0. */
function addDistances({
  occurrence,
  from,
  to,
  counts,
  share,
  mentions,
  sources,
  distance,
}: {
  readonly occurrence: Int32Array;
  readonly from: number;
  readonly to: number;
  readonly counts: Int32Array;
  readonly share: number;
  readonly mentions: Int32Array;
  readonly sources: Int32Array;
  readonly distance: Float64Array;
}): void {
  for (let i = from; i < to; i++) {
    const candidate = occurrence[i];
    const count = counts[candidate];
    if (count === 0) continue;
    counts[candidate] = 0;
    sources[candidate]++;
    distance[candidate] += Math.abs(share - count / mentions[candidate]) - share;
  }
}
