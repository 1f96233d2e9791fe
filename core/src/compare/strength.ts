import { BEYOND_CHANCE } from '../base/beyond-chance.ts';
import { largest, least } from '../base/extent.ts';
import { adjustForMany, wilsonInterval } from '../numeric/chance.ts';
import { inPersons } from './persons.ts';
import { noncentralityFound } from './power.ts';
import { smallestChance, testDifferences } from './regroupings.ts';
import { sumOver, type SourceStrength } from './source-strength.ts';
import { studentQuantile } from '../numeric/special.ts';

/** The strength of one theme in one group. */
export interface Strength {
  readonly share: number;
  /** 95 % interval. */
  readonly low: number;
  readonly high: number;
  /** Windows that speak to the theme, and sources that do. */
  readonly speaking: number;
  readonly sources: number;
  /** How many windows count as one, as those of a source hang together. */
  readonly effect: number;
}

export interface GroupStrength {
  readonly group: string;
  readonly sources: number;
  /** Who speaks in them: as many, or fewer where some have several sources. */
  readonly persons: number;
  readonly windows: number;
  /** By theme. */
  readonly strengths: readonly Strength[];
  /** How the intervals were made: over sources; with one source by how others differ, or over its own windows. */
  readonly interval: 'sources' | 'others' | 'windows';
}

export interface Comparison {
  readonly groups: readonly GroupStrength[];
  /** Share over all sources that have a group, by theme. */
  readonly overall: readonly number[];
  /** Chance of groups as unlike as these if sources had been dealt to them blindly, by theme. */
  readonly p: Float64Array;
  /** p adjusted over the themes (Benjamini & Hochberg 1995). */
  readonly q: Float64Array;
  /** Largest less smallest share, by theme. */
  readonly range: readonly number[];
  /** Whether every arrangement of the sources was tried, or a sample. */
  readonly exact: boolean;
  /** The smallest p that any difference could have: with few sources no difference can be told from chance. */
  readonly smallestP: number;
  /**
   * The difference between the two largest groups that would be found in four of five such studies, by theme; undefined where
   * none can be.
   */
  readonly findable: readonly (number | undefined)[];
}

/**
 * Compares groups of sources: the share of each group's windows that speak to each theme, with Wilson's interval (1927) of
 * the windows divided by the design effect of their sources, and Student's t for the few sources; where a group has one
 * source, over its windows divided by their overlap; and a permutation test of the difference.
 *
 * @param groupOf group of each source, −1 for none
 * @param personOf number of who speaks in each source; null where each is somebody else's
 */
export function compareGroups(
  bySource: SourceStrength,
  groupOf: ArrayLike<number>,
  groupNames: readonly string[],
  seed: number,
  personOf: readonly number[] | null = null,
): Comparison {
  return compareEach([bySource], groupOf, groupNames, seed, personOf)[0];
}

/** Compares the same groups by several counts of the same sources; each comparison is what it would be by itself. */
export function compareEach(
  counts: readonly SourceStrength[],
  groupOf: ArrayLike<number>,
  groupNames: readonly string[],
  seed: number,
  personOf: readonly number[] | null = null,
): Comparison[] {
  if (personOf !== null) return compareVoices(counts, groupOf, groupNames, seed, personOf);
  const members: number[][] = groupNames.map(() => []);
  for (let s = 0; s < groupOf.length; s++) if (groupOf[s] >= 0) members[groupOf[s]].push(s);
  const tests = testDifferences(counts, members, seed);
  return counts.map((bySource, i) => {
    const groups = members.map((sources, g) => groupStrength(bySource, sources, groupNames[g]));
    return describeGroups(bySource, members, groups, tests[i]);
  });
}

/** The same of people: those of one person in one group are one, and counted as the sources they are. */
function compareVoices(
  counts: readonly SourceStrength[],
  groupOf: ArrayLike<number>,
  groupNames: readonly string[],
  seed: number,
  personOf: readonly number[],
): Comparison[] {
  const voiced = counts.map((bySource) => inPersons(bySource, groupOf, personOf));
  const compared = compareEach(
    voiced.map(({ byPerson }) => byPerson),
    voiced[0]?.groupOf ?? [],
    groupNames,
    seed,
  );
  return compared.map((comparison, i) => {
    const members = groupNames.map((_, g) => sourcesOfGroup(groupOf, g));
    return {
      ...comparison,
      groups: comparison.groups.map((group, g) => withSources(group, counts[i], members[g])),
    };
  });
}

const sourcesOfGroup = (groupOf: ArrayLike<number>, group: number): number[] =>
  Array.from({ length: groupOf.length }, (_, s) => s).filter((s) => groupOf[s] === group);

