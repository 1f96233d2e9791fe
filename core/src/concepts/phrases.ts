import { ADJECTIVE, NOUN } from '../text/lexicon.ts';
import type { Tokens } from '../text/tokens.ts';
import type { PartsOfTypes } from '../text/parts-of-speech.ts';
import { OPEN, STOPPED, type Terms } from './terms.ts';

/** The kept phrases as a tree of terms: a node is a beginning, `kept` says whether it is a phrase itself. */
export interface Phrases {
  /** node × terms + term → node; the first term's node is the term itself. */
  readonly next: ReadonlyMap<number, number>;
  /** Phrase number of each node, −1 where it is only a beginning. Nodes below `terms` are single terms. */
  readonly phraseOfNode: Int32Array;
  /** 1 for each term a kept phrase begins with: most begin none, and need no look at what follows them. */
  readonly begins: Uint8Array;
  readonly labels: readonly string[];
  readonly cValue: Float64Array;
  readonly npmi: Float64Array;
}

/** The most tokens a phrase has. */
export const LONGEST_PHRASE = 4;

export interface PhraseSettings {
  /** Fewest mentions of a phrase. */
  readonly minimumMentions: number;
  /** Smallest NPMI of a phrase's two parts, from −1 to 1. */
  readonly minimumNpmi: number;
}

/** What a type may do in a phrase. */
const NO_PART = 0;
/** A noun or adjective most of the time. */
const FIRM = 1;
/** Now and then a noun or adjective, or a time word: a phrase needs a firm noun beside it. */
const LOOSE = 2;

/**
 * A run of loose words alone, such as last train where train was met as a verb too, is a phrase when it is so many
 * times as frequent as a phrase must be, and its words are bound so closely.
 */
const LOOSE_FACTOR = 2;
const LOOSE_NPMI = 0.4;

function rolesInPhrases(tokens: Tokens, parts: PartsOfTypes, stopped: Uint8Array): Uint8Array {
  const roles = new Uint8Array(tokens.forms.length);
  for (let type = 0; type < roles.length; type++) {
    if (stopped[type] === STOPPED) continue;
    const part = parts.part[type];
    if (stopped[type] === OPEN && (part === NOUN || part === ADJECTIVE)) roles[type] = FIRM;
    else if (parts.nounAtTimes[type] || parts.adjectiveAtTimes[type]) roles[type] = LOOSE;
  }
  return roles;
}

/**
 * Finds phrases: runs (adjective | noun)* noun of 2 to 4 tokens in one sentence with only white space between them,
 * kept from a minimum of mentions, of NPMI (of the last word with what stands before it) and with a C-value above 0
 * (Frantzi, Ananiadou & Mima 2000: log₂ length × (mentions − mean mentions of the longer phrases it is part of)).
 */
