import { bareForm } from '../languages/en/bare-form.ts';
import type { Lexicon } from '../languages/en/lexicon.ts';
import type { Tokens } from '../text/tokens.ts';
import { largest } from '../base/extent.ts';
import { ownValue } from '../base/records.ts';
import {
  cluesOfForm,
  cluesRound,
  NAME_CLUES,
  NAME_KINDS,
  type NameClue,
  type NameKind,
} from './name-clues.ts';
import { TITLES } from '../languages/en/name-words.ts';
import type { Names } from './names.ts';

/** What a name is of, and why. */
export interface KindOfName {
  /** As the researcher says, or as it was found. */
  readonly kind: NameKind;
  readonly found: NameKind;
  /** What told it, the weightiest first, each with at how many mentions; 0 where the name itself does. */
  readonly clues: readonly { readonly clue: NameClue; readonly times: number }[];
  readonly mentions: number;
}

const CLUES = Object.keys(NAME_CLUES) as readonly NameClue[];
const NUMBER_OF = new Map(CLUES.map((clue, i) => [clue, i]));
/** What stands round a name counts as if it had so many mentions more, so that one of one is not as sure as ten of ten. */
const CAUTION = 2;
/** A kind is told from so many votes on. */
const ENOUGH = 1;

/** How a collection's names are told apart. */
export interface NameKindOptions {
  /** Of English; none where the texts are in another language, of which only names themselves and titles are known. */
  readonly lexicon?: Lexicon;
  /** Name → what the researcher says it is of. */
  readonly said?: Readonly<Record<string, NameKind>>;
}

/**
 * What each name is of: a person, a place, an organisation or something else. Told by the name's own words (a first name,
 * Street, Council), by whether it is who speaks, and by what stands round its mentions (Mrs, in, said), each clue with the
 * votes of `NAME_CLUES`, those round it times the share of its mentions; other where nothing tells.
 *
 * @returns by name, as numbered in `names`
 */
export function kindsOfNames(
  tokens: Tokens,
  names: Names,
  { lexicon, said = {} }: NameKindOptions,
): KindOfName[] {
  const times = countClues(tokens, names, lexicon !== undefined);
  const mentions = new Int32Array(names.labels.length);
  for (const name of names.name) mentions[name]++;
  const speakers = new Set(tokens.speakers.map((label) => label.toLowerCase()));
  return names.labels.map((label, name): KindOfName => {
    const own = new Set<NameClue>();
    for (const form of [label, ...names.shorter[name].map((each) => each.form)]) {
      for (const clue of cluesOfForm(form, lexicon)) own.add(clue);
      if (speakers.has(form.toLowerCase())) own.add('speaks');
    }
    // Most clues are there of no name: only those that are have votes.
    const met: { clue: NameClue; times: number; share: number }[] = [];
    const sums = new Float64Array(NAME_KINDS.length);
    CLUES.forEach((clue, c) => {
      const isOwn = own.has(clue);
      const round = times[name * CLUES.length + c];
      if (!isOwn && round === 0) return;
      const share = isOwn ? 1 : round / (mentions[name] + CAUTION);
      NAME_CLUES[clue].forEach((vote, k) => (sums[k] += vote * share));
      met.push({ clue, times: isOwn ? 0 : round, share });
    });
    const best = sums.indexOf(largest(sums));
    const found = sums[best] >= ENOUGH ? NAME_KINDS[best] : 'other';
    const voteOf = ({ clue, share }: (typeof met)[number]): number =>
      share * NAME_CLUES[clue][NAME_KINDS.indexOf(found)];
    const clues = met
      .filter((each) => voteOf(each) > 0)
      .sort((x, y) => voteOf(y) - voteOf(x))
      .map(({ clue, times: at }) => ({ clue, times: at }));
    return { kind: ownValue(said, label) ?? found, found, clues, mentions: mentions[name] };
  });
}

/** How often each clue stands round each name: a row of `CLUES` for each. */
function countClues(tokens: Tokens, names: Names, english: boolean): Int32Array {
  const counts = new Int32Array(names.labels.length * CLUES.length);
  const bare = tokens.forms.map((form) => bareForm(form).toLowerCase());
  const wordAt = (t: number): string => bare[tokens.type[t]];
  /** The word before a token; '' where anything stands between the two, but for the full stop of Mr. */
  const wordBefore = (t: number): string => {
    if (t === 0) return '';
    const word = wordAt(t - 1);
    return tokens.joined[t] === 1 || (TITLES.has(word) && isStopped(tokens, t)) ? word : '';
  };
  for (let i = 0; i < names.name.length; i++) {
    const first = names.first[i];
    const end = names.end[i];
    const last = tokens.forms[tokens.type[end - 1]];
    const round = {
      before: wordBefore(first),
      twoBefore: first > 0 && tokens.joined[first] === 1 ? wordBefore(first - 1) : '',
      after: end < tokens.type.length && tokens.joined[end] === 1 ? wordAt(end) : '',
      possessive: bareForm(last).length < last.length,
    };
    for (const clue of cluesRound(round, english))
      counts[names.name[i] * CLUES.length + (NUMBER_OF.get(clue) ?? 0)]++;
  }
  return counts;
}

/** Characters of a full stop and a space. */
const STOP_AND_SPACE = 2;

function isStopped(tokens: Tokens, t: number): boolean {
  return tokens.start[t] - tokens.end[t - 1] === STOP_AND_SPACE && tokens.start[t] > tokens.end[t - 1];
}

/** 1 for each name whose kind is wanted. */
export const namesWanted = (kinds: readonly KindOfName[], wanted: readonly NameKind[]): Uint8Array =>
  Uint8Array.from(kinds, ({ kind }) => (wanted.includes(kind) ? 1 : 0));
