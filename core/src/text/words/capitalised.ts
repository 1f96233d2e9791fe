import { byCodeUnits } from '../../base/order.ts';

/** Words written with a capital that name a day, a month or the speaker, and so nobody. */
const NO_NAMES: ReadonlySet<string> = new Set(
  'I Monday Tuesday Wednesday Thursday Friday Saturday Sunday January February March April May June July August September October November December Christmas Easter'.split(
    ' ',
  ),
);
/** A word with a capital, of two letters or more; and several in a row. */
const CAPITALISED = "\\p{Lu}[\\p{L}\\p{M}]+(?:['’-]\\p{Lu}?[\\p{L}\\p{M}]+)*";
/** Inside a sentence: a small letter, a digit or a comma stands before it. */
const INSIDE = new RegExp(`(?<=[\\p{Ll}\\p{N},;][  ])${CAPITALISED}(?: ${CAPITALISED})*`, 'gu');
/** Anywhere. */
const RUN = new RegExp(`${CAPITALISED}(?: ${CAPITALISED})*`, 'gu');
const POSSESSIVE = /['’]s$/;

/** A name that was met, with how often and in how many texts. */
export interface MetName {
  readonly name: string;
  readonly mentions: number;
  readonly sources: number;
}

type Counts = Map<string, { mentions: number; sources: number }>;

/** Counts the names among the words with a capital of a text, the longest first: each word is part of one. */
function countNames(text: string, met: Counts): void {
  const here = new Set<string>();
  for (const [run] of text.matchAll(RUN)) {
    const words = run.split(' ');
    for (let from = 0; from < words.length; from++) {
      for (let to = words.length; to > from; to--) {
        const name = words.slice(from, to).join(' ').replace(POSSESSIVE, '');
        const count = met.get(name);
        if (!count) continue;
        count.mentions++;
        if (!here.has(name)) count.sources++;
        here.add(name);
        from = to - 1;
        break;
      }
    }
  }
}

/** A word that stands so many times as often in small letters is no name: And, as texts of old write it after a comma. */
const WORD_BY_FAR = 10;

/** Names of one word that are words like any other by how they are written elsewhere. */
function plainWords(texts: readonly string[], inside: ReadonlyMap<string, number>): Set<string> {
  const small = new Map<string, number>();
  for (const name of inside.keys()) if (!name.includes(' ')) small.set(name.toLowerCase(), 0);
  for (const text of texts) {
    for (const [word] of text.matchAll(/\p{Ll}[\p{L}\p{M}]+/gu)) {
      const count = small.get(word);
      if (count !== undefined) small.set(word, count + 1);
    }
  }
  const isPlain = ([name, count]: [string, number]): boolean =>
    (small.get(name.toLowerCase()) ?? 0) >= WORD_BY_FAR * count;
  return new Set([...inside].filter(isPlain).map(([name]) => name));
}

/**
 * Names in texts: words with a capital inside a sentence, those said once too, since it is such that tell who somebody is; the most
 * mentioned first. Days, months and I are none, nor is a word
 * that stands far oftener in small letters.
 *
 * @example namesIn(['I rang Ada Hale. Ada Hale came, and Bo.']) // Ada Hale 2, Bo 1
 */
export function namesIn(texts: readonly string[]): MetName[] {
  const inside = new Map<string, number>();
  for (const text of texts) {
    for (const [found] of text.matchAll(INSIDE)) {
      const words = found.replace(POSSESSIVE, '').split(' ');
      while (words.length > 0 && NO_NAMES.has(words[0].replace(/days$/, 'day'))) words.shift();
      const name = words.join(' ');
      if (name !== '') inside.set(name, (inside.get(name) ?? 0) + 1);
    }
  }
  const plain = plainWords(texts, inside);
  const met: Counts = new Map(
    [...inside.keys()].filter((name) => !plain.has(name)).map((name) => [name, { mentions: 0, sources: 0 }]),
  );
  for (const text of texts) countNames(text, met);
  return [...met]
    .map(([name, { mentions, sources }]) => ({ name, mentions, sources }))
    .filter(({ mentions }) => mentions > 0)
    .sort((a, b) => b.mentions - a.mentions || byCodeUnits(a.name, b.name));
}
