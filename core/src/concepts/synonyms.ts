import { wordsOf } from '../text/scan.ts';
import type { Tokens } from '../text/tokens.ts';
import type { Candidates } from './candidates.ts';
import { termsByForm, type Terms } from './terms.ts';

/** One line of a list of synonyms: the main word, then its variants. */
export interface SynonymLine {
  /** From 1, for reports. */
  readonly line: number;
  readonly main: string;
  readonly variants: readonly string[];
}

/** Reads a list of synonyms: a concept a line, the main word first, then its variants, commas between. */
export function readSynonyms(text: string): SynonymLine[] {
  return text.split('\n').flatMap((raw, i): SynonymLine[] => {
    const [main = '', ...variants] = raw.split(',').map((part) => part.trim().replace(/\s+/g, ' '));
    if (main === '' || main.startsWith('#')) return [];
    const given = [...new Set(variants)].filter((variant) => variant !== '' && variant !== main);
    return [{ line: i + 1, main, variants: given }];
  });
}

/** A study's merges as a list of synonyms, a concept a line, in code-unit order. */
export function writeSynonyms(merges: Readonly<Record<string, string>>): string {
  const groups = new Map<string, string[]>();
  for (const [variant, into] of Object.entries(merges))
    groups.set(into, [...(groups.get(into) ?? []), variant]);
  return [...groups]
    .map(([into, variants]) => [into, ...variants.sort()].join(', '))
    .sort()
    .map((line) => `${line}\n`)
    .join('');
}

/** What a list of synonyms would do in a study. */
export interface SynonymReport {
  readonly groups: readonly { readonly into: string; readonly keys: readonly string[] }[];
  /** Words and phrases of the list that stand nowhere in the texts, with their lines. */
  readonly absent: readonly { readonly line: number; readonly word: string }[];
  /** Words that stand in several lines; the first one counts. */
  readonly doubled: readonly { readonly line: number; readonly word: string }[];
  /** Lines of which nothing stands in the texts. */
  readonly idleLines: readonly number[];
}

/**
 * The key a typed word or phrase has as a candidate: the labels of its words. A phrase that is no candidate stays as it is
 * typed. Undefined where a word is nowhere.
 */
function keyOf(
  typed: string,
  terms: Terms,
  termOfForm: ReadonlyMap<string, number>,
  isCandidate: (key: string) => boolean,
): string | undefined {
  const words = wordsOf(typed).map((word) => word.toLowerCase().replaceAll('’', "'"));
  const found = words.map((word) => termOfForm.get(word));
  if (words.length === 0 || found.includes(undefined)) return undefined;
  const key = found.map((term) => terms.labels[term ?? 0]).join(' ');
  return words.length === 1 || isCandidate(key) ? key : words.join(' ');
}

/**
 * What merging by a list would do: typed words are brought to the keys of candidates, wildcards (wait*) to all that fit.
 * A main word that stands nowhere may still be the name of its variants.
 */
export function planSynonyms(
  lines: readonly SynonymLine[],
  tokens: Tokens,
  terms: Terms,
  candidates: Candidates,
): SynonymReport {
  const byForm = termsByForm(tokens, terms);
  const keys = new Set(candidates.keys);
  const isCandidate = (key: string): boolean => keys.has(key);
  const taken = new Map<string, string>();
  const absent: { line: number; word: string }[] = [];
  const doubled: { line: number; word: string }[] = [];
  const idleLines: number[] = [];
  const groups = new Map<string, string[]>();
  for (const { line, main, variants } of lines) {
    const mainKey = keyOf(main, terms, byForm, isCandidate);
    const into = mainKey ?? main.toLowerCase();
    let found = 0;
    if (mainKey === undefined) absent.push({ line, word: main });
    else found++;
    for (const variant of variants) {
      const matching = variant.includes('*')
        ? wildcardKeys(variant, terms, candidates)
        : [keyOf(variant, terms, byForm, isCandidate)].filter((key) => key !== undefined);
      if (matching.length === 0) absent.push({ line, word: variant });
      else found++;
      for (const key of matching) {
        if (key === into) continue;
        const other = taken.get(key);
        if (other !== undefined && other !== into) {
          if (!variant.includes('*')) doubled.push({ line, word: variant });
          continue;
        }
        // A word that is a main word itself takes no part as a variant, so that nothing runs in a circle.
        if (groups.has(key)) {
          doubled.push({ line, word: variant });
          continue;
        }
        taken.set(key, into);
        groups.set(into, [...(groups.get(into) ?? []), key]);
      }
    }
    if (found === 0) idleLines.push(line);
  }
  return {
    groups: Array.from(groups, ([into, keys]) => ({
      into: taken.get(into) ?? into,
      keys: [...new Set(keys)],
    })),
    absent,
    doubled,
    idleLines,
  };
}

function wildcardKeys(typed: string, terms: Terms, candidates: Candidates): string[] {
  const pattern = new RegExp(
    `^${typed
      .toLowerCase()
      .split('*')
      .map((part) => part.replace(/[.+?^${}()|[\]\\]/g, '\\$&'))
      .join('[^ ]*')}$`,
    'u',
  );
  const fits = new Set(
    [...candidates.keys, ...terms.labels].filter((key) => pattern.test(key.toLowerCase())),
  );
  return [...fits].sort();
}
