import { jaccard } from '../network/measures.ts';
import munkres from 'munkres';
import type { SheetName } from '../base/sheets.ts';
import { indexOfLetter, letterAt } from './letters.ts';

/** What a theme is known by over re-computations: its letter, and the concepts it last had. */
export interface ThemeIdentity {
  readonly letter: string;
  readonly members: readonly string[];
  /** Whether the last grouping had it; a letter once given is never given to another theme. */
  readonly present: boolean;
  /** What the last map was drawn on; left out where sheets had no names. */
  readonly sheet?: SheetName;
  /** Where its parcel stood there: site and weight in the land’s power diagram. */
  readonly site?: readonly [x: number, y: number, weight: number];
  /** The middle of its name there, the type size and the number of lines. */
  readonly name?: readonly [x: number, y: number, type: number, lines: number];
  /** Concept key → where its word stood, and how large. */
  readonly places?: Readonly<Record<string, readonly [x: number, y: number, type: number]>>;
}

/** A theme goes on as another where they share so much (Jaccard): one concept of nine is no reason to keep a name. */
const SAME_THEME = 0.3;

/**
 * Gives new themes the letters of the old: the best one-to-one match on shared members (Hungarian method; Jaccard
 * overlap of 0.3 or more), first with the themes of the last grouping, then with those that went before; what matches none gets a
 * letter never used.
 *
 * @param groups members of each new theme, by key
 * @param held themes whose letter is the researcher's, with their members; no other gets it
 * @returns the letter of each group, and the register to keep for next time
 */
export function matchThemes(
  groups: readonly (readonly string[])[],
  known: readonly ThemeIdentity[],
  held: ReadonlyMap<string, readonly string[]> = new Map(),
): { letters: string[]; register: ThemeIdentity[] } {
  const letters = new Array<string | undefined>(groups.length).fill(undefined);
  const match = (old: readonly ThemeIdentity[]): void => {
    const unnamed = groups.map((_, i) => i).filter((i) => letters[i] === undefined);
    if (unnamed.length === 0 || old.length === 0) return;
    const overlap = unnamed.map((i) => old.map((theme) => jaccardOverlap(groups[i], theme.members)));
    const size = Math.max(unnamed.length, old.length);
    const cost = Array.from({ length: size }, (_, r) =>
      Array.from({ length: size }, (_, c) => 1 - (overlap[r]?.[c] ?? 0)),
    );
    for (const [row, column] of munkres(cost)) {
      if ((overlap[row]?.[column] ?? 0) >= SAME_THEME) letters[unnamed[row]] = old[column].letter;
    }
  };
  const open = known.filter(({ letter }) => !held.has(letter));
  match(open.filter((theme) => theme.present));
  match(open.filter((theme) => !theme.present));
  let used = known.length;
  const unused = (): string => {
    while (held.has(letterAt(used))) used++;
    return letterAt(used++);
  };
  const given = letters.map((letter) => letter ?? unused());
  for (const letter of held.keys()) used = Math.max(used, indexOfLetter(letter) + 1);
  const memberOf = new Map([
    ...held,
    ...given.map((letter, i): [string, readonly string[]] => [letter, groups[i]]),
  ]);
  const register = Array.from({ length: used }, (_, i): ThemeIdentity => {
    const letter = letterAt(i);
    const members = memberOf.get(letter);
    // Where it stood on the map goes on with the letter.
    const stood = standing(known[i]);
    return members
      ? { letter, members, present: true, ...stood }
      : { letter, members: known[i]?.members ?? [], present: false, ...stood };
  });
  return { letters: given, register };
}

/** Where a theme stood on the map, as far as it is known. */
function standing(
  theme: ThemeIdentity | undefined,
): Pick<ThemeIdentity, 'sheet' | 'site' | 'name' | 'places'> {
  const { sheet, site, name, places } = theme ?? {};
  return {
    ...(sheet ? { sheet } : {}),
    ...(site ? { site } : {}),
    ...(name ? { name } : {}),
    ...(places ? { places } : {}),
  };
}

/** The register to keep when a grouping is shown: its themes, and every letter given before, so none is given twice. */
export function joinRegisters(
  shown: readonly ThemeIdentity[],
  before: readonly ThemeIdentity[],
): ThemeIdentity[] {
  const gone = before.slice(shown.length).map((theme) => ({ ...theme, present: false }));
  // Themes that were shown before their map was drawn are where the last map had them.
  const stood = shown.map((theme, i): ThemeIdentity => {
    return { ...standing(before[i]), ...theme };
  });
  return [...stood, ...gone];
}

function jaccardOverlap(a: readonly string[], b: readonly string[]): number {
  const inB = new Set(b);
  return jaccard(a.filter((key) => inB.has(key)).length, a.length, b.length);
}
