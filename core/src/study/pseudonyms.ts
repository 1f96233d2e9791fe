/** Names as they stand in the texts → what stands for them in whatever leaves the study. */
export type Pseudonyms = Readonly<Record<string, string>>;

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
  /** The same with names however they are written: for names of files. */
  readonly renameAnyCase: (text: string) => string;
}

const UNCHANGED: Renamer = {
  rename: (text) => text,
  renamed: (text) => ({ text, changed: 0, placeOf: (at) => at }),
  renameAnyCase: (text) => text,
};

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&');

/** One pattern for all names, the longest first; a name ends where no letter or digit goes on. */
function patternOf(names: readonly string[], flags: string): RegExp {
  const longestFirst = [...names].sort((a, b) => b.length - a.length || (a < b ? -1 : 1));
  // However many spaces or line ends stand between the words of a name.
  const written = longestFirst.map((name) => name.split(/\s+/).map(escaped).join('\\s+'));
  return new RegExp(`(?<![\\p{L}\\p{N}])(?:${written.join('|')})(?![\\p{L}\\p{N}])`, flags);
}

const spaced = (name: string): string => name.split(/\s+/).join(' ');

/**
 * What gives names their pseudonyms: a name as it is written or in capitals; one of several words in small letters too. All at
 * once, so that no pseudonym is taken for a name.
 *
 * @example renamerOf({ Ada: 'Bea' }).rename('Ada and Adam') // '[Bea] and Adam'
 */
export function renamerOf(pseudonyms: Pseudonyms): Renamer {
  const entries = Object.entries(pseudonyms).filter(([name]) => name.trim() !== '');
  if (entries.length === 0) return UNCHANGED;
  const standsFor = new Map<string, string>();
  const lowered = new Map<string, string>();
  for (const [given, pseudonym] of entries) {
    const name = spaced(given.trim());
    standsFor.set(name, pseudonym);
    lowered.set(name.toLowerCase(), pseudonym);
    for (const form of [name.toUpperCase(), ...(name.includes(' ') ? [name.toLowerCase()] : [])])
      if (!standsFor.has(form)) standsFor.set(form, pseudonym);
  }
  const pattern = patternOf([...standsFor.keys()], 'gu');
  const anyCase = patternOf([...lowered.keys()], 'giu');
  const bracketed = (pseudonym: string | undefined, name: string): string => `[${pseudonym ?? name}]`;
  const rename = (text: string): string =>
    text.replace(pattern, (name) => bracketed(standsFor.get(spaced(name)), name));
  return {
    rename,
    renamed(text) {
      // Where each name stood, and how far what follows it has moved.
      const names: { start: number; end: number; newStart: number; newEnd: number }[] = [];
      let shift = 0;
      for (const match of text.matchAll(pattern)) {
        const [start, end] = [match.index, match.index + match[0].length];
        const length = bracketed(standsFor.get(spaced(match[0])), match[0]).length;
        names.push({ start, end, newStart: start + shift, newEnd: start + shift + length });
        shift += length - (end - start);
      }
      return {
        text: rename(text),
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
    renameAnyCase: (text) =>
      text.replace(anyCase, (name) => bracketed(lowered.get(spaced(name).toLowerCase()), name)),
  };
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
    renamerOf({ [words]: 'x' }).renameAnyCase(text) !== text;
  if (isIn(name, pseudonym)) return `“${pseudonym}” still has ${name} in it. Choose another.`;
  for (const [other, standsIn] of others) {
    if (isIn(other, pseudonym))
      return `${other} is a name on the list itself, so that it can stand for nobody.`;
    if (isIn(name, standsIn))
      return `${name} stands for somebody on the list already, so that it can’t be a name there too.`;
  }
  return undefined;
}
