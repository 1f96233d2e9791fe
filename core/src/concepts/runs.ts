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
export const HAS_NOUN = 1;
export const FIRM_RUN = 2;

/** The most tokens a phrase has. */
export const LONGEST_PHRASE = 4;

/** What a type may do in a phrase. */
export const NO_PART = 0;
/** A noun or adjective most of the time. */
const FIRM = 1;
/** Now and then a noun or adjective, or a time word: a phrase needs a firm noun beside it. */
const LOOSE = 2;
/** A form of a verb: part of a phrase only where it stands before a noun as an adjective does, as in the waiting room. */
const PARTICIPLE = 3;
/** A word that only joins two others: of a phrase, and neither its first nor its last. */
export const LINKER = 4;
/** Words after which a form of a verb is no verb: driving buses is none of them, a driving licence is. */
const DETERMINERS = new Set(
  'a an the my your his her its our their this that these those no some any each every another'.split(' '),
);

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
