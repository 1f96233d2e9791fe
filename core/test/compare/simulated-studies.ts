import { normal } from '../../../bench/deviates.ts';
import { compareGroups, type Comparison } from '../../src/compare/strength.ts';
import { seededRandom, type Random } from '../../src/numeric/random.ts';

const SHARES = [0.15, 0.05, 0.15, 0.4, 0.05, 0.1, 0.2, 0.03];
/** The row whose share differs between the groups. */
const ROW = 2;
/** How alike what a source says is (intraclass correlation). */
const ALIKE = 0.05;

/** Two groups of so many sources whose shares of one row differ by this much. */
function study(random: Random, each: number, difference: number): Comparison {
  const windows = Int32Array.from({ length: 2 * each }, () => 20 + Math.floor(80 * random()));
  const speaking = new Int32Array(windows.length * SHARES.length);
  windows.forEach((count, s) => {
    SHARES.forEach((share, t) => {
      const mean = t === ROW ? share + (s < each ? -difference : difference) / 2 : share;
      const own = mean + normal(random) * Math.sqrt(ALIKE * mean * (1 - mean));
      for (let w = 0; w < count; w++) if (random() < own) speaking[s * SHARES.length + t]++;
    });
  });
  const groupOf = Int32Array.from(windows, (_, s) => (s < each ? 0 : 1));
  return compareGroups({ windows, speaking, rowCount: SHARES.length, overlap: 1 }, groupOf, ['a', 'b'], 1);
}

/** The difference that is said to be found in four of five studies of so many sources a group: the median of some. */
export function findableOf(each: number, seed: number, studies = 30): number | undefined {
  const random = seededRandom(seed, each);
  const found = Array.from({ length: studies }, () => study(random, each, 0).findable[ROW]);
  return found.sort((a, b) => (a ?? 1) - (b ?? 1))[studies >> 1];
}

/** In what share of studies a true difference of this size is found (q < 0.05). */
export function powerOf(each: number, difference: number, studies: number, seed = 1): number {
  const random = seededRandom(seed, 1000 + each);
  let found = 0;
  for (let i = 0; i < studies; i++) if (study(random, each, difference).q[ROW] < 0.05) found++;
  return found / studies;
}
