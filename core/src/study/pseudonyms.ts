import { foldedWord, isOneEditApart, nameFinder, type FoundName } from './name-matcher.ts';

/** Names as they stand in the texts → what stands for them in whatever leaves the study. */
export type Pseudonyms = Readonly<Record<string, string>>;

/** What of a study says how names leave it. */
export interface NamesOutside {
  readonly pseudonyms: Pseudonyms;
  /** Names that are words too, and names only where they begin with a capital. */
  readonly capitalNames: readonly string[];
}

/** A text with names changed, and where a place of it went. */
export interface RenamedText {
  readonly text: string;
  /** Names that were changed. */
  readonly changed: number;
  /** The place in the new text of a character of the old one; one inside a name goes to the name's beginning, or its end. */
  readonly placeOf: (at: number, side: 'start' | 'end') => number;
}

export interface Renamer {
  /** A text with every listed name changed and marked by square brackets, as alterations of a quotation are. */
  readonly rename: (text: string) => string;
  readonly renamed: (text: string) => RenamedText;
  /** The same of a label or the name of a file, where a name that is a word too is one however it is written. */
  readonly renameAnyCase: (text: string) => string;
}

const UNCHANGED: Renamer = {
  rename: (text) => text,
  renamed: (text) => ({ text, changed: 0, placeOf: (at) => at }),
  renameAnyCase: (text) => text,
};