export function findPhrases(
  tokens: Tokens,
  terms: Terms,
  parts: PartsOfTypes,
  stopped: Uint8Array,
  settings: PhraseSettings,
): Phrases {
  const termCount = terms.labels.length;
  const roles = rolesInPhrases(tokens, parts, stopped);
  const may = terms.ofType.map((term, type) => (roles[type] === NO_PART ? -1 : term));
  const next = new Map<number, number>();
  const mentions: number[] = [];
  const before: number[] = [];
  const lastTerm: number[] = [];
  const endsInNoun: number[] = [];
  const endsLoosely: number[] = [];
  const unigram = new Int32Array(termCount);
  const total = tokens.type.length;
  let runStart = -1;
  /** Whether a run is all firm, or has a firm noun beside its loose words. */
  const firmNouns = (from: number, to: number): boolean => {
    let allFirm = true;
    let firmNoun = false;
    for (let i = from; i <= to; i++) {
      if (roles[tokens.type[i]] !== FIRM) allFirm = false;
      else if (parts.part[tokens.type[i]] === NOUN) firmNoun = true;
    }
    return allFirm || firmNoun;
  };
  for (let t = 0; t < total; t++) {
    const term = may[tokens.type[t]];
    if (term >= 0) unigram[term]++;
    if (term < 0) {
      runStart = -1;
      continue;
    }
    if (runStart < 0 || !tokens.joined[t]) runStart = t;
    const noun = parts.nounAtTimes[tokens.type[t]] === 1;
    // Every run that ends here; beginnings were numbered when their own last token was met.
    for (let from = Math.max(runStart, t - LONGEST_PHRASE + 1); from < t; from++) {
      const firm = firmNouns(from, t);
      let node = may[tokens.type[from]];
      for (let i = from + 1; i < t; i++) node = next.get(node * termCount + may[tokens.type[i]]) ?? -1;
      const key = node * termCount + term;
      let child = next.get(key);
      if (child === undefined) {
        child = termCount + mentions.length;
        next.set(key, child);
        mentions.push(0);
        endsInNoun.push(0);
        endsLoosely.push(0);
        before.push(node);
        lastTerm.push(term);
      }
      mentions[child - termCount]++;
      if (noun) (firm ? endsInNoun : endsLoosely)[child - termCount]++;
    }
  }

  const countOf = (node: number): number => (node < termCount ? unigram[node] : mentions[node - termCount]);
  const phraseOfNode = new Int32Array(termCount + mentions.length).fill(-1);
  const enough: number[] = [];
  const isLoose = (n: number): boolean => endsInNoun[n] * 2 < mentions[n];
  const fewestOf = (n: number): number => settings.minimumMentions * (isLoose(n) ? LOOSE_FACTOR : 1);
  for (let n = 0; n < mentions.length; n++) {
    if (mentions[n] >= fewestOf(n) && (endsInNoun[n] + endsLoosely[n]) * 2 >= mentions[n]) enough.push(n);
  }
  const wordsOf = (n: number): number[] => {
    const words: number[] = [];
    for (let node = n + termCount; node >= termCount; node = before[node - termCount]) {
      words.unshift(lastTerm[node - termCount]);
      if (before[node - termCount] < termCount) words.unshift(before[node - termCount]);
    }
    return words;
  };
  const longer = new Map<string, { count: number; sum: number }>();
  const textOf = new Map(enough.map((n) => [n, wordsOf(n)]));
  for (const [n, words] of textOf) {
    for (let size = 2; size < words.length; size++) {
      for (let from = 0; from + size <= words.length; from++) {
        const part = words.slice(from, from + size).join(' ');
        const seen = longer.get(part) ?? { count: 0, sum: 0 };
        longer.set(part, { count: seen.count + 1, sum: seen.sum + mentions[n] });
      }
    }
  }
  const begins = new Uint8Array(termCount);
  const labels: string[] = [];
  const cValues: number[] = [];
  const npmis: number[] = [];
  for (const [n, words] of textOf) {
    const nested = longer.get(words.join(' '));
    const cValue = Math.log2(words.length) * (mentions[n] - (nested ? nested.sum / nested.count : 0));
    const both = mentions[n] / total;
    const npmi =
      Math.log(both / ((countOf(before[n]) / total) * (unigram[lastTerm[n]] / total))) / -Math.log(both);
    if (cValue <= 0 || npmi < Math.max(settings.minimumNpmi, isLoose(n) ? LOOSE_NPMI : -1)) continue;
    phraseOfNode[n + termCount] = labels.length;
    begins[words[0]] = 1;
    labels.push(words.map((word) => terms.labels[word]).join(' '));
    cValues.push(cValue);
    npmis.push(npmi);
  }
  return {
    next,
    phraseOfNode,
    begins,
    labels,
    cValue: Float64Array.from(cValues),
    npmi: Float64Array.from(npmis),
  };
}

/**
 * The longest kept phrase that starts at a token.
 *
 * @returns [phrase number, one past its last token], or undefined
 */
export function phraseAt(
  tokens: Tokens,
  terms: Terms,
  stopped: Uint8Array,
  phrases: Phrases,
  first: number,
): [phrase: number, end: number] | undefined {
  const termCount = terms.labels.length;
  let node = terms.ofType[tokens.type[first]];
  if (phrases.begins[node] !== 1) return undefined;
  let found: [number, number] | undefined;
  for (let t = first + 1; t < tokens.type.length && t < first + LONGEST_PHRASE; t++) {
    const type = tokens.type[t];
    if (!tokens.joined[t] || stopped[type] === STOPPED) break;
    const child = phrases.next.get(node * termCount + terms.ofType[type]);
    if (child === undefined) break;
    node = child;
    if (phrases.phraseOfNode[node] >= 0) found = [phrases.phraseOfNode[node], t + 1];
  }
  return found;
}