/** What was told of people, with the sources they stand in. */
const withSources = (
  group: GroupStrength,
  { speaking, rowCount }: SourceStrength,
  sources: readonly number[],
): GroupStrength => ({
  ...group,
  sources: sources.length,
  strengths: group.strengths.map((strength, t) => ({
    ...strength,
    sources: sources.filter((s) => speaking[s * rowCount + t] > 0).length,
  })),
});

/** The strength of every row in some sources, those of one person as one (`groupStrength`). */
export function voicedStrength(
  bySource: SourceStrength,
  sources: readonly number[],
  group: string,
  personOf: readonly number[] | null,
): GroupStrength {
  if (personOf === null) return groupStrength(bySource, sources, group);
  const isMeant = new Int32Array(bySource.windows.length).fill(-1);
  for (const s of sources) isMeant[s] = 0;
  const { byPerson, groupOf } = inPersons(bySource, isMeant, personOf);
  return withSources(groupStrength(byPerson, sourcesOfGroup(groupOf, 0), group), bySource, sources);
}

function describeGroups(
  bySource: SourceStrength,
  members: readonly (readonly number[])[],
  groups: readonly GroupStrength[],
  { p, exact }: { readonly p: Float64Array; readonly exact: boolean },
): Comparison {
  const total = sumOver(bySource, members.flat());
  const overall = Array.from({ length: bySource.rowCount }, (_, t) =>
    total.windows === 0 ? 0 : total.speaking[t] / total.windows,
  );
  const range = overall.map((_, t) => {
    const shares = groups.filter((g) => g.windows > 0).map((g) => g.strengths[t].share);
    return shares.length < 2 ? 0 : largest(shares) - least(shares);
  });
  const smallest = smallestChance(
    members.filter((sources) => sources.length > 0).map((sources) => sources.length),
  );
  return {
    groups,
    overall,
    p,
    q: adjustForMany(p),
    range,
    exact,
    smallestP: smallest,
    findable: overall.map((share, row) =>
      findableDifference(groups, share, { row, rows: overall.length, smallest }),
    ),
  };
}

/** How alike the windows of one source are, known from many sources. */
export interface Alikeness {
  /** By row: the intraclass correlation, from 0 to 1. */
  readonly correlation: readonly number[];
  /** By row: degrees of freedom it is known by. */
  readonly degrees: readonly number[];
}

/**
 * How alike the windows of one source are, by row: the correlation that makes the design effect 1 + (m − 1) ρ (Kish 1965), where m
 * is Σw² / Σw over the sources' windows w. Undefined of fewer than two sources.
 */
export function alikenessOf(bySource: SourceStrength, sources: readonly number[]): Alikeness | undefined {
  const voiced = sources.filter((s) => bySource.windows[s] > 0);
  if (voiced.length < 2) return undefined;
  const all = sumOver(bySource, voiced);
  const { effects, degrees } = designEffects(bySource, voiced, all);
  const size = voiced.reduce((sum, s) => sum + bySource.windows[s] ** 2, 0) / all.windows;
  const correlation = effects.map((effect) => (size > 1 ? Math.min(1, (effect - 1) / (size - 1)) : 0));
  return { correlation, degrees };
}

/**
 * The strength of every row in some sources.
 *
 * @param others how alike windows of one source are elsewhere: what a source alone, of which nobody knows how others would differ
 *   from it, is judged by
 */
export function groupStrength(
  bySource: SourceStrength,
  sources: readonly number[],
  group: string,
  others?: Alikeness,
): GroupStrength {
  const { rowCount, overlap } = bySource;
  const { windows, speaking } = sumOver(bySource, sources);
  const voiced = sources.filter((s) => bySource.windows[s] > 0);
  const single = voiced.length < 2;
  const { effects, degrees } = designEffects(bySource, voiced, { windows, speaking });
  const strengths = Array.from({ length: rowCount }, (_, t): Strength => {
    const share = windows === 0 ? 0 : speaking[t] / windows;
    const alone = others ? Math.max(overlap, 1 + (windows - 1) * others.correlation[t]) : overlap;
    const effect = single ? alone : effects[t];
    const known = single ? others?.degrees[t] : degrees[t];
    const [low, high] = wilsonInterval(
      speaking[t] / effect,
      windows / effect,
      known === undefined ? undefined : studentQuantile(0.05, known),
    );
    const from = voiced.filter((s) => bySource.speaking[s * rowCount + t] > 0).length;
    return { share, low, high, speaking: speaking[t], sources: from, effect };
  });
  const interval = !single ? 'sources' : others ? 'others' : 'windows';
  return { group, sources: sources.length, persons: sources.length, windows, strengths, interval };
}