/** A label that was cut off: its last word may be the beginning of a name. */
const CUT_WORD = /([\p{L}\p{M}'’-]{3,})…/gu;

/**
 * What gives names their pseudonyms, however they are written (`nameFinder`); endings stay behind the bracket. All at once, so
 * that no pseudonym is taken for a name.
 *
 * @example renamerOf({ pseudonyms: { Ada: 'Bea' }, capitalNames: [] }).rename('ADA’s and Adam') // '[Bea]’s and Adam'
 */
export function renamerOf({ pseudonyms, capitalNames }: NamesOutside): Renamer {
  const entries = Object.entries(pseudonyms).filter(([name]) => name.trim() !== '');
  if (entries.length === 0) return UNCHANGED;
  const capital = new Set(capitalNames);
  const find = nameFinder(entries.map(([name]) => ({ name, onlyCapital: capital.has(name) })));
  const bracketed = ({ name }: FoundName): string => `[${entries[name][1]}]`;
  const put = (text: string, names: readonly FoundName[]): string => {
    let out = '';
    let from = 0;
    for (const each of names) {
      out += text.slice(from, each.start) + bracketed(each);
      from = each.end;
    }
    return out + text.slice(from);
  };
  const words = entries.flatMap(([name], number) =>
    foldedWord(name)
      .split(' ')
      .map((word) => ({ word, number })),
  );
  const withCutNames = (text: string): string =>
    text.includes('…')
      ? text.replace(CUT_WORD, (whole, word: string) => {
          const begun = foldedWord(word);
          const of = words.find((each) => each.word.startsWith(begun) && each.word.length > begun.length);
          return of ? `[${entries[of.number][1]}]` : whole;
        })
      : text;
  return {
    rename: (text) => put(text, find(text, true)),
    renamed(text) {
      const found = find(text, true);
      // Where each name stood, and how far what follows it has moved.
      let shift = 0;
      const names = found.map((each) => {
        const { start, end } = each;
        const { length } = bracketed(each);
        const newStart = start + shift;
        shift += length - (end - start);
        return { start, end, newStart, newEnd: newStart + length };
      });
      return {
        text: put(text, found),
        changed: names.length,
        placeOf(at, side) {
          let low = 0;
          let high = names.length;
          while (low < high) {
            const middle = (low + high) >> 1;
            if (names[middle].end < at || (names[middle].end === at && side === 'start')) low = middle + 1;
            else high = middle;
          }
          const here = names.at(low);
          if (here && (side === 'start' ? here.start <= at : here.start < at))
            return side === 'start' ? here.newStart : here.newEnd;
          const before = low > 0 ? names[low - 1] : undefined;
          return at + (before ? before.newEnd - before.end : 0);
        },
      };
    },
    renameAnyCase: (text) => withCutNames(put(text, find(text, false))),
  };
}

/**
 * A value without what names somebody: entries of lists and records that hold a listed name, whatever is in them, go, since a
 * pseudonym in their place would say something else. For lists and recipes, which are read again by a program.
 *
 * @returns the value, and how many entries went
 */
export function withoutNamed<T>(
  value: T,
  { renameAnyCase }: Renamer,
): { readonly value: T; readonly gone: number } {
  let gone = 0;
  const names = (each: unknown): boolean => {
    if (typeof each === 'string') return renameAnyCase(each) !== each;
    if (typeof each !== 'object' || each === null) return false;
    return Object.entries(each).some(([key, inner]) => (!Array.isArray(each) && names(key)) || names(inner));
  };
  const without = (each: unknown): unknown => {
    if (typeof each !== 'object' || each === null || !names(each)) return each;
    const kept = (key: string, inner: unknown): boolean => {
      const goes = Array.isArray(each)
        ? names(inner)
        : names(key) || (typeof inner === 'string' && names(inner));
      if (goes) gone++;
      return !goes;
    };
    return Array.isArray(each)
      ? each.filter((inner) => kept('', inner))
      : Object.fromEntries(
          Object.entries(each)
            .filter(([key, inner]) => kept(key, inner))
            .map(([key, inner]) => [key, without(inner)]),
        );
  };
  return { value: without(value) as T, gone };
}

/** How often each listed name of one word stands in the texts in small letters: it may be a word too. */
export function writtenSmall(pseudonyms: Pseudonyms, texts: readonly string[]): Map<string, number> {
  const names = Object.keys(pseudonyms).filter((name) => /^\p{Lu}[\p{L}\p{M}]*$/u.test(name.trim()));
  const find = nameFinder(names.map((name) => ({ name })));
  const counts = new Map<string, number>();
  for (const text of texts) {
    for (const { start, end, name } of find(text, false)) {
      if (text.slice(start, end) !== text.slice(start, end).toLowerCase()) continue;
      counts.set(names[name], (counts.get(names[name]) ?? 0) + 1);
    }
  }
  return counts;
}

/** Something that looks like a listed name and is not changed. */
export interface LikeName {
  readonly text: string;
  readonly times: number;
  /** The listed name it is like. */
  readonly name: string;
}

const CAPITALISED = /(?<![\p{L}\p{M}'’])\p{Lu}[\p{L}\p{M}'’]*/gu;
/** Initials, with a family name behind them or alone. */
const INITIALS = /(?<![\p{L}.])(?:\p{Lu}\.[ \u00a0]?){2,3}(?!\p{L})/gu;
/** Of shorter words half the words there are would be alike. */
const SHORTEST_ALIKE = 4;

/**
 * What in texts still looks like a listed name once names are changed: one letter another, a part of a name of several words, its
 * initials. The most frequent first.
 */
export function likeNames(names: NamesOutside, texts: readonly string[]): LikeName[] {
  const listed = Object.keys(names.pseudonyms).filter((name) => name.trim() !== '');
  if (listed.length === 0) return [];
  const { rename } = renamerOf(names);
  const parts = listed.flatMap((name) => {
    const words = foldedWord(name.trim()).split(' ');
    return words.map((word) => ({ name, word, isPart: words.length > 1 }));
  });
  const initials = new Map(
    listed.flatMap((name) => {
      const words = foldedWord(name.trim()).split(' ');
      return words.length > 1 ? [[words.map((word) => word[0]).join(''), name] as const] : [];
    }),
  );
  const alike = new Map<string, { text: string; times: number; name: string } | undefined>();
  const look = (text: string): LikeName | undefined => {
    const word = foldedWord(text.replace(/['’]s$/u, ''));
    if (/[.]/.test(text)) {
      const name = initials.get(word.replace(/[ .]/g, ''));
      return name === undefined ? undefined : { text, times: 0, name };
    }
    const like = parts.find(
      (part) =>
        word.length >= SHORTEST_ALIKE - 1 &&
        ((part.isPart && part.word === word) ||
          (part.word.length >= SHORTEST_ALIKE && isOneEditApart(part.word, word))),
    );
    return like ? { text, times: 0, name: like.name } : undefined;
  };
  const stands = new Set(Object.values(names.pseudonyms).flatMap((each) => foldedWord(each).split(' ')));
  for (const text of texts) {
    const changed = rename(text);
    for (const pattern of [CAPITALISED, INITIALS]) {
      for (const [each] of changed.matchAll(pattern)) {
        if (!alike.has(each)) alike.set(each, stands.has(foldedWord(each)) ? undefined : look(each));
        const known = alike.get(each);
        if (known) known.times++;
      }
    }
  }
  return [...alike.values()]
    .filter((each) => each !== undefined)
    .sort((a, b) => b.times - a.times || (a.text < b.text ? -1 : 1));
}

/** Characters a pseudonym may have: what no table, page or document minds. */
const PLAIN = /^[\p{L}\p{M}\p{N} .'’_-]+$/u;

/** Why a name can't have a pseudonym, or undefined where it can. */
export function pseudonymFault(name: string, pseudonym: string, known: Pseudonyms): string | undefined {
  const others = Object.entries(known).filter(([each]) => each !== name);
  if (name.trim() === '') return 'Type the name first.';
  if (pseudonym.trim() === '') return undefined;
  if (!PLAIN.test(pseudonym)) return 'A pseudonym is letters, digits, spaces, points and hyphens.';
  const isIn = (words: string, text: string): boolean =>
    renamerOf({ pseudonyms: { [words]: 'x' }, capitalNames: [] }).renameAnyCase(text) !== text;
  if (isIn(name, pseudonym)) return `“${pseudonym}” still has ${name} in it. Choose another.`;
  for (const [other, standsIn] of others) {
    if (isIn(other, pseudonym))
      return `${other} is a name on the list itself, so that it can stand for nobody.`;
    if (isIn(name, standsIn))
      return `${name} stands for somebody on the list already, so that it can’t be a name there too.`;
  }
  return undefined;
}
