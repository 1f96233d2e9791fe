import type { Tokens } from '../text/tokens.ts';
import { FIRM_RUN, HAS_NOUN, LINKER, LONGEST_PHRASE, NO_PART, type Runs } from './runs.ts';
import { STOPPED, type Terms } from './terms.ts';

/** The kept phrases as a tree of terms: a node is a beginning, `phraseOfNode` says whether it is a phrase itself. */
export interface Phrases {
  /** node × terms + term → node; the first term's node is the term itself. */
  readonly next: ReadonlyMap<number, number>;
  /** Phrase number of each node, −1 where it is only a beginning. Nodes below `terms` are single terms. */
  readonly phraseOfNode: Int32Array;
  /** 1 for each term a kept phrase begins with, 2 for each it goes on with, 3 for both: most terms do neither. */
  readonly inPhrases: Uint8Array;
  /** 1 for each type that only joins words of phrases, stopped or not. */
  readonly isLinker: Uint8Array;
  readonly labels: readonly string[];
  readonly cValue: Float64Array;
  readonly npmi: Float64Array;
}

export const BEGINS_PHRASE = 1;
export const GOES_ON = 2;

export interface PhraseSettings {
  /** Fewest mentions of a phrase. */
  readonly minimumMentions: number;
  /** Smallest NPMI of a phrase's two parts, from −1 to 1. */
  readonly minimumNpmi: number;
}

/**
 * A run of loose words alone, such as last train where train was met as a verb too, is a phrase when it is so many
 * times as frequent as a phrase must be, and its words are bound so closely.
 */
const LOOSE_FACTOR = 2;
const LOOSE_NPMI = 0.4;

/** How often each run is met where none of its words is stopped. */
function countRuns(
  runs: Runs,
  tokens: Tokens,
  terms: Terms,
  stopped: Uint8Array,
): { mentions: Int32Array; firmNoun: Int32Array; looseNoun: Int32Array } {
  const count = runs.terms.length;
  const mentions = new Int32Array(count);
  const firmNoun = new Int32Array(count);
  const looseNoun = new Int32Array(count);
  // Only runs with such a term have places to look at one by one.
  const touched = new Uint8Array(terms.labels.length);
  for (let type = 0; type < stopped.length; type++) {
    if (runs.roles[type] !== NO_PART && runs.roles[type] !== LINKER && stopped[type] === STOPPED)
      touched[terms.ofType[type]] = 1;
  }
  for (let run = 0; run < count; run++) {
    const words = runs.terms[run];
    const look = words.some((term) => touched[term] === 1);
    for (let p = runs.placeFirst[run]; p < runs.placeFirst[run + 1]; p++) {
      if (look && isStoppedIn(runs, tokens, stopped, { first: runs.place[p], words: words.length })) continue;
      mentions[run]++;
      if (runs.how[p] & HAS_NOUN) (runs.how[p] & FIRM_RUN ? firmNoun : looseNoun)[run]++;
    }
  }
  return { mentions, firmNoun, looseNoun };
}

function isStoppedIn(
  { roles }: Runs,
  tokens: Tokens,
  stopped: Uint8Array,
  { first, words }: { readonly first: number; readonly words: number },
): boolean {
  for (let t = first; t < first + words; t++) {
    const type = tokens.type[t];
    if (stopped[type] === STOPPED && roles[type] !== LINKER) return true;
  }
  return false;
}

/**
 * Keeps phrases: runs (adjective | noun)* noun with a minimum of mentions, of NPMI (of the last word with what stands
 * before it) and a C-value above 0 (Frantzi, Ananiadou & Mima 2000: log₂ length × (mentions − mean mentions of the
 * longer phrases it is part of)).
 *
 * @param runs found with at most these types stopped, and with at most this minimum of mentions
 */
