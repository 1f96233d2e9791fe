import { ADJECTIVE, NOUN } from '../languages/en/lexicon.ts';
import type { NounPhrases } from '../languages/language.ts';
import type { Tokens } from '../text/tokens.ts';
import { Int32List } from '../base/int32-list.ts';
import type { PartsOfTypes } from '../text/words/parts-of-speech.ts';
import { OPEN, STOPPED, type Terms } from './terms.ts';

/** Runs of words that may be phrases, met often enough, wherever they stand. */
export interface Runs {
  /** Terms of each run. A run's beginnings are runs themselves, and come before it. */
  readonly terms: readonly (readonly number[])[];
  /** The run that is all but the last word of each; −1 where that is a single word. */
  readonly before: Int32Array;
  /** Places of run r: `place[placeFirst[r] … placeFirst[r + 1])`, the first token of each. */
  readonly placeFirst: Int32Array;
  readonly place: Int32Array;
  /** Of each place: `HAS_NOUN`, with `FIRM_RUN` where the words are firm. */
  readonly how: Uint8Array;
  /** What each type may do in a phrase. */
  readonly roles: Uint8Array;
}

/** It has its noun where the language has it: at the end, or at the beginning. */
const HAS_NOUN = 1;
const FIRM_RUN = 2;

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
/** A form of a verb: part of a phrase only where it stands before a noun as an adjective does, as in the waiting room. */
const PARTICIPLE = 3;
/** A word that only joins two others: of a phrase, and neither its first nor its last. */
const LINKER = 4;
/** Words after which a form of a verb is no verb: driving buses is none of them, a driving licence is. */
const DETERMINERS = new Set(
  'a an the my your his her its our their this that these those no some any each every another'.split(' '),
);

/**
 * A run of loose words alone, such as last train where train was met as a verb too, is a phrase when it is so many
 * times as frequent as a phrase must be, and its words are bound so closely.
 */
const LOOSE_FACTOR = 2;
const LOOSE_NPMI = 0.4;

/** Whether a word joins two others in any of the languages. */
const joins = (built: readonly (NounPhrases | undefined)[], form: string): boolean =>
  built.some((each) => each?.linkers.has(form.toLowerCase()));

function rolesInPhrases(
  tokens: Tokens,
  parts: PartsOfTypes,
  stopped: Uint8Array,
  built: readonly (NounPhrases | undefined)[],
): Uint8Array {
  const roles = new Uint8Array(tokens.forms.length);
  for (let type = 0; type < roles.length; type++) {
    if (joins(built, tokens.forms[type])) {
      roles[type] = LINKER;
      continue;
    }
    if (stopped[type] === STOPPED) continue;
    const part = parts.part[type];
    if (stopped[type] === OPEN && (part === NOUN || part === ADJECTIVE)) roles[type] = FIRM;
    else if (parts.nounAtTimes[type] || parts.adjectiveAtTimes[type]) roles[type] = LOOSE;
    else if (parts.participle[type]) roles[type] = PARTICIPLE;
  }
  return roles;
}

/** How the phrases of each language are built, and in which a word is. */
export interface PhrasesByLanguage {
  readonly built: readonly (NounPhrases | undefined)[];
  readonly languageOf: (type: number) => number;
}
const ALL_ALIKE: PhrasesByLanguage = { built: [], languageOf: () => 0 };

/**
 * Finds the runs of 2 to 4 tokens in one sentence, with only white space between them, whose words may be parts of a
 * phrase, and which are met often enough. Stopping more words only takes from what is found: no run is met oftener.
 *
 * @param stopped the types stopped by the published lists (`stoppedTypes`)
 */
