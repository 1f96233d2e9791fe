import type { SourceStrength } from '../core/src/compare/source-strength.ts';
import { alikenessOf, compareGroups, groupStrength } from '../core/src/compare/strength.ts';
import { trendsOf } from '../core/src/compare/time.ts';
import { seededRandom, type Random } from '../core/src/numeric/random.ts';
import { findableOf, powerOf } from '../core/test/compare/simulated-studies.ts';
import { gamma } from './deviates.ts';

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

/** A course of made-up sources, so many in each period; the share of each row is the same in all, or rises by so much over it. */
function madeCourse(
  random: Random,
  { periods, each, alike, rise }: { periods: number; each: number; alike: number; rise: number },
): { bySource: SourceStrength; inPeriod: number[][] } {
  const sources = periods * each;
  const windows = Int32Array.from({ length: sources }, () => 20 + Math.floor(80 * random()));
  const speaking = new Int32Array(sources * SHARES.length);
  const inPeriod = Array.from({ length: periods }, (_, p) =>
    Array.from({ length: each }, (_, k) => p * each + k),
  );
  inPeriod.forEach((members, p) => {
    for (const s of members) {
      SHARES.forEach((mean, t) => {
        const own = shareOfSource(random, mean + rise * (p / (periods - 1) - 0.5), alike);
        for (let w = 0; w < windows[s]; w++) if (random() < own) speaking[s * SHARES.length + t]++;
      });
    }
  });
  return { bySource: { windows, speaking, rowCount: SHARES.length, overlap: 1 }, inPeriod };
}

/**
 * Of courses in which nothing changes, in per cent: the intervals of periods of one source that miss the true share, and the rows
 * that are said to change steadily (q < 0.05).
 */
export function nothingChanges(
  periods: number,
  alike: number,
  studies: number,
  seed = 1,
): [missed: number, trends: number] {
  const random = seededRandom(seed);
  let [missed, trends, tried] = [0, 0, 0];
  for (let study = 0; study < studies; study++) {
    const { bySource, inPeriod } = madeCourse(random, { periods, each: 1, alike, rise: 0 });
    const others = alikenessOf(bySource, inPeriod.flat());
    for (const sources of inPeriod) {
      groupStrength(bySource, sources, 'one', others).strengths.forEach(({ low, high }, t) => {
        tried++;
        if (low > SHARES[t] || high < SHARES[t]) missed++;
      });
    }
    if (trendsOf(bySource, inPeriod, study + 1).some(({ q }) => q < 0.05)) trends++;
  }
  return [(100 * missed) / tried, (100 * trends) / studies];
}

/** Of courses whose every share rises by so many points, the rows of which that is said, in per cent. */
export function risesFound(periods: number, each: number, rise: number, studies: number): number {
  const random = seededRandom(3);
  let found = 0;
  for (let study = 0; study < studies; study++) {
    const { bySource, inPeriod } = madeCourse(random, { periods, each, alike: 0.05, rise });
    found += trendsOf(bySource, inPeriod, study + 1).filter(({ q, change }) => q < 0.05 && change > 0).length;
  }
  return (100 * found) / studies / SHARES.length;
}

export function benchCourses(): void {
  console.log('\n## Periods of one source, where nothing changes\n');
  console.log(
    '| periods | sources alike | intervals that miss, % | courses with a trend, % |\n|---:|---:|---:|---:|',
  );
  for (const periods of [6, 12, 30]) {
    for (const alike of [0.05, 0.15]) {
      const [missed, trends] = nothingChanges(periods, alike, 200);
      console.log(`| ${periods} | ${alike} | ${missed.toFixed(1)} | ${trends.toFixed(1)} |`);
    }
  }
}

export function benchIntervals(): void {
  benchCourses();
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
