import type { SourceStrength } from '../core/src/compare/source-strength.ts';
import { alikenessOf, compareGroups, groupStrength } from '../core/src/compare/strength.ts';
import { trendsOf } from '../core/src/compare/time.ts';
import { seededRandom, type Random } from '../core/src/numeric/random.ts';
import { findableOf, powerOf } from '../core/test/compare/simulated-studies.ts';
import { gamma, normal } from './deviates.ts';

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

/** How alike the windows of a source are, by row: the first half of the rows all sources speak to, the others few carry. */
const UNEVEN = [0.02, 0.02, 0.02, 0.02, 0.2, 0.3, 0.2, 0.3];
/** Sources by which true shares are told where long ones say more. */
const ALL_SOURCES = 40_000;

/**
 * The same where some rows hang on few sources: of rows that all speak to, and of those that few carry.
 *
 * @param isSkewed whether some sources are very long
 * @param longSayMore whether they also say more of each row
 */
export function unevenCoverage(
  sources: number,
  { isSkewed, longSayMore }: { readonly isSkewed: boolean; readonly longSayMore: boolean },
  studies = STUDIES,
): [even: number, uneven: number] {
  const random = seededRandom(5, sources);
  const source = (from: Random): { windows: number; shares: number[] } => {
    const windows = isSkewed
      ? Math.max(4, Math.round(30 * Math.exp(0.9 * normal(from))))
      : 20 + Math.floor(80 * from());
    const more = longSayMore ? Math.min(1.8, Math.max(0.4, Math.sqrt(windows / 45))) : 1;
    return {
      windows,
      shares: SHARES.map((mean, t) => shareOfSource(from, Math.min(0.9, mean * more), UNEVEN[t])),
    };
  };
  const truth = SHARES.map(() => 0);
  const other = seededRandom(99);
  let all = 0;
  for (let s = 0; s < ALL_SOURCES; s++) {
    const { windows, shares } = source(other);
    all += windows;
    shares.forEach((share, t) => (truth[t] += share * windows));
  }
  const half = SHARES.length / 2;
  const held: [number, number] = [0, 0];
  for (let study = 0; study < studies; study++) {
    const made = Array.from({ length: sources }, () => source(random));
    const speaking = made.flatMap(({ windows, shares }) =>
      shares.map(
        (share) => Array.from({ length: windows }, () => random()).filter((at) => at < share).length,
      ),
    );
    const bySource = {
      windows: Int32Array.from(made, ({ windows }) => windows),
      speaking: Int32Array.from(speaking),
      rowCount: SHARES.length,
      overlap: 1,
    };
    const [{ strengths }] = compareGroups(bySource, new Int32Array(sources), ['all'], 1).groups;
    strengths.forEach(({ low, high }, t) => {
      if (low <= truth[t] / all && truth[t] / all <= high) held[t < half ? 0 : 1]++;
    });
  }
  return [(100 * held[0]) / studies / half, (100 * held[1]) / studies / half];
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
  benchUneven();
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

function benchUneven(): void {
  console.log('\n## The same where few sources carry a row, in %: rows all speak to; rows few carry\n');
  console.log('| sources | lengths alike | long ones say more | some very long | and say more |');
  console.log('|---:|---:|---:|---:|---:|');
  for (const sources of [6, 12, 30]) {
    const cells = [false, true].flatMap((isSkewed) =>
      [false, true].map((longSayMore) =>
        unevenCoverage(sources, { isSkewed, longSayMore })
          .map((each) => each.toFixed(0))
          .join('; '),
      ),
    );
    console.log(`| ${sources} | ${cells.join(' | ')} |`);
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
