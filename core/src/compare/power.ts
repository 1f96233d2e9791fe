import { incompleteBeta } from '../numeric/special.ts';

/** P(F ≤ x) for Fisher's F with these degrees of freedom. */
const fisherBelow = (x: number, between: number, within: number): number =>
  x <= 0 ? 0 : incompleteBeta(between / 2, within / 2, (between * x) / (between * x + within));

/** Where a rising function passes a value, between 0 and where it has. */
function solve(rising: (x: number) => number, value: number): number {
  let high = 1;
  while (rising(high) < value && high < 1e9) high *= 2;
  let low = 0;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (rising(middle) < value) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const FOUR_OF_FIVE = 0.8;
const solved = new Map<string, number>();

/**
 * How far apart groups must be for a test of their difference to find it in four of five studies: the noncentrality of F at which
 * its power is 0.8, by Patnaik's approximation (1949). The test by regrouping sources has the power of F in the limit (Hoeffding
 * 1952); with few sources and several rows it asks for much more than the normal formula, 2.8², says.
 *
 * @param chance below which a difference counts as found, after it is shared out over the rows that are looked at
 * @param groups number of groups
 * @param sources number of sources in all of them
 * @example noncentralityFound(0.05, 2, 1000) // about 7.86, (1.96 + 0.84)²
 */
export function noncentralityFound(chance: number, groups: number, sources: number): number {
  const [between, within] = [groups - 1, sources - groups];
  if (between < 1 || within < 1) return Infinity;
  const key = `${chance} ${groups} ${sources}`;
  let found = solved.get(key);
  if (found === undefined) {
    const bar = solve((x) => fisherBelow(x, between, within), 1 - chance);
    found = solve((noncentrality) => {
      const degrees = (between + noncentrality) ** 2 / (between + 2 * noncentrality);
      return 1 - fisherBelow(bar / (1 + noncentrality / between), degrees, within);
    }, FOUR_OF_FIVE);
    solved.set(key, found);
  }
  return found;
}