export function keepPhrases(
  runs: Runs,
  tokens: Tokens,
  terms: Terms,
  stopped: Uint8Array,
  settings: PhraseSettings,
): Phrases {
  const total = tokens.type.length;
  const { mentions, firmNoun, looseNoun } = countRuns(runs, tokens, terms, stopped);
  const unigram = new Int32Array(terms.labels.length);
  for (let type = 0; type < stopped.length; type++) {
    if (runs.roles[type] !== NO_PART && (stopped[type] !== STOPPED || runs.roles[type] === LINKER))
      unigram[terms.ofType[type]] += tokens.mentionsOf[type];
  }
  const isLoose = (run: number): boolean => firmNoun[run] * 2 < mentions[run];
  const enough: number[] = [];
  for (let run = 0; run < mentions.length; run++) {
    const fewest = settings.minimumMentions * (isLoose(run) ? LOOSE_FACTOR : 1);
    const nouns = firmNoun[run] + looseNoun[run];
    // A word said twice is no phrase.
    const differ = new Set(runs.terms[run]).size === runs.terms[run].length;
    if (differ && mentions[run] > 0 && mentions[run] >= fewest && nouns * 2 >= mentions[run])
      enough.push(run);
  }
  const longer = meanOfLonger(runs, enough, mentions);

  const kept = enough.flatMap((run) => {
    const words = runs.terms[run];
    const cValue = Math.log2(words.length) * (mentions[run] - (longer.get(words.join(' ')) ?? 0));
    const both = mentions[run] / total;
    const before = runs.before[run] < 0 ? unigram[words[0]] : mentions[runs.before[run]];
    const last = unigram[words[words.length - 1]];
    const npmi = Math.log(both / ((before / total) * (last / total))) / -Math.log(both);
    const least = Math.max(settings.minimumNpmi, isLoose(run) ? LOOSE_NPMI : -1);
    return cValue <= 0 || npmi < least ? [] : [{ words, cValue, npmi }];
  });
  return {
    ...phraseTree(
      kept.map(({ words }) => words),
      terms.labels.length,
    ),
    isLinker: runs.roles.map((role) => (role === LINKER ? 1 : 0)),
    labels: kept.map(({ words }) => words.map((word) => terms.labels[word]).join(' ')),
    cValue: Float64Array.from(kept, ({ cValue }) => cValue),
    npmi: Float64Array.from(kept, ({ npmi }) => npmi),
  };
}

/** Mean mentions of the longer runs each run is part of, by its terms with spaces between. */
function meanOfLonger(runs: Runs, among: readonly number[], mentions: Int32Array): Map<string, number> {
  const sums = new Map<string, { count: number; sum: number }>();
  for (const run of among) {
    const words = runs.terms[run];
    for (let size = 2; size < words.length; size++) {
      for (let from = 0; from + size <= words.length; from++) {
        const part = words.slice(from, from + size).join(' ');
        const seen = sums.get(part) ?? { count: 0, sum: 0 };
        sums.set(part, { count: seen.count + 1, sum: seen.sum + mentions[run] });
      }
    }
  }
  return new Map([...sums].map(([part, { count, sum }]) => [part, sum / count]));
}

function phraseTree(
  phrases: readonly (readonly number[])[],
  termCount: number,
): Pick<Phrases, 'next' | 'phraseOfNode' | 'inPhrases'> {
  const next = new Map<number, number>();
  const phraseOf: number[] = [];
  const inPhrases = new Uint8Array(termCount);
  phrases.forEach((words, phrase) => {
    inPhrases[words[0]] |= BEGINS_PHRASE;
    let node = words[0];
    for (const term of words.slice(1)) {
      inPhrases[term] |= GOES_ON;
      const key = node * termCount + term;
      let child = next.get(key);
      if (child === undefined) {
        child = termCount + phraseOf.length;
        next.set(key, child);
        phraseOf.push(-1);
      }
      node = child;
    }
    phraseOf[node - termCount] = phrase;
  });
  const phraseOfNode = new Int32Array(termCount + phraseOf.length).fill(-1);
  phraseOfNode.set(phraseOf, termCount);
  return { next, phraseOfNode, inPhrases };
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
  if (!(phrases.inPhrases[node] & BEGINS_PHRASE)) return undefined;
  let found: [number, number] | undefined;
  for (let t = first + 1; t < tokens.type.length && t < first + LONGEST_PHRASE; t++) {
    const type = tokens.type[t];
    if (!tokens.joined[t] || (stopped[type] === STOPPED && phrases.isLinker[type] === 0)) break;
    const term = terms.ofType[type];
    if (!(phrases.inPhrases[term] & GOES_ON)) break;
    const child = phrases.next.get(node * termCount + term);
    if (child === undefined) break;
    node = child;
    if (phrases.phraseOfNode[node] >= 0) found = [phrases.phraseOfNode[node], t + 1];
  }
  return found;
}