export function findRuns(
  tokens: Tokens,
  terms: Terms,
  parts: PartsOfTypes,
  stopped: Uint8Array,
  minimumMentions: number,
  { built: builtIn, languageOf }: PhrasesByLanguage = ALL_ALIKE,
): Runs {
  const termCount = terms.labels.length;
  const roles = rolesInPhrases(tokens, parts, stopped, builtIn);
  const may = terms.ofType.map((term, type) => (roles[type] === NO_PART ? -1 : term));
  // Runs are numbered as nodes of a tree: those below `termCount` are single terms.
  const next = new Map<number, number>();
  const mentions: number[] = [];
  const before: number[] = [];
  const lastTerm: number[] = [];
  const metNode = new Int32List();
  const metFirst = new Int32List();
  const metHow = new Int32List();
  /** Whether a run is all firm, or has a firm noun beside its loose words. */
  const isFirm = (from: number, to: number): boolean => {
    let allFirm = true;
    let firmNoun = false;
    for (let i = from; i <= to; i++) {
      if (roles[tokens.type[i]] === LINKER) continue;
      if (roles[tokens.type[i]] !== FIRM) allFirm = false;
      else if (parts.part[tokens.type[i]] === NOUN) firmNoun = true;
    }
    return allFirm || firmNoun;
  };
  /** A phrase is in one language; what joins its words is any that its language joins words with. */
  const isOfOneLanguage = (first: number, next: number): boolean =>
    roles[next] === LINKER
      ? joins([builtIn[languageOf(first)]], tokens.forms[next])
      : languageOf(first) === languageOf(next);
  const isDeterminer = tokens.forms.map((form) => DETERMINERS.has(form.toLowerCase()) || /['’]s$/.test(form));
  /** Whether a form of a verb stands as an adjective does: after a determiner, or an adjective. */
  const stands = (t: number): boolean => {
    if (t === 0 || !tokens.joined[t]) return false;
    const type = tokens.type[t - 1];
    return isDeterminer[type] || (roles[type] === FIRM && parts.part[type] === ADJECTIVE);
  };
  let runStart = -1;
  for (let t = 0; t < tokens.type.length; t++) {
    const term = may[tokens.type[t]];
    if (term < 0 || (roles[tokens.type[t]] === PARTICIPLE && !stands(t))) {
      runStart = -1;
      continue;
    }
    const last = tokens.type[t];
    if (runStart < 0 || !tokens.joined[t] || !isOfOneLanguage(tokens.type[runStart], last)) runStart = t;
    const built = builtIn[languageOf(last)];
    const isNoun = (type: number): boolean => parts.nounAtTimes[type] === 1;
    const mayEnd =
      roles[last] !== LINKER && (isNoun(last) || (built !== undefined && parts.adjectiveAtTimes[last] === 1));
    // Every run that ends here; beginnings were numbered when their own last token was met.
    for (let from = Math.max(runStart, t - LONGEST_PHRASE + 1); from < t; from++) {
      if (roles[tokens.type[from]] === LINKER) continue;
      const noun = mayEnd && (!built || isNoun(tokens.type[from])) ? HAS_NOUN : 0;
      let node = may[tokens.type[from]];
      for (let i = from + 1; i < t; i++) node = next.get(node * termCount + may[tokens.type[i]]) ?? -1;
      const key = node * termCount + term;
      let child = next.get(key);
      if (child === undefined) {
        child = termCount + mentions.length;
        next.set(key, child);
        mentions.push(0);
        before.push(node);
        lastTerm.push(term);
      }
      mentions[child - termCount]++;
      metNode.push(child - termCount);
      metFirst.push(from);
      metHow.push(noun | (isFirm(from, t) ? FIRM_RUN : 0));
    }
  }

  const runOfNode = new Int32Array(mentions.length).fill(-1);
  const words: number[][] = [];
  const beforeRun: number[] = [];
  const placeFirst: number[] = [0];
  mentions.forEach((count, node) => {
    if (count < minimumMentions) return;
    // What a run begins with is met as often at least, and was numbered before it.
    const start = before[node] < termCount ? -1 : runOfNode[before[node] - termCount];
    runOfNode[node] = words.length;
    beforeRun.push(start);
    words.push([...(start < 0 ? [before[node]] : words[start]), lastTerm[node]]);
    placeFirst.push(placeFirst[placeFirst.length - 1] + count);
  });
  const nodes = metNode.done();
  const firsts = metFirst.done();
  const hows = metHow.done();
  const free = Int32Array.from(placeFirst);
  const place = new Int32Array(free[free.length - 1]);
  const how = new Uint8Array(place.length);
  for (let i = 0; i < nodes.length; i++) {
    const run = runOfNode[nodes[i]];
    if (run < 0) continue;
    how[free[run]] = hows[i];
    place[free[run]++] = firsts[i];
  }
  return {
    terms: words,
    before: Int32Array.from(beforeRun),
    placeFirst: Int32Array.from(placeFirst),
    place,
    how,
    roles,
  };
}

/** No runs, where phrases are not asked for. */
export function noRuns(tokens: Tokens): Runs {
  return {
    terms: [],
    before: new Int32Array(0),
    placeFirst: new Int32Array(1),
    place: new Int32Array(0),
    how: new Uint8Array(0),
    roles: new Uint8Array(tokens.forms.length),
  };
}

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
