import { byCodeUnits } from '../base/order.ts';

/** What hyphens, spaces and capitals make of one word or phrase. */
const bare = (key: string): string => key.toLowerCase().replace(/[\s\-‐‑]/g, '');

/** Whether a key is of several words, or one that could be written as several. */
const isSeveral = (key: string): boolean => /[\s\-‐‑]/.test(key);

/** Whether two keys are spellings of one thing: they differ by hyphens and spaces, or, where of several words, by capitals. */
function areOne(a: string, b: string): boolean {
  if (bare(a) !== bare(b)) return false;
  const byCapitals = a.toLowerCase() === b.toLowerCase();
  // May and may, Bath and bath are two words; Social Security and social security are one.
  return byCapitals ? isSeveral(a) : isSeveral(a) || isSeveral(b);
}

/** A pair of keys as decisions have it. */
export const pairOf = (a: string, b: string): string => [a, b].sort(byCodeUnits).join('\t');

/** Pairs that were told apart, of those that would be one by themselves. */
export const toldApart = (pairs: readonly string[]): string[] =>
  pairs.filter((pair) => {
    const [a, b] = pair.split('\t');
    return areOne(a, b);
  });

/**
 * Spellings that count for another by themselves, since they differ from it by capitals, hyphens or spaces alone:
 * night-bus and nightbus for night bus, Social Security for social security. Each counts for the one with the most
 * mentions, of equals the first in code-unit order.
 *
 * @param apart pairs the researcher told apart (`pairOf`)
 * @returns [spelling, what it counts for], by number
 */
export function spellingsOfOne(
  keys: readonly string[],
  mentions: ArrayLike<number>,
  apart: ReadonlySet<string>,
): [spelling: number, of: number][] {
  const alike = new Map<string, number[]>();
  keys.forEach((key, i) => {
    if (mentions[i] === 0) return;
    const shared = bare(key);
    const present = alike.get(shared);
    if (present) present.push(i);
    else alike.set(shared, [i]);
  });
  const found: [number, number][] = [];
  for (const group of alike.values()) {
    if (group.length < 2) continue;
    group.sort((a, b) => mentions[b] - mentions[a] || byCodeUnits(keys[a], keys[b]));
    const leaders: number[] = [];
    for (const each of group) {
      const of = leaders.find(
        (leader) => areOne(keys[leader], keys[each]) && !apart.has(pairOf(keys[leader], keys[each])),
      );
      if (of === undefined) leaders.push(each);
      else found.push([each, of]);
    }
  }
  return found;
}
