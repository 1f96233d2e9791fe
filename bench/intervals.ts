import { compareGroups } from '../core/src/compare/strength.ts';
import { seededRandom, type Random } from '../core/src/numeric/random.ts';
import { findableOf, powerOf } from '../core/test/compare/simulated-studies.ts';
import { gamma } from './nulls.ts';

const SHARES = [0.02, 0.05, 0.15, 0.4, 0.05, 0.1, 0.2, 0.03];
const STUDIES = 400;

/** A share that is this on average, and differs between sources by this intraclass correlation. */
function shareOfSource(random: Random, mean: number, alike: number): number {
  const a = gamma(random, mean * (1 / alike - 1));
  return a / (a + gamma(random, (1 - mean) * (1 / alike - 1)));
}

/** How often the 95 % intervals of strength hold the true share, in per cent, by number of sources and how they differ. */
export function coverage(sources: number, alike: number, seed: number): number {
  const random = seededRandom(seed);
  let held = 0;
  for (let study = 0; study < STUDIES; study++) {
    const windows = Int32Array.from({ length: sources }, () => 20 + Math.floor(80 * random()));
    const speaking = new Int32Array(sources * SHARES.length);
    windows.forEach((count, s) => {
      SHARES.forEach((mean, t) => {
        const own = shareOfSource(random, mean, alike);
        for (let w = 0; w < count; w++) if (random() < own) speaking[s * SHARES.length + t]++;
      });
    });
    const bySource = { windows, speaking, rowCount: SHARES.length, overlap: 1 };
    const [{ strengths }] = compareGroups(bySource, new Int32Array(sources), ['all'], 1).groups;
    strengths.forEach(({ low, high }, t) => {
      if (low <= SHARES[t] && SHARES[t] <= high) held++;
    });
  }
  return (100 * held) / STUDIES / SHARES.length;
}

export function benchIntervals(): void {
  console.log('\n## How often 95 % intervals of strength hold the true share, in %\n');
  const correlations = [0.01, 0.05, 0.15];
  console.log(`| sources | ${correlations.map((each) => `sources alike ${each}`).join(' | ')} |`);
  console.log(`|---:|${correlations.map(() => '---:').join('|')}|`);
  for (const sources of [2, 3, 4, 6, 12, 30]) {
    console.log(
      `| ${sources} | ${correlations.map((each) => coverage(sources, each, 5).toFixed(1)).join(' | ')} |`,
    );
  }
}

/** How often a difference that is said to be found in four of five studies is. */
export function benchFindable(): void {
  console.log('\n## The difference that is said to be found in four of five studies\n');
  console.log('| sources a group | points | found in, % |\n|---:|---:|---:|');
  for (const each of [4, 6, 8, 12, 20, 30]) {
    const difference = findableOf(each, 3);
    console.log(
      difference === undefined
        ? `| ${each} | none can be | – |`
        : `| ${each} | ${(100 * difference).toFixed(1)} | ${(100 * powerOf(each, difference, 200)).toFixed(0)} |`,
    );
  }
}