/** The mean design effect of a group's themes counts as so many sources more, where there are more themes than that. */
const PRIOR_SOURCES = 6;
/** A theme that hangs on few sources is known by so many degrees of freedom for each that counts. */
const DEGREES_A_CARRIER = 2;
const FEWEST_DEGREES = 1.5;

/** How a row's share varies over sources. */
interface Variation {
  /** Variance if its windows were drawn one by one. */
  readonly drawn: number;
  /** Variance by leaving out each source in turn (jackknife, Tukey 1958): long sources count for what they are. */
  readonly clustered: number;
  /** How many sources that variance stands on: (Σe²)² / Σe⁴ of what each is away from the share. */
  readonly carriers: number;
}

function variationOf(
  bySource: SourceStrength,
  voiced: readonly number[],
  { windows, speaking }: { readonly windows: number; readonly speaking: Int32Array },
  t: number,
): Variation {
  const share = speaking[t] / windows;
  const clusters = voiced.length;
  let [sum, squares, second, fourth] = [0, 0, 0, 0];
  for (const s of voiced) {
    const own = bySource.speaking[s * bySource.rowCount + t];
    const left = windows - bySource.windows[s];
    const without = left > 0 ? (speaking[t] - own) / left : share;
    sum += without;
    squares += without * without;
    const away = (own - share * bySource.windows[s]) ** 2;
    second += away;
    fourth += away * away;
  }
  return {
    drawn: (share * (1 - share)) / windows,
    clustered: Math.max(0, ((clusters - 1) / clusters) * (squares - (sum * sum) / clusters)),
    carriers: fourth > 0 ? (second * second) / fourth : clusters,
  };
}

/**
 * By how much more a share varies than if its windows were drawn one by one: sources differ, and windows of one source
 * hang together (design effect, Kish 1965). A few sources tell it badly, so each theme's is drawn towards the mean of all themes',
 * which is worth some degrees of freedom; but never below what its own sources say, since a theme that few carry varies more than all
 * others, and is known by fewer degrees.
 *
 * Measured (bench/intervals.ts): 95 % intervals hold the true share in 93 % and more from 2 to 30 sources, also of themes that few
 * sources carry and where long sources say more (91 of the most uneven among 30).
 */
function designEffects(
  bySource: SourceStrength,
  voiced: readonly number[],
  all: { readonly windows: number; readonly speaking: Int32Array },
): { effects: number[]; degrees: number[] } {
  const clusters = voiced.length;
  const themes = bySource.rowCount;
  const none = new Array<number>(themes).fill(1);
  if (clusters < 2) return { effects: none, degrees: none };
  const rows = Array.from({ length: themes }, (_, t) => variationOf(bySource, voiced, all, t));
  const total = rows.reduce((sum, each) => sum + each.drawn, 0);
  const mean = total > 0 ? Math.max(1, rows.reduce((sum, each) => sum + each.clustered, 0) / total) : 1;
  const prior = Math.min(PRIOR_SOURCES, themes - 1);
  const made = rows.map(({ drawn, clustered, carriers }) => {
    const own = drawn > 0 ? clustered / drawn : mean;
    const shrunk = ((clusters - 1) * own + prior * mean) / (clusters - 1 + prior);
    return own > shrunk
      ? {
          effect: own,
          degrees: Math.max(FEWEST_DEGREES, Math.min(clusters - 1, DEGREES_A_CARRIER * carriers)),
        }
      : { effect: shrunk, degrees: clusters - 1 + prior / 2 };
  });
  return {
    effects: made.map(({ effect }) => Math.max(1, effect)),
    degrees: made.map(({ degrees }) => degrees),
  };
}

/**
 * The difference between the two largest groups that this test finds in four of five such studies, where it is the only one among
 * the rows; undefined where no arrangement of so few sources could show it (its chance, shared out over the rows, is too small).
 *
 * Simulated (bench/intervals.ts): a true difference of this size was found in 68 to 89 % of studies of 6 + 6 to 30 + 30 sources.
 */
function findableDifference(
  groups: readonly GroupStrength[],
  share: number,
  { row, rows, smallest }: { readonly row: number; readonly rows: number; readonly smallest: number },
): number | undefined {
  const filled = groups.filter((group) => group.windows > 0);
  const [first, second] = [...filled].sort((a, b) => b.windows - a.windows);
  const chance = BEYOND_CHANCE / rows;
  if (!second || smallest > chance) return undefined;
  const varianceOf = ({ windows, strengths }: GroupStrength): number =>
    (share * (1 - share) * strengths[row].effect) / windows;
  const sources = filled.reduce((sum, group) => sum + group.persons, 0);
  const found = Math.sqrt(
    noncentralityFound(chance, filled.length, sources) * (varianceOf(first) + varianceOf(second)),
  );
  return found < 1 ? found : undefined;
}
